import { useParams } from 'react-router';
import styled from 'styled-components';
import { sentence } from '../api/client';
import { say } from '../messages/say';
import { ActGoTo, Card, Row, Soft } from '../parts/controls';
import { Page } from '../parts/Page';
import { AddStudents } from './roll/AddStudents';
import { cardsOf } from './roll/cards';
import { CardKind } from './roll/CardKind';
import { CardsForAll } from './roll/CardsForAll';
import { ClassHead } from './roll/ClassHead';
import { FromPlatform } from './roll/FromPlatform';
import { OnTheBoard } from './roll/OnTheBoard';
import { StudentRow } from './roll/StudentRow';
import { Tasks } from './roll/Tasks';
import { Teachers } from './roll/Teachers';
import { useRoll } from './roll/useRoll';
import { Archived, YearsEnd } from './roll/YearsEnd';

const Two = styled.div`
  display: grid;
  gap: 24px;
  grid-template-columns: minmax(0, 1fr) minmax(280px, 360px);
  align-items: start;
  section[aria-labelledby='students'],
  > div {
    display: grid;
    gap: 12px;
    min-width: 0;
  }
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** A class: who is in it, and what they come in with. */
export default function ClassPage() {
  const { id = '' } = useParams();
  const { classroom, error, busy, act } = useRoll(id);
  if (!classroom)
    return (
      <Page title={say('class.class')}>
        {error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}
      </Page>
    );
  const { name, students, mayChange } = classroom;
  const cards = cardsOf(id);
  return (
    <Page title={name}>
      <ClassHead classroom={classroom} busy={busy} act={act} />
      {classroom.archivedAt && <Archived classroom={classroom} busy={busy} act={act} />}
      {cards.length > 0 && (
        <Card aria-label={say('class.cards')}>
          <Row style={{ justifyContent: 'space-between' }}>
            <p>{say('class.cards-wait', { count: cards.length })}</p>
            <ActGoTo to={`/classes/${id}/cards`}>{say('class.see-cards')}</ActGoTo>
          </Row>
        </Card>
      )}
      <Two>
        <div>
          <section aria-labelledby="students">
            <h2 id="students">{say('desk.students', { count: students.length })}</h2>
            {students.length === 0 && <Soft>{say(mayChange ? 'class.nobody-yet' : 'class.nobody')}</Soft>}
            <ul>
              {students.map((student) => (
                <StudentRow key={student.id} classroom={classroom} student={student} busy={busy} act={act} />
              ))}
            </ul>
            {mayChange && students.length > 0 && <CardsForAll classroom={classroom} busy={busy} act={act} />}
          </section>
          <Tasks classroom={classroom} busy={busy} act={act} />
        </div>
        <div>
          {mayChange && <AddStudents id={id} busy={busy} isNext={cards.length === 0} act={act} />}
          {mayChange && <FromPlatform id={id} />}
          {mayChange && <OnTheBoard classroom={classroom} busy={busy} act={act} />}
          {mayChange && <CardKind classroom={classroom} act={act} />}
          <Teachers classroom={classroom} busy={busy} act={act} />
          {classroom.mayArchive && !classroom.archivedAt && <YearsEnd classroom={classroom} busy={busy} act={act} />}
        </div>
      </Two>
    </Page>
  );
}
