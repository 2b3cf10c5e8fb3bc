import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { answer, api, sentence } from '../../api/client';
import { told } from '../../api/told';
import type { HandInView, Marks } from '../../api/types';
import { say } from '../../messages/say';
import { Card, Quiet, Row, Soft } from '../../parts/controls';
import { useTell } from '../../parts/notices';

const Criterion = styled(RadioGroup)`
  display: grid;
  gap: 4px;
  .react-aria-Label {
    font-weight: 600;
  }
`;
const Level = styled(Radio)`
  display: grid;
  grid-template-columns: 2.5ch minmax(0, 1fr);
  gap: 10px;
  align-items: baseline;
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  cursor: pointer;
  .points {
    text-align: end;
    font-variant-numeric: tabular-nums;
    color: var(--soft);
  }
  &[data-hovered] {
    border-color: var(--indigo);
  }
  &[data-selected] {
    border-color: var(--indigo);
    background: var(--indigo-wash);
  }
  &[data-selected] .points {
    color: var(--indigo);
    font-weight: 650;
  }
`;

/** The rubric beside the film, filled in by clicks: each is kept at once, one after another, and the total follows. */
export function Marking({ handIn, marks }: { handIn: string; marks: Marks }) {
  const queries = useQueryClient();
  const tell = useTell();
  /** What was pressed and is not kept yet. */
  const [pressed, setPressed] = useState<Record<string, number | null>>({});
  const { mutate } = useMutation({
    scope: { id: `marks-${handIn}` },
    // Without a network it is said at once, not kept for later where nobody sees it.
    networkMode: 'always',
    mutationFn: ({ criterion, level }: { criterion: string; level: number | null }) =>
      answer<HandInView>(
        api.PUT('/api/handins/{id}/marks/{criterion}', {
          params: { path: { id: handIn, criterion } },
          body: { level },
        }),
      ),
    onSuccess: (newer) => told(queries, ['handin', handIn], newer),
    onError: (error) => tell(sentence(error), { tone: 'trouble' }),
    onSettled: (_newer, _error, { criterion, level }) =>
      setPressed(({ [criterion]: last, ...others }) =>
        last === undefined || last === level ? others : { ...others, [criterion]: last },
      ),
  });
  const press = (criterion: string, level: number | null) => {
    setPressed((others) => ({ ...others, [criterion]: level }));
    mutate({ criterion, level });
  };
  return (
    <Card aria-labelledby="rubric">
      <Row style={{ justifyContent: 'space-between' }}>
        <h2 id="rubric">{marks.rubric.title}</h2>
        <Total marks={marks} />
      </Row>
      {marks.rubric.criteria.map((one) => {
        const now = one.id in pressed ? (pressed[one.id] ?? null) : (marks.levels[one.id] ?? null);
        return (
          <Criterion
            key={one.id}
            data-many="a level of a rubric"
            value={now === null ? null : String(now)}
            onChange={(level) => press(one.id, Number(level))}
          >
            <Row style={{ justifyContent: 'space-between', minHeight: 40 }}>
              <Label>
                {one.name} {one.weight > 1 && <Soft as="span">{say('rubric.counts', { count: one.weight })}</Soft>}
              </Label>
              {now !== null && (
                <Quiet aria-label={say('rubric.take-back', { name: one.name })} onPress={() => press(one.id, null)}>
                  {say('rubric.take-back-short')}
                </Quiet>
              )}
            </Row>
            {one.levels.map(({ sentence: said, points }, n) => (
              <Level key={said} value={String(n)}>
                <span className="points">{points}</span>
                <span>{said}</span>
              </Level>
            ))}
          </Criterion>
        );
      })}
      {!marks.isWhole && <Soft>{say('rubric.unfilled')}</Soft>}
    </Card>
  );
}

export function Total({ marks: { points, most } }: { marks: Marks }) {
  return (
    <strong role="status" aria-label={say('rubric.total')}>
      {say('rubric.points', { points, most })}
    </strong>
  );
}
