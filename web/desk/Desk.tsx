import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Form } from 'react-aria-components';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import { answer, api, sentence } from '../api/client';
import type { Assignment, Cover, Desk as DeskData } from '../api/types';
import {
  Act,
  ActGoTo,
  Button,
  Card,
  Field,
  GoTo,
  IconButton,
  Mark,
  Row,
  Soft,
  StateMark,
  type StoryState,
} from '../parts/controls';
import { BinIcon } from '../parts/icons';
import { useTell } from '../parts/notices';
import { Page } from '../parts/Page';
import { ago, clock, day } from '../parts/time';
import { say } from '../messages/say';

const Covers = styled.ul`
  display: grid;
  gap: 20px;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
`;
const CoverBox = styled.li`
  display: grid;
  grid-template-rows: auto 1fr;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  overflow: hidden;
  position: relative;
  &:hover,
  &:focus-within {
    border-color: var(--indigo);
  }
  .picture {
    aspect-ratio: 16 / 9;
    background: var(--indigo-wash);
    display: grid;
    place-items: center;
    overflow: hidden;
  }
  .picture img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  .words {
    padding: 12px;
    display: grid;
    gap: 6px;
    align-content: start;
  }
  a.whole {
    color: inherit;
    text-decoration: none;
    font: 600 1.1rem/1.25 var(--reading);
  }
  a.whole::after {
    content: '';
    position: absolute;
    inset: 0;
  }
  .bin {
    position: absolute;
    inset-inline-end: 4px;
    bottom: 4px;
    z-index: 1;
  }
`;
const lengthOf = ({ leastSeconds, mostSeconds }: Assignment): string =>
  say('desk.length', { least: clock(leastSeconds), most: clock(mostSeconds) });
const Due = styled(Card)`
  border-inline-start: 5px solid var(--indigo);
`;

export function Desk() {
  const { data, error } = useQuery({
    queryKey: ['desk'],
    queryFn: () => answer(api.GET('/api/desk')),
    refetchOnMount: 'always',
  });
  return (
    <Page title={say('desk.title')}>
      <h1>{data ? say('desk.of', { name: data.user.firstName }) : say('desk.title')}</h1>
      {error && <Soft role="alert">{sentence(error)}</Soft>}
      {data?.user.role === 'teacher' && <Classes desk={data} />}
      {data?.assignments.map((assignment) => (
        <DueCard key={assignment.id} assignment={assignment} stories={data.stories} />
      ))}
      {data && <Stories desk={data} />}
    </Page>
  );
}

function DueCard({ assignment, stories }: { assignment: Assignment; stories: Cover[] }) {
  const mine = stories.filter((story) => story.assignment === assignment.id);
  return (
    <Due aria-label={say('desk.due')}>
      <Row>
        <Mark $tone="handed">{say('desk.due-on', { day: day(assignment.dueOn) })}</Mark>
        <Soft as="span">{assignment.classroom}</Soft>
      </Row>
      <h2>{assignment.title}</h2>
      <p>{assignment.task}</p>
      <Row>
        {mine.length === 0 ? (
          <Begin assignment={assignment} />
        ) : (
          mine.map((story) => (
            <ActGoTo key={story.id} to={`/stories/${story.id}`}>
              {say('desk.go-on', { title: story.title })}
            </ActGoTo>
          ))
        )}
        {mine.map(
          (story) =>
            story.handIn && (
              <GoTo key={story.id} to={`/handins/${story.handIn.id}`}>
                {say(story.handIn.state === 'handed in' ? 'desk.see-handed-in' : 'desk.read-answer')}{' '}
                <StateMark state={story.handIn.state} />
              </GoTo>
            ),
        )}
        <Soft as="span">{lengthOf(assignment)}</Soft>
      </Row>
    </Due>
  );
}

