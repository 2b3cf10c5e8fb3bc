import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ProgressBar } from 'react-aria-components';
import { Link, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { answer, api, sentence } from '../api/client';
import type { Film, StoryView } from '../api/types';
import { Picks } from '../parts/Choice';
import { Act, Button, Card, GoTo, LateMark, Quiet, Row, Soft, StateMark, stateText, waits } from '../parts/controls';
import { useTell } from '../parts/notices';
import { Page } from '../parts/Page';
import { ago, clock, size } from '../parts/time';
import { useOnce } from '../parts/useOnce';
import { ProofList } from '../story/ProofList';
import { threadOf } from '../stage/plan';
import { StoryProvider } from '../story/StoryContext';
import { StoryHead } from '../story/StoryHead';
import { useStory } from '../story/useStory';
import { FilmPlayer } from '../stage/FilmPlayer';
import { say, type Code } from '../messages/say';

const Layout = styled.div`
  display: grid;
  gap: 24px;
  grid-template-columns: minmax(0, 1.7fr) minmax(300px, 1fr);
  align-items: start;
  max-width: 1280px;
  width: 100%;
  margin: 0 auto;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Bar = styled(ProgressBar)`
  display: grid;
  gap: 6px;
  .rail {
    height: 14px;
    border-radius: 7px;
    background: var(--line);
    overflow: hidden;
  }
  .done {
    height: 100%;
    background: var(--indigo);
  }
`;
/** Whether there is nothing more to come of it. */
const isOver = ({ state, problems }: Film) =>
  state === 'failed' || state === 'cancelled' || (state === 'done' && problems !== null);
const problems: Record<NonNullable<Film['problems']>[number], Code> = {
  unreadable: 'plays.unreadable',
  picture: 'plays.picture',
  sound: 'plays.sound',
  captions: 'plays.captions',
};

export default function FilmPage() {
  const { id = '' } = useParams();
  const hold = useStory(id);
  const { view } = hold;
  const { data: film } = useQuery({
    queryKey: ['film', view?.film?.id],
    queryFn: () => answer(api.GET('/api/films/{id}', { params: { path: { id: view?.film?.id ?? '' } } })),
    enabled: view?.film !== null && view?.film !== undefined,
    initialData: view?.film ?? undefined,
    refetchInterval: (query) => (query.state.data && isOver(query.state.data) ? false : 900),
  });
  const navigate = useNavigate();
  if (!view) {
    return (
      <Page title={say('making.film')} wide>
        <Soft>{hold.error ? sentence(hold.error) : say('page.one-moment')}</Soft>
      </Page>
    );
  }
  return (
    <StoryProvider id={id} hold={hold} view={view}>
      <Page title={say('making.title', { title: view.story.title })} wide head={<StoryHead id={id} hold={hold} />}>
        <h1 className="unseen">{say('making.title', { title: view.story.title })}</h1>
        <Layout>
          <div style={{ display: 'grid', gap: 16, minWidth: 0 }}>
            {film?.state === 'done' ? <Made view={view} film={film} /> : <Making view={view} film={film} />}
          </div>
          <div style={{ display: 'grid', gap: 16, minWidth: 0 }}>
            {film?.state === 'done' && <HandInCard view={view} film={film} hold={hold} />}
            {film?.state === 'done' && <MakeCard view={view} again />}
            <Card>
              <h2>{say('proof.title')}</h2>
              <ProofList onPick={(slide) => void navigate(`/stories/${id}?slide=${slide}`)} />
            </Card>
          </div>
        </Layout>
      </Page>
    </StoryProvider>
  );
}

const inSeconds = (plan: StoryView['plan']) =>
  threadOf(plan).map((s) => ({
    id: s.id,
    start: s.start / plan.fps,
    end: (s.start + s.stay) / plan.fps,
    comesIn: s.comesIn / plan.fps,
    voice: s.voice,
  }));

function useMake(view: StoryView) {
  const queries = useQueryClient();
  const tell = useTell();
  const [busy, setBusy] = useState(false);
  const make = (body: { size: Film['size']; container: Film['container'] }) => {
    setBusy(true);
    answer(api.POST('/api/stories/{id}/films', { params: { path: { id: view.id } }, body }))
      .then((film) => {
        queries.setQueryData<StoryView>(['story', view.id], (old) => (old ? { ...old, film } : old));
        queries.setQueryData(['film', film.id], film);
      })
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }))
      .finally(() => setBusy(false));
  };
  return { make, busy };
}

function MakeCard({ view, again = false }: { view: StoryView; again?: boolean }) {
  const { make, busy } = useMake(view);
  const [size, setSize] = useState<Film['size']>(view.film?.size ?? '720');
  const [container, setContainer] = useState<Film['container']>(view.film?.container ?? 'mp4');
  return (
    <Card>
      <h2>{say(again ? 'making.make-again' : 'making.make')}</h2>
      <p>
        {say('making.length', { length: clock(view.plan.frames / view.plan.fps) })}{' '}
        {again && say('making.only-changed')}
      </p>
      <Picks
        label={say('making.size')}
        value={size}
        options={[
          ['small', say('making.small')],
          ['540', '540'],
          ['720', say('making.720')],
          ['1080', say('making.1080')],
        ]}
        onChange={setSize}
      />
      <Picks
        label={say('making.kind')}
        value={container}
        options={[
          ['mp4', say('making.mp4')],
          ['webm', say('making.webm')],
        ]}
        onChange={setContainer}
      />
      <Row>
        <Act onPress={() => make({ size, container })} isDisabled={busy || view.plan.frames === 0}>
          {say(again ? 'making.make-again' : 'making.make')}
        </Act>
      </Row>
    </Card>
  );
}

function Making({ view, film }: { view: StoryView; film: Film | undefined }) {
  const queries = useQueryClient();
  const tell = useTell();
  if (!film || film.state === 'cancelled') return <MakeCard view={view} />;
  if (film.state === 'failed') {
    return (
      <>
        <Card role="alert">
          <h2>{say('making.failed')}</h2>
          <p>{say('making.failed.what-now')}</p>
        </Card>
        <MakeCard view={view} />
      </>
    );
  }
  const share = film.frames > 0 ? Math.round((film.framesDone / film.frames) * 100) : 0;
  const words =
    film.state === 'waiting'
      ? say('making.waits')
      : film.state === 'joining'
        ? say('making.joins')
        : film.secondsLeft === null
          ? say('making.begun')
          : film.secondsLeft < 60
            ? say('making.seconds-left', { count: film.secondsLeft })
            : say('making.minutes-left', { count: Math.ceil(film.secondsLeft / 60) });
  const cancel = () =>
    void answer(api.POST('/api/films/{id}/cancel', { params: { path: { id: film.id } } }))
      .then((stopped) => queries.setQueryData(['film', film.id], stopped))
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }));
  return (
    <Card>
      <h2>{say('making.under-way')}</h2>
      <Bar value={film.state === 'joining' ? 99 : share} aria-label={say('making.how-far')}>
        <div className="rail">
          <div className="done" style={{ width: `${film.state === 'joining' ? 99 : share}%` }} />
        </div>
        <span role="status">
          {say('making.share', { share })} {words}
        </span>
      </Bar>
      <Soft>{say('making.leave')}</Soft>
      <Row>
        <Button onPress={cancel}>{say('making.stop')}</Button>
      </Row>
    </Card>
  );
}

function Made({ view, film }: { view: StoryView; film: Film }) {
  return (
    <>
      <FilmPlayer
        film={film.id}
        title={film.title}
        seconds={film.seconds}
        slides={
          film.revision === view.revision
            ? inSeconds(view.plan)
            : [{ id: 'film', start: 0, end: film.seconds, comesIn: 0, voice: null }]
        }
        remarks={[]}
      />
      <Row>
        <GoTo as="a" href={`/api/films/${film.id}/film.${film.container}?download`} to="" download>
          {say('making.download', { size: size(film.bytes ?? 0) })}
        </GoTo>
        <GoTo as="a" href={`/api/films/${film.id}/captions.vtt?download`} to="" download>
          {say('making.webvtt')}
        </GoTo>
        <GoTo as="a" href={`/api/films/${film.id}/captions.srt`} to="" download>
          {say('making.subrip')}
        </GoTo>
        <GoTo as="a" href={`/api/films/${film.id}/captions.txt`} to="" download>
          {say('making.transcript')}
        </GoTo>
        <Soft as="span">{say('making.made', { length: clock(film.seconds), ago: ago(film.begunAt) })}</Soft>
      </Row>
      {view.plan.credits.length > 0 && (
        <Card>
          <h2>{say('making.credits')}</h2>
          <ul>
            {view.plan.credits.map((credit) => (
              <li key={credit}>{credit}</li>
            ))}
          </ul>
        </Card>
      )}
    </>
  );
}

/** That it was played through before it is handed in, and what was found. */
function Plays({ film, cues }: { film: Film; cues: number }) {
  if (film.problems === null) return <Soft role="status">{say('plays.being-tried')}</Soft>;
  if (film.problems.length === 0) {
    return <p role="status">{say('plays.well', { captions: cues, length: clock(film.seconds) })}</p>;
  }
  return (
    <div role="alert">
      <p>{say('plays.not')}</p>
      <ul>
        {film.problems.map((problem) => (
          <li key={problem}>{say(problems[problem])}</li>
        ))}
      </ul>
    </div>
  );
}

function HandInCard({ view, film, hold }: { view: StoryView; film: Film; hold: ReturnType<typeof useStory> }) {
  const tell = useTell();
  const queries = useQueryClient();
  const { busy, once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  // What was taken back stands no more.
  const last = view.handIns.find(({ state }) => state !== 'withdrawn');
  const { assignment } = view;
  if (!assignment) return null;
  const isThis = last?.film === film.id;
  const told = async (code: Code) => {
    await queries.invalidateQueries({ queryKey: ['story', view.id] });
    tell(say(code));
  };
  const handIn = async () => {
    const params = { path: { id: assignment.id } };
    await answer(api.POST('/api/assignments/{id}/handins', { params, body: { film: film.id } }));
    await told('making.handed-in');
  };
  const takeBack = async (id: string) => {
    await answer(api.POST('/api/handins/{id}/withdraw', { params: { path: { id } } }));
    await told('hand-in.taken-back');
  };
  return (
    <Card>
      <h2>{say('making.hand-in')}</h2>
      <p>
        {assignment.title}
        {last && (
          <>
            {' '}
            <LateMark isLate={last.isLate} /> <StateMark state={last.state} />
          </>
        )}
      </p>
      {view.handIns.length > 0 && (
        <ul>
          {view.handIns.map((one) => (
            <li key={one.id}>
              <Link to={`/handins/${one.id}`}>{say('class.hand-in', { number: one.number })}</Link>
              {say('making.hand-in-is', { ago: ago(one.handedInAt), state: stateText(one.state) })}
            </li>
          ))}
        </ul>
      )}
      {assignment.isClosed && last?.state !== 'accepted' && <Soft>{say('task.is-closed')}</Soft>}
      {last?.state !== 'accepted' && !isThis && !assignment.isClosed && (
        <>
          <Plays film={film} cues={film.revision === view.revision ? view.plan.cues.length : 0} />
          <Row>
            <Act
              onPress={() => void once(handIn)}
              isDisabled={busy || hold.saving !== 'saved' || film.problems?.length !== 0}
            >
              {say(last ? 'making.hand-in-again' : 'making.hand-in')}
            </Act>
          </Row>
          <Soft>{say('hand-in.who-sees', { classroom: assignment.classroom })}</Soft>
        </>
      )}
      {isThis && waits(last.state) && <Soft>{say('making.waits-for-answer')}</Soft>}
      {isThis && last.state === 'handed in' && (
        <div>
          <Quiet isDisabled={busy} onPress={() => void once(() => takeBack(last.id))}>
            {say('hand-in.take-back')}
          </Quiet>
        </div>
      )}
    </Card>
  );
}
