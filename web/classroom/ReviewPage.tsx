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
import { Act, Button, Card, Field, GoTo, IconButton, Row, Soft, StateMark, stateText } from '../parts/controls';
import { BinIcon } from '../parts/icons';
import { useTell } from '../parts/notices';
import { Page } from '../parts/Page';
import { ago, clock } from '../parts/time';
import { say } from '../messages/say';

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
      <Page title={say('review.title')}>
        <Soft>{error ? sentence(error) : say('page.one-moment')}</Soft>
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
            {say('review.about', { student: data.student, task: data.assignment.title, ago: ago(data.handedInAt) })}
          </Soft>
        </div>
        <StateMark state={data.state} />
        <span style={{ flex: 1 }} />
        {data.all.length > 1 &&
          data.all.map((one) =>
            one.id === data.id ? (
              <strong key={one.id}>{say('class.hand-in', { number: one.number })}</strong>
            ) : (
              <Link key={one.id} to={`/handins/${one.id}`}>
                {say('review.hand-in-is', { number: one.number, state: stateText(one.state) })}
              </Link>
            ),
          )}
        {teaches ? (
          <GoTo to={`/assignments/${data.assignment.id}`}>{say('review.all')}</GoTo>
        ) : (
          <GoTo to={`/stories/${data.story}`}>{say('review.to-script')}</GoTo>
        )}
      </Row>
      <Layout>
        {film.data && film.data.state !== 'done' ? (
          <Card>
            <p role="status">{say('review.being-made')}</p>
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
            <h2>{say('review.remarks')}</h2>
            {data.remarks.length === 0 && <Soft>{say(open ? 'review.pause-where' : 'class.none')}</Soft>}
            <RemarkList data={data} open={open} onJump={(to) => player.current?.jump(to)} />
            {open && <RemarkForm data={data} onPause={() => player.current?.pause() ?? 0} />}
          </Card>
          {open ? (
            <AnswerForm data={data} />
          ) : (
            data.state !== 'handed in' && (
              <Card>
                <h2>{say(data.state === 'accepted' ? 'review.accepted' : 'review.returned')}</h2>
                <p>{data.answer === '' ? say('review.no-word') : data.answer}</p>
              </Card>
            )
          )}
          <Card>
            <h2>{say('making.credits')}</h2>
            {data.credits.length === 0 ? <Soft>{say('review.no-sources')}</Soft> : null}
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
          <Button
            onPress={() => onJump(remark.seconds)}
            aria-label={say('review.jump', { time: clock(remark.seconds) })}
          >
            {clock(remark.seconds)}
          </Button>
          <p>
            {remark.text} <Soft as="span">{say('review.of-slide', { slide: nameOf(remark.slide) })}</Soft>
          </p>
          {open && (
            <IconButton
              label={say('review.take-back')}
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
  if (at === null) return <Act onPress={() => setAt(onPause())}>{say('review.leave-remark')}</Act>;
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
        label={say('review.remark-at', { time: clock(at) })}
        value={text}
        onChange={setText}
        lines={3}
        max={limits.remark}
        autoFocus
        isRequired
      />
      <Row>
        <Act type="submit">{say('review.leave-it')}</Act>
        <Button onPress={() => setAt(null)}>{say('page.not-now')}</Button>
      </Row>
    </Form>
  );
}

function AnswerForm({ data }: { data: HandInView }) {
  const answered = useAnswered(data.id);
  const [text, setText] = useState('');
  const send = (state: 'returned' | 'accepted') =>
    void answered(
      answer(
        api.POST('/api/handins/{id}/answer', { params: { path: { id: data.id } }, body: { state, answer: text } }),
      ),
    );
  return (
    <Card>
      <h2>{say('review.your-answer')}</h2>
      <Field label={say('review.sentence')} value={text} onChange={setText} lines={3} max={limits.answer} />
      <Row>
        <Button onPress={() => send('returned')}>{say('review.return')}</Button>
        <Act onPress={() => send('accepted')}>{say('review.accept')}</Act>
      </Row>
    </Card>
  );
}
