import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Form } from 'react-aria-components';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import { useSession } from '../api/session';
import { answer, api, sentence } from '../api/client';
import type { HandInView } from '../api/types';
import { FilmPlayer, type FilmPlayerHandle } from '../stage/FilmPlayer';
import { Act, Button, Card, Field, GoTo, IconButton, Row, Soft, StateMark } from '../parts/controls';
import { BinIcon } from '../parts/icons';
import { useTell } from '../parts/notices';
import { Page } from '../parts/Page';
import { ago, clock } from '../parts/time';

const Layout = styled.div`
  display: grid;
  gap: 24px;
  grid-template-columns: minmax(0, 1.7fr) minmax(300px, 1fr);
  align-items: start;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Remarks = styled.ol`
  display: grid;
  gap: 8px;
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 10px;
    align-items: start;
    border-inline-start: 4px solid var(--ochre);
    padding-inline-start: 10px;
  }
  p {
    padding-top: 8px;
  }
`;

export default function ReviewPage() {
  const { id = '' } = useParams();
  const { person } = useSession();
  const { data, error } = useQuery({
    queryKey: ['handin', id],
    queryFn: () => answer(api.GET('/api/handins/{id}', { params: { path: { id } } })),
    refetchOnMount: 'always',
  });
  const film = useQuery({
    queryKey: ['film', data?.film],
    queryFn: () => answer(api.GET('/api/films/{id}', { params: { path: { id: data?.film ?? '' } } })),
    enabled: data !== undefined,
    refetchInterval: (query) => (query.state.data?.state === 'done' ? false : 2000),
  });
  const player = useRef<FilmPlayerHandle>(null);
  if (!data) {
    return (
      <Page title="Review">
        <Soft>{error ? sentence(error) : 'One moment …'}</Soft>
      </Page>
    );
  }
  const teaches = person?.role === 'teacher';
  const open = teaches && data.state === 'handed in';
  return (
    <Page title={data.title} wide>
      <Row style={{ gap: 16 }}>
        <div>
          <h1>{data.title}</h1>
          <Soft>
            {data.student} · {data.assignment.title} · handed in {ago(data.handedInAt)}
          </Soft>
        </div>
        <StateMark state={data.state} />
        <span style={{ flex: 1 }} />
        {data.all.length > 1 &&
          data.all.map((one) =>
            one.id === data.id ? (
              <strong key={one.id}>Hand-in {one.number}</strong>
            ) : (
              <Link key={one.id} to={`/handins/${one.id}`}>
                Hand-in {one.number} ({one.state})
              </Link>
            ),
          )}
        {teaches ? (
          <GoTo to={`/assignments/${data.assignment.id}`}>All hand-ins</GoTo>
        ) : (
          <GoTo to={`/stories/${data.story}`}>To the script</GoTo>
        )}
      </Row>
      <Layout>
        {film.data && film.data.state !== 'done' ? (
          <Card>
            <p role="status">This film is still being made. It will be here in a moment.</p>
          </Card>
        ) : (
          <FilmPlayer
            ref={player}
            film={data.film}
            title={data.title}
            seconds={data.seconds}
            slides={data.slides}
            remarks={data.remarks}
          />
        )}
        <div style={{ display: 'grid', gap: 16, minWidth: 0 }}>
          <Card>
            <h2>Remarks</h2>
            {data.remarks.length === 0 && <Soft>{open ? 'Pause where you have something to say.' : 'None.'}</Soft>}
            <RemarkList data={data} open={open} onJump={(to) => player.current?.jump(to)} />
            {open && <RemarkForm data={data} onPause={() => player.current?.pause() ?? 0} />}
          </Card>
          {open ? (
            <AnswerForm data={data} />
          ) : (
            data.state !== 'handed in' && (
              <Card>
                <h2>{data.state === 'accepted' ? 'Accepted' : 'Returned'}</h2>
                <p>{data.answer === '' ? 'Without a word.' : data.answer}</p>
              </Card>
            )
          )}
          <Card>
            <h2>Credits</h2>
            {data.credits.length === 0 ? <Soft>No sources are named.</Soft> : null}
            <ul>
              {data.credits.map((credit) => (
                <li key={credit}>{credit}</li>
              ))}
            </ul>
          </Card>
        </div>
      </Layout>
    </Page>
  );
}

function useAnswered(id: string) {
  const queries = useQueryClient();
  const tell = useTell();
  return (call: Promise<HandInView>) =>
    call
      .then((newer) => {
        queries.setQueryData(['handin', id], newer);
        return true;
      })
      .catch((error: unknown) => {
        tell(sentence(error), { tone: 'trouble' });
        return false;
      });
}

function RemarkList({ data, open, onJump }: { data: HandInView; open: boolean; onJump: (seconds: number) => void }) {
  const answered = useAnswered(data.id);
  const nameOf = (slide: string) => data.slides.findIndex((s) => s.id === slide) + 1;
  return (
    <Remarks>
      {data.remarks.map((remark) => (
        <li key={remark.id}>
          <Button onPress={() => onJump(remark.seconds)} aria-label={`Jump to ${clock(remark.seconds)}`}>
            {clock(remark.seconds)}
          </Button>
          <p>
            {remark.text} <Soft as="span">(slide {nameOf(remark.slide)})</Soft>
          </p>
          {open && (
            <IconButton
              label="Take this remark back"
              onPress={() =>
                void answered(
                  answer(
                    api.DELETE('/api/handins/{id}/remarks/{remark}', {
                      params: { path: { id: data.id, remark: remark.id } },
                    }),
                  ),
                )
              }
            >
              <BinIcon />
            </IconButton>
          )}
        </li>
      ))}
    </Remarks>
  );
}

function RemarkForm({ data, onPause }: { data: HandInView; onPause: () => number }) {
  const answered = useAnswered(data.id);
  const [at, setAt] = useState<number | null>(null);
  const [text, setText] = useState('');
  if (at === null) return <Act onPress={() => setAt(onPause())}>Leave a remark at this moment</Act>;
  return (
    <Form
      style={{ display: 'grid', gap: 8 }}
      onSubmit={(event) => {
        event.preventDefault();
        void answered(
          answer(
            api.POST('/api/handins/{id}/remarks', { params: { path: { id: data.id } }, body: { seconds: at, text } }),
          ),
        ).then((done) => {
          if (done) {
            setAt(null);
            setText('');
          }
        });
      }}
    >
      <Field
        label={`Remark at ${clock(at)}`}
        value={text}
        onChange={setText}
        lines={3}
        max={limits.remark}
        autoFocus
        isRequired
      />
      <Row>
        <Act type="submit">Leave it</Act>
        <Button onPress={() => setAt(null)}>Not now</Button>
      </Row>
    </Form>
  );
}

function AnswerForm({ data }: { data: HandInView }) {
  const answered = useAnswered(data.id);
  const [text, setText] = useState('');
  const say = (state: 'returned' | 'accepted') =>
    void answered(
      answer(
        api.POST('/api/handins/{id}/answer', { params: { path: { id: data.id } }, body: { state, answer: text } }),
      ),
    );
  return (
    <Card>
      <h2>Your answer</h2>
      <Field label="A sentence for the student" value={text} onChange={setText} lines={3} max={limits.answer} />
      <Row>
        <Button onPress={() => say('returned')}>Return to be mended</Button>
        <Act onPress={() => say('accepted')}>Accept</Act>
      </Row>
    </Card>
  );
}
