import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Form } from 'react-aria-components';
import { useNavigate, useParams } from 'react-router';
import limits from '../../../schema/limits.json';
import { answer, api, sentence } from '../../api/client';
import type { AssignmentView, Rubric } from '../../api/types';
import { say } from '../../messages/say';
import { Act, Button, Field, GoTo, Quiet, Row, Soft, Wrong } from '../../parts/controls';
import { Page } from '../../parts/Page';
import { useTried } from '../../parts/useTried';
import { useAssignment } from '../useAssignment';
import { CriterionCard } from './CriterionCard';
import { draftOf, moved, newCriterion, rubricOf, type Draft } from './draft';
import { StartFrom } from './StartFrom';

/** What the films of a task are marked by. */
export default function RubricPage() {
  const { id = '' } = useParams();
  const { data, error } = useAssignment(id);
  if (!data)
    return (
      <Page title={say('rubric.rubric')}>
        {error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}
      </Page>
    );
  return (
    <Page title={say('rubric.rubric')}>
      <div style={{ display: 'grid', gap: 8 }}>
        <h1>{say('rubric.rubric')}</h1>
        <Soft>{data.assignment.title}</Soft>
      </div>
      <Editor id={id} rubric={data.assignment.rubric} />
    </Page>
  );
}

function Editor({ id, rubric }: { id: string; rubric: Rubric | null }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [draft, setDraft] = useState<Draft | null>(rubric && draftOf(rubric));
  const { wrong, busy, tried } = useTried();
  const back = `/assignments/${id}`;
  const params = { path: { id } };
  const told = async (call: Promise<AssignmentView['assignment']>) => {
    const assignment = await call;
    queries.setQueryData<AssignmentView>(['assignment', id], (old) => old && { ...old, assignment });
    await navigate(back, { replace: true });
  };
  const save = (now: Draft) =>
    told(answer(api.PUT('/api/assignments/{id}/rubric', { params, body: { rubric: rubricOf(now) } })));
  const drop = () => told(answer(api.DELETE('/api/assignments/{id}/rubric', { params })));
  if (!draft)
    return (
      <>
        <StartFrom onStart={setDraft} />
        <div>
          <GoTo to={back}>{say('page.not-now')}</GoTo>
        </div>
      </>
    );
  const { criteria } = draft;
  const change = (next: Draft['criteria']) => setDraft({ ...draft, criteria: next });
  return (
    <Form
      style={{ display: 'grid', gap: 16 }}
      onSubmit={(event) => {
        event.preventDefault();
        void tried(() => save(draft));
      }}
    >
      <Field
        label={say('rubric.title')}
        value={draft.title}
        onChange={(title) => setDraft({ ...draft, title })}
        max={limits.title}
        isRequired
      />
      <ol style={{ display: 'grid', gap: 16 }}>
        {criteria.map((one, n) => (
          <CriterionCard
            key={one.id}
            criterion={one}
            number={n + 1}
            of={criteria.length}
            onChange={(next) => change(criteria.map((other) => (other.id === one.id ? next : other)))}
            onMove={(by) => change(moved(criteria, n, by))}
            onRemove={() => change(criteria.filter((other) => other.id !== one.id))}
          />
        ))}
      </ol>
      <div>
        <Button isDisabled={criteria.length >= limits.criteria} onPress={() => change([...criteria, newCriterion()])}>
          {say('rubric.add')}
        </Button>
      </div>
      <Wrong text={wrong} />
      <Row>
        <Act type="submit" isDisabled={busy}>
          {say('rubric.save')}
        </Act>
        <GoTo to={back}>{say('page.not-now')}</GoTo>
        {rubric && (
          <Quiet isDisabled={busy} onPress={() => void tried(drop)}>
            {say('rubric.drop')}
          </Quiet>
        )}
      </Row>
    </Form>
  );
}
