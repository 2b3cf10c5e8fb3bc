import { useQuery } from '@tanstack/react-query';
import { answer, api, sentence } from '../../api/client';
import type { Rubric } from '../../api/types';
import { say } from '../../messages/say';
import { Button, Card, Row, Soft } from '../../parts/controls';
import { newCriterion, draftOf, type Draft } from './draft';

/** A rubric is copied: from those that ship, from another task of one's own, or begun with nothing. */
export function StartFrom({ onStart }: { onStart: (draft: Draft) => void }) {
  const { data, error } = useQuery({
    queryKey: ['rubrics'],
    queryFn: () => answer(api.GET('/api/rubrics')),
    refetchOnMount: 'always',
  });
  if (!data) return error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>;
  const start = (rubric: Rubric) => onStart(draftOf(rubric));
  return (
    <>
      <p>{say('rubric.start')}</p>
      <ul style={{ display: 'grid', gap: 12 }}>
        {data.own.map(({ assignment, title, classroom, rubric }) => (
          <Offered
            key={assignment}
            rubric={rubric}
            where={say('rubric.from-task', { task: title, classroom })}
            onStart={start}
          />
        ))}
        {data.shipped.map((rubric) => (
          <Offered key={rubric.title} rubric={rubric} onStart={start} />
        ))}
      </ul>
      <div>
        <Button onPress={() => onStart({ title: '', criteria: [newCriterion()] })}>{say('rubric.empty')}</Button>
      </div>
    </>
  );
}

function Offered({ rubric, where, onStart }: { rubric: Rubric; where?: string; onStart: (rubric: Rubric) => void }) {
  return (
    <Card as="li">
      <Row style={{ justifyContent: 'space-between' }}>
        <div>
          <strong>{rubric.title}</strong> {where && <Soft as="span">{where}</Soft>}
          <Soft>{rubric.criteria.map(({ name }) => name).join(' · ')}</Soft>
        </div>
        <Button aria-label={say('rubric.take-this', { title: rubric.title })} onPress={() => onStart(rubric)}>
          {say('rubric.take')}
        </Button>
      </Row>
    </Card>
  );
}
