import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { answer, api } from '../../api/client';
import { useSession } from '../../api/session';
import type { ClassView } from '../../api/types';
import { say } from '../../messages/say';
import { Card, Quiet, Row, Soft } from '../../parts/controls';
import { InviteButton } from '../../parts/Invite';
import { useTell } from '../../parts/notices';
import type { Act } from './useRoll';

const TEACHER = '/api/classes/{id}/teachers/{teacher}';
const List = styled.ul`
  display: grid;
  gap: 4px;
`;
type Teacher = ClassView['teachers'][number];
interface Props {
  classroom: ClassView;
  busy: boolean;
  act: Act;
}

/** Who teaches the class, and how others come to. */
export function Teachers({ classroom, busy, act }: Props) {
  const { id, teachers, mayChange } = classroom;
  const invite = (part: 'lead' | 'helper') => () =>
    api.POST('/api/classes/{id}/invitations', { params: { path: { id } }, body: { part } });
  return (
    <Card aria-labelledby="teachers">
      <h2 id="teachers">{say('class.teachers')}</h2>
      <List>
        {teachers.map((one) => (
          <li key={one.id}>
            <Row style={{ justifyContent: 'space-between' }}>
              <span>
                {one.firstName} <Soft as="span">{say(one.part === 'helper' ? 'class.helps' : 'class.leads')}</Soft>
              </span>
              {mayChange && teachers.length > 1 && <TeacherActs id={id} teacher={one} busy={busy} act={act} />}
            </Row>
          </li>
        ))}
      </List>
      {mayChange && (
        <>
          <InviteButton label={say('class.invite-teacher')} make={invite('lead')} />
          <InviteButton label={say('class.invite-helper')} make={invite('helper')} />
        </>
      )}
    </Card>
  );
}

function TeacherActs({ id, teacher, busy, act }: { id: string; teacher: Teacher; busy: boolean; act: Act }) {
  const { person } = useSession();
  const navigate = useNavigate();
  const tell = useTell();
  const { firstName: name, part } = teacher;
  const params = { path: { id, teacher: teacher.id } };
  const teach = (as: Teacher['part']) => act(() => answer(api.PUT(TEACHER, { params, body: { part: as } })));
  const takeOut = async () => {
    if (!(await act(() => answer(api.DELETE(TEACHER, { params }))))) return;
    const said = say('class.teacher-taken-out', { name });
    if (teacher.id === person?.id && person.role !== 'administrator') {
      await navigate('/');
      tell(said);
    } else tell(said, { action: { label: say('class.put-back'), run: () => void teach(part) } });
  };
  return (
    <Row>
      {part === 'helper' ? (
        <Quiet isDisabled={busy} aria-label={say('class.teacher-leads', { name })} onPress={() => void teach('lead')}>
          {say('class.teacher-leads-short')}
        </Quiet>
      ) : (
        <Quiet isDisabled={busy} aria-label={say('class.teacher-helps', { name })} onPress={() => void teach('helper')}>
          {say('class.teacher-helps-short')}
        </Quiet>
      )}
      <Quiet isDisabled={busy} aria-label={say('class.teacher-out', { name })} onPress={() => void takeOut()}>
        {say('class.take-out')}
      </Quiet>
    </Row>
  );
}
