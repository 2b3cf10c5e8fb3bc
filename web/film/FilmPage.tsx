import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ProgressBar } from 'react-aria-components';
import { Link, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { answer, api, sentence } from '../api/client';
import type { Film, StoryView } from '../api/types';
import { Picks } from '../parts/Choice';
import { Act, Button, Card, GoTo, Row, Soft, StateMark } from '../parts/controls';
import { useTell } from '../parts/notices';
import { Page } from '../parts/Page';
import { ago, clock, size } from '../parts/time';
import { ProofList } from '../story/ProofList';
import { threadOf } from '../stage/plan';
import { StoryProvider } from '../story/StoryContext';
import { StoryHead } from '../story/StoryHead';
import { useStory } from '../story/useStory';
import { FilmPlayer } from '../stage/FilmPlayer';

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
const over = ['done', 'failed', 'cancelled'];

export default function FilmPage() {
  const { id = '' } = useParams();
  const hold = useStory(id);
  const { view } = hold;
  const { data: film } = useQuery({
    queryKey: ['film', view?.film?.id],
    queryFn: () => answer(api.GET('/api/films/{id}', { params: { path: { id: view?.film?.id ?? '' } } })),
    enabled: view?.film !== null && view?.film !== undefined,
    initialData: view?.film ?? undefined,
    refetchInterval: (query) => (query.state.data && over.includes(query.state.data.state) ? false : 900),
  });
  const navigate = useNavigate();
  if (!view) {
    return (
      <Page title="Film" wide>
        <Soft>{hold.error ? sentence(hold.error) : 'One moment …'}</Soft>
      </Page>
    );
  }
  return (
    <StoryProvider id={id} hold={hold} view={view}>
      <Page title={`${view.story.title}: the film`} wide head={<StoryHead id={id} hold={hold} />}>
        <h1 className="unseen">{view.story.title}: the film</h1>
        <Layout>
          <div style={{ display: 'grid', gap: 16, minWidth: 0 }}>
            {film?.state === 'done' ? <Made view={view} film={film} /> : <Making view={view} film={film} />}
          </div>
          <div style={{ display: 'grid', gap: 16, minWidth: 0 }}>
            {film?.state === 'done' && <HandInCard view={view} film={film} hold={hold} />}
            {film?.state === 'done' && <MakeCard view={view} again />}
            <Card>
              <h2>Proof</h2>
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
      <h2>{again ? 'Make it again' : 'Make the film'}</h2>
      <p>
        {clock(view.plan.frames / view.plan.fps)} long, with captions. {again ? 'Only what changed is made again.' : ''}
      </p>
      <Picks
        label="Size"
        value={size}
        options={[
          ['small', 'Small, for slow networks'],
          ['540', '540'],
          ['720', '720, the usual'],
          ['1080', '1080, for a big screen'],
        ]}
        onChange={setSize}
      />
      <Picks
        label="Kind of file"
        value={container}
        options={[
          ['mp4', 'MP4, plays everywhere'],
          ['webm', 'WebM, free formats'],
        ]}
        onChange={setContainer}
      />
      <Row>
        <Act onPress={() => make({ size, container })} isDisabled={busy || view.plan.frames === 0}>
          {again ? 'Make it again' : 'Make the film'}
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
          <h2>The film could not be made</h2>
          <p>{film.problem}</p>
        </Card>
        <MakeCard view={view} />
      </>
    );
  }
  const share = film.frames > 0 ? Math.round((film.framesDone / film.frames) * 100) : 0;
  const words =
    film.state === 'waiting'
      ? 'It waits for its turn.'
      : film.state === 'joining'
        ? 'The pieces are being joined with their sound.'
        : film.secondsLeft === null
          ? 'It has begun.'
          : film.secondsLeft < 60
            ? `About ${film.secondsLeft} seconds left.`
            : `About ${Math.ceil(film.secondsLeft / 60)} minutes left.`;
  const cancel = () =>
    void answer(api.POST('/api/films/{id}/cancel', { params: { path: { id: film.id } } }))
      .then((stopped) => queries.setQueryData(['film', film.id], stopped))
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }));
  return (
    <Card>
      <h2>The film is being made</h2>
      <Bar value={film.state === 'joining' ? 99 : share} aria-label="How far the film is">
        <div className="rail">
          <div className="done" style={{ width: `${film.state === 'joining' ? 99 : share}%` }} />
        </div>
        <span role="status">
          {share} %. {words}
        </span>
      </Bar>
      <Soft>You can leave this page, or switch the computer off. It goes on, and you find it here.</Soft>
      <Row>
        <Button onPress={cancel}>Stop making it</Button>
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
          Download the film ({size(film.bytes ?? 0)})
        </GoTo>
        <GoTo as="a" href={`/api/films/${film.id}/captions.vtt?download`} to="" download>
          Captions, WebVTT
        </GoTo>
        <GoTo as="a" href={`/api/films/${film.id}/captions.srt`} to="" download>
          SubRip
        </GoTo>
        <GoTo as="a" href={`/api/films/${film.id}/captions.txt`} to="" download>
          Transcript
        </GoTo>
        <Soft as="span">
          {clock(film.seconds)}, made {ago(film.begunAt)}
        </Soft>
      </Row>
      {view.plan.credits.length > 0 && (
        <Card>
          <h2>Credits</h2>
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

function HandInCard({ view, film, hold }: { view: StoryView; film: Film; hold: ReturnType<typeof useStory> }) {
  const tell = useTell();
  const queries = useQueryClient();
  const [last] = view.handIns;
  const { assignment } = view;
  if (!assignment) return null;
  const isThis = last?.film === film.id;
  const handIn = () =>
    void answer(
      api.POST('/api/assignments/{id}/handins', { params: { path: { id: assignment.id } }, body: { film: film.id } }),
    )
      .then(async () => {
        await queries.invalidateQueries({ queryKey: ['story', view.id] });
        tell('It is handed in. What you change from now on does not touch it.');
      })
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }));
  return (
    <Card>
      <h2>Hand in</h2>
      <p>
        {assignment.title}
        {last && (
          <>
            {' '}
            <StateMark state={last.state} />
          </>
        )}
      </p>
      {last && (
        <ul>
          {view.handIns.map((one) => (
            <li key={one.id}>
              <Link to={`/handins/${one.id}`}>Hand-in {one.number}</Link>, {ago(one.handedInAt)}: {one.state}
            </li>
          ))}
        </ul>
      )}
      {last?.state !== 'accepted' && !isThis && (
        <Row>
          <Act onPress={handIn} isDisabled={hold.saving !== 'saved'}>
            {last ? 'Hand in again' : 'Hand in'}
          </Act>
        </Row>
      )}
      {isThis && last.state === 'handed in' && <Soft>This film is handed in and waits for an answer.</Soft>}
    </Card>
  );
}
