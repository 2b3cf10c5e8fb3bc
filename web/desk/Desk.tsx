import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Form } from 'react-aria-components';
import { Link, Navigate, useNavigate } from 'react-router';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import { answer, api, sentence } from '../api/client';
import { useNews } from '../api/news';
import { KeptHere } from '../assets/KeptHere';
import type { Assignment, Cover, Desk as DeskData, News } from '../api/types';
import { Act, ActGoTo, Button, Field, GoTo, IconButton, Mark, Row, Soft, StateMark, waits } from '../parts/controls';
import { BinIcon } from '../parts/icons';
import { useTell } from '../parts/notices';
import { askedText } from '../parts/asked';
import { names } from '../parts/names';
import { Page } from '../parts/Page';
import { useOnce } from '../parts/useOnce';
import { RubricRead } from '../parts/RubricRead';
import { ago, clock, day, dayOfYear } from '../parts/time';
import { say } from '../messages/say';
import { Classes } from './Classes';
import { Due, lengthOf } from './Due';
import { ToAnswer } from './ToAnswer';
import { Watching } from './Watching';

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
    /* An upright picture does not make its own room. */
    grid-template: minmax(0, 1fr) / minmax(0, 1fr);
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
export function Desk() {
  const { data, error } = useQuery({
    queryKey: ['desk'],
    queryFn: () => answer(api.GET('/api/desk')),
    refetchOnMount: 'always',
  });
  const { data: news = [] } = useNews(false);
  if (data?.user.role === 'guest') return <ToWatch films={data.toWatch} />;
  const isGrownUp = data?.user.role === 'teacher' || data?.user.role === 'administrator';
  return (
    <Page title={say('desk.title')}>
      <Row style={{ justifyContent: 'space-between' }}>
        <h1>{data ? say('desk.of', { name: data.user.firstName }) : say('desk.title')}</h1>
        {isGrownUp && <GoTo to="/account">{say('mine.title')}</GoTo>}
        {data?.user.role === 'administrator' && <GoTo to="/school">{say('desk.school')}</GoTo>}
      </Row>
      {data && <KeptHere person={data.user.id} />}
      {error && <Soft role="alert">{sentence(error)}</Soft>}
      {data && isGrownUp && <Classes classrooms={data.classrooms} archived={data.archived} />}
      <Watching news={news} />
      {data?.assignments.map((assignment) => (
        <DueCard key={assignment.id} assignment={assignment} stories={data.stories} news={news} />
      ))}
      {data && <ToAnswer films={data.toAnswer} />}
      {data && <Stories desk={data} news={news} />}
    </Page>
  );
}

/** That something new is said of a film. */
function Unread({ story, news }: { story: Cover; news: News[] }) {
  const count = news.find(({ kind, id }) => kind === 'said' && id === story.handIn?.id)?.count ?? 0;
  return count > 0 && <Mark $tone="returned">{say('news.how-many', { count })}</Mark>;
}

/** What a guest sees: the film that they were asked to. */
function ToWatch({ films }: { films: DeskData['toWatch'] }) {
  const [only] = films;
  if (only) return <Navigate to={`/handins/${only.id}`} replace />;
  return (
    <Page title={say('guest.to-watch')}>
      <h1>{say('guest.to-watch')}</h1>
      <p>{say('guest.nothing')}</p>
    </Page>
  );
}

function DueCard({ assignment, stories, news }: { assignment: Assignment; stories: Cover[]; news: News[] }) {
  const mine = stories.filter((story) => story.assignment === assignment.id);
  return (
    <Due aria-label={say('desk.due')}>
      <Row>
        <Mark $tone="handed">{say('desk.due-on', { day: day(assignment.dueOn) })}</Mark>
        <Soft as="span">{assignment.classroom}</Soft>
      </Row>
      <h2>{assignment.title}</h2>
      <p style={{ whiteSpace: 'pre-wrap' }}>{assignment.task}</p>
      {askedText(assignment) !== '' && <Soft>{askedText(assignment)}</Soft>}
      {assignment.rubric && (
        <details>
          <summary>{say('rubric.how-marked')}</summary>
          <div style={{ paddingTop: 12 }}>
            <RubricRead rubric={assignment.rubric} />
          </div>
        </details>
      )}
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
                {say(waits(story.handIn.state) ? 'desk.see-handed-in' : 'desk.read-answer')}{' '}
                <StateMark state={story.handIn.state} /> <Unread story={story} news={news} />
              </GoTo>
            ),
        )}
        {assignment.classSees && <GoTo to={`/assignments/${assignment.id}/watched`}>{say('thanks.class-films')}</GoTo>}
        <Soft as="span">{lengthOf(assignment)}</Soft>
        {assignment.together > 1 && <Soft as="span">{say('task.up-to-together', { size: assignment.together })}</Soft>}
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
  // Pressed twice it is one story.
  const { once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  if (!asking) return <Act onPress={() => setAsking(true)}>{say(assignment ? 'desk.begin-this' : 'desk.begin')}</Act>;
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        void once(async () => {
          const story = await answer(api.POST('/api/stories', { body: { title, assignment: assignment?.id } }));
          await navigate(`/stories/${story.id}`);
        });
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

function Stories({ desk, news }: { desk: DeskData; news: News[] }) {
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
              {story.goesOn && <p>{say('keeping.story-goes-on', { day: dayOfYear(story.goesOn) })}</p>}
              {story.others.length > 0 && <Soft>{say('together.with', { names: names(story.others) })}</Soft>}
              <div>
                {story.handIn ? (
                  <StateMark state={story.handIn.state} />
                ) : (
                  <StateMark state={story.film === 'done' ? 'film made' : 'draft'} />
                )}{' '}
                <Unread story={story} news={news} />
              </div>
            </div>
            {story.mayDrop && (
              <div className="bin">
                <IconButton label={say('desk.delete', { title: story.title })} onPress={() => void remove(story)}>
                  <BinIcon />
                </IconButton>
              </div>
            )}
          </CoverBox>
        ))}
      </Covers>
    </section>
  );
}
