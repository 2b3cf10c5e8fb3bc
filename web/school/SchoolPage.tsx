import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import styled from 'styled-components';
import { answer, api, sentence } from '../api/client';
import { useSession } from '../api/session';
import { say } from '../messages/say';
import { Mark, Quiet, Row, Soft } from '../parts/controls';
import { InviteButton } from '../parts/Invite';
import { Page } from '../parts/Page';
import { useTell } from '../parts/notices';
import { ago, dayOfYear } from '../parts/time';
import { useOnce } from '../parts/useOnce';
import { AboutSchool } from './AboutSchool';
import { PlatformsPanel } from './platforms/PlatformsPanel';
import { RosterPanel } from './RosterPanel';

const Lists = styled.div`
  display: grid;
  gap: 32px;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  align-items: start;
  section {
    display: grid;
    gap: 12px;
    min-width: 0;
  }
  li {
    display: grid;
    gap: 2px;
    padding: 10px 0;
    border-block-end: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
  strong,
  a {
    font: 600 1.05rem var(--reading);
  }
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** A school: who teaches, and which classes there are. */
export default function SchoolPage() {
  const queries = useQueryClient();
  const { data, error } = useQuery({
    queryKey: ['school'],
    queryFn: () => answer(api.GET('/api/school')),
    refetchOnMount: 'always',
  });
  const { person } = useSession();
  const tell = useTell();
  const { busy, once } = useOnce((problem) => tell(sentence(problem), { tone: 'trouble' }));
  const dropStep = (id: string) =>
    void once(async () => {
      await answer(api.DELETE('/api/school/people/{id}/second-step', { params: { path: { id } } }));
      await queries.invalidateQueries({ queryKey: ['school'] });
    });
  if (!data)
    return (
      <Page title={say('school.school')}>
        {error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}
      </Page>
    );
  const { name, adults, classes } = data;
  return (
    <Page title={name}>
      <Row style={{ alignItems: 'start' }}>
        <h1>{name}</h1>
        <AboutSchool school={data} />
      </Row>
      <Lists>
        <section aria-labelledby="adults">
          <h2 id="adults">{say('school.adults', { count: adults.length })}</h2>
          <InviteButton
            label={say('school.invite-teacher')}
            make={() => api.POST('/api/school/invitations', { body: { role: 'teacher' } })}
          />
          <InviteButton
            label={say('school.invite-administrator')}
            make={() => api.POST('/api/school/invitations', { body: { role: 'administrator' } })}
          />
          <ul>
            {adults.map((one) => (
              <li key={one.id}>
                <Row>
                  <strong>{one.firstName}</strong>
                  {one.hasSecondStep && <Mark $tone="accepted">{say('school.second-step')}</Mark>}
                  {one.role === 'administrator' && <Mark $tone="plain">{say('school.administrator')}</Mark>}
                </Row>
                {one.hasSecondStep && one.id !== person?.id && (
                  <div>
                    <Quiet isDisabled={busy} onPress={() => dropStep(one.id)}>
                      {say('school.drop-second-step', { name: one.firstName })}
                    </Quiet>
                  </div>
                )}
                <Soft>{one.seenAt ? say('class.seen', { ago: ago(one.seenAt) }) : say('class.not-seen')}</Soft>
              </li>
            ))}
          </ul>
        </section>
        <section aria-labelledby="classes">
          <h2 id="classes">{say('school.classes', { count: classes.length })}</h2>
          {classes.length === 0 && <Soft>{say('school.no-class')}</Soft>}
          <RosterPanel name={name} />
          <PlatformsPanel />
          <ul>
            {classes.map((one) => (
              <li key={one.id}>
                <Link to={`/classes/${one.id}`}>{one.name}</Link>
                <Soft>
                  {say('desk.students', { count: one.students })}
                  {one.isArchived && <> · {say('school.archived')}</>}
                  {one.goesOn && <> · {say('keeping.goes-on', { day: dayOfYear(one.goesOn) })}</>}
                  {one.teachers.length > 0 && <> · {say('class.taught-by', { names: one.teachers.join(', ') })}</>}
                </Soft>
              </li>
            ))}
          </ul>
        </section>
      </Lists>
    </Page>
  );
}