/** A new story asks for its title, and nothing else. */
function Begin({ assignment }: { assignment?: Assignment }) {
  const [asking, setAsking] = useState(false);
  const [title, setTitle] = useState('');
  const navigate = useNavigate();
  const tell = useTell();
  if (!asking) return <Act onPress={() => setAsking(true)}>{say(assignment ? 'desk.begin-this' : 'desk.begin')}</Act>;
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        answer(api.POST('/api/stories', { body: { title, assignment: assignment?.id } }))
          .then((story) => navigate(`/stories/${story.id}`))
          .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }));
      }}
    >
      <Row style={{ alignItems: 'end' }}>
        <Field label={say('desk.called')} value={title} onChange={setTitle} max={limits.title} autoFocus isRequired />
        <Act type="submit">{say('desk.begin-now')}</Act>
        <Button onPress={() => setAsking(false)}>{say('page.not-now')}</Button>
      </Row>
    </Form>
  );
}

function Stories({ desk }: { desk: DeskData }) {
  const queries = useQueryClient();
  const tell = useTell();
  const remove = async (story: Cover) => {
    const refresh = () => queries.invalidateQueries({ queryKey: ['desk'] });
    const restore = () =>
      void answer(api.POST('/api/stories/{id}/restore', { params: { path: { id: story.id } } }))
        .then(refresh)
        // It can be had back as soon as there is a connection again.
        .catch((error: unknown) => tell(sentence(error), { tone: 'trouble', action: bringBack }));
    const bringBack = { label: say('desk.bring-back'), run: restore };
    try {
      await answer(api.DELETE('/api/stories/{id}', { params: { path: { id: story.id } } }));
      await refresh();
      tell(say('desk.deleted', { title: story.title }), { action: bringBack });
    } catch (error) {
      tell(sentence(error), { tone: 'trouble' });
    }
  };
  return (
    <section aria-labelledby="stories" style={{ display: 'grid', gap: 16 }}>
      <Row style={{ justifyContent: 'space-between' }}>
        <h2 id="stories">{say('desk.my-stories')}</h2>
        <Begin />
      </Row>
      {desk.stories.length === 0 && <Soft>{say('desk.empty')}</Soft>}
      <Covers>
        {desk.stories.map((story) => (
          <CoverBox key={story.id}>
            <div className="picture">
              {story.cover ? (
                <img src={`/api/stories/${story.id}/assets/${story.cover}/thumb.jpg`} alt="" loading="lazy" />
              ) : (
                <Soft as="span">{say('desk.no-picture')}</Soft>
              )}
            </div>
            <div className="words">
              <Link className="whole" to={`/stories/${story.id}`}>
                {story.title}
              </Link>
              <Soft>
                {say('desk.about', { slides: story.slides, length: clock(story.seconds), ago: ago(story.changedAt) })}
              </Soft>
              <div>
                {story.handIn ? (
                  <StateMark state={story.handIn.state} />
                ) : (
                  <StateMark state={story.film === 'done' ? 'film made' : 'draft'} />
                )}
              </div>
            </div>
            <div className="bin">
              <IconButton label={say('desk.delete', { title: story.title })} onPress={() => void remove(story)}>
                <BinIcon />
              </IconButton>
            </div>
          </CoverBox>
        ))}
      </Covers>
    </section>
  );
}

function Classes({ desk }: { desk: DeskData }) {
  return (
    <>
      {desk.classrooms.map((classroom) => (
        <section key={classroom.id} aria-label={classroom.name} style={{ display: 'grid', gap: 12 }}>
          <h2>
            {classroom.name} <Soft as="span">· {say('desk.students', { count: classroom.students })}</Soft>
          </h2>
          {classroom.assignments.map((assignment) => {
            const waiting = assignment.states['handed in'] ?? 0;
            return (
              <Due key={assignment.id}>
                <Row>
                  <Mark $tone="handed">{say('desk.due-on', { day: day(assignment.dueOn) })}</Mark>
                  <Soft as="span">{lengthOf(assignment)}</Soft>
                </Row>
                <h3>{assignment.title}</h3>
                <p>{assignment.task}</p>
                <Row>
                  <ActGoTo to={`/assignments/${assignment.id}`}>{say('desk.see-hand-ins', { count: waiting })}</ActGoTo>
                  {(Object.entries(assignment.states) as [StoryState, number][]).map(([state, count]) => (
                    <span key={state}>
                      {count} <StateMark state={state} />
                    </span>
                  ))}
                </Row>
              </Due>
            );
          })}
        </section>
      ))}
    </>
  );
}
