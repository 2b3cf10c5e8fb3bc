import { useState } from 'react';
import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import { answer, api } from '../../api/client';
import type { ClassView } from '../../api/types';
import { say } from '../../messages/say';
import { Quiet, Soft } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { ago } from '../../parts/time';
import { keepCards } from './cards';
import { NameForm } from './NameForm';
import type { Act } from './useRoll';

const Line = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 12px;
  align-items: center;
  padding: 6px 0;
  border-block-end: 1px solid var(--line);
  form {
    grid-column: 1 / -1;
  }
  .name {
    font: 600 1.05rem var(--reading);
    overflow-wrap: anywhere;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
  }
  @media (max-width: 600px) {
    grid-template-columns: minmax(0, 1fr);
    .acts > :first-child {
      margin-inline-start: -10px;
    }
  }
`;
const STUDENT = '/api/classes/{id}/students/{student}';

interface Props {
  classroom: ClassView;
  student: ClassView['students'][number];
  busy: boolean;
  act: Act;
}

/** One of the class: when they came in last, and what can be done about them. */
export function StudentRow({ classroom: { id, mayChange }, student, busy, act }: Props) {
  const tell = useTell();
  const [isRenamed, setRenamed] = useState(false);
  const { firstName } = student;
  const params = { path: { id, student: student.id } };
  const takeOut = async () => {
    if (!(await act(() => answer(api.DELETE(STUDENT, { params }))))) return;
    const putBack = () => void act(() => answer(api.PUT(STUDENT, { params })));
    tell(say('class.taken-out', { name: firstName }), { action: { label: say('class.put-back'), run: putBack } });
  };
  const newCard = async () => {
    const isMade = await act(async () => {
      const asked = { params: { path: { id } }, body: { students: [student.id] } };
      keepCards(id, await answer(api.POST('/api/classes/{id}/cards', asked)));
      return undefined;
    });
    if (isMade) tell(say('class.new-card-made', { name: firstName }));
  };
  if (isRenamed)
    return (
      <Line>
        <NameForm
          label={say('class.called')}
          called={firstName}
          most={limits.firstName}
          busy={busy}
          onSave={(name) => act(() => answer(api.PATCH(STUDENT, { params, body: { name } })))}
          onLeave={() => setRenamed(false)}
        />
      </Line>
    );
  return (
    <Line>
      <div>
        <span className="name">{firstName}</span>{' '}
        <Soft as="span">
          {student.seenAt ? say('class.seen', { ago: ago(student.seenAt) }) : say('class.not-seen')}
        </Soft>
      </div>
      {mayChange && (
        <div className="acts">
          <Quiet aria-label={say('class.rename-one', { name: firstName })} onPress={() => setRenamed(true)}>
            {say('class.rename')}
          </Quiet>
          <Quiet
            aria-label={say('class.new-card-of', { name: firstName })}
            isDisabled={busy}
            onPress={() => void newCard()}
          >
            {say('class.new-card')}
          </Quiet>
          <Quiet
            aria-label={say('class.take-out-one', { name: firstName })}
            isDisabled={busy}
            onPress={() => void takeOut()}
          >
            {say('class.take-out')}
          </Quiet>
        </div>
      )}
    </Line>
  );
}
