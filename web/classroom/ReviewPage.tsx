import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useSession } from '../api/session';
import { answer, api, sentence } from '../api/client';
import { told } from '../api/told';
import type { HandInView, Mark } from '../api/types';
import { FilmPlayer, type FilmPlayerHandle } from '../stage/FilmPlayer';
import { Card, GoTo, LateMark, Quiet, Row, Soft, StateMark, stateText, waits } from '../parts/controls';
import { useTell } from '../parts/notices';
import { names } from '../parts/names';
import { Page } from '../parts/Page';
import { ago } from '../parts/time';
import { RubricRead } from '../parts/RubricRead';
import { AnswerForm } from './AnswerForm';
import { Guests } from './guests/Guests';
import { PeerForm } from './peers/PeerForm';
import { PeersSaid } from './peers/PeersSaid';
import { Facts } from './Facts';
import { NextToAnswer } from './NextToAnswer';
import { MarkInHand } from './remarks/mark/MarkInHand';
import { MarksAt } from './remarks/mark/MarksAt';
import { RemarkForm } from './remarks/RemarkForm';
import { RemarkList } from './remarks/RemarkList';
import { Marking, Total } from './rubric/Marking';
import { Since } from './Since';
import { useAnswered } from './useAnswered';
import { useRead } from './useRead';
import { ThanksSaid } from './thanks/ThanksSaid';
import { say } from '../messages/say';

const Layout = styled.div`
  display: grid;
  gap: 24px;
  grid-template-columns: minmax(0, 1.7fr) minmax(300px, 1fr);
  align-items: start;
  /* The film stays in view while one reads down beside it. */
  > .watched {
    display: grid;
    gap: 16px;
    min-width: 0;
    position: sticky;
    top: 12px;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    > .watched {
      display: contents;
    }
    .watched > :last-child:not(:first-child) {
      order: 1;
    }
  }
`;
/** Nothing that was typed for one film is there for the next. */
export default function ReviewPage() {
  const { id = '' } = useParams();
  return <Review key={id} id={id} />;
}

function Review({ id }: { id: string }) {
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
  /** What somebody draws over the film, for a remark that is not left yet. */
  const [mark, setMark] = useState<Mark | null>(null);
  useOpening(data);
  const fresh = useRead(data);
  if (!data) {
    return (
      <Page title={say('review.title')}>
        <Soft>{error ? sentence(error) : say('page.one-moment')}</Soft>
      </Page>
    );
  }
  const teaches = data.mayAnswer;
  const isShown = film.data === undefined || film.data.state === 'done';
  const isOpen = waits(data.state);
  // Who watches it by lot sees nothing but this one film, as a guest does.
  const isPeer = data.peer !== null && !data.mayAnswer && !data.mayWithdraw;
  const isGuest = person?.role === 'guest' || isPeer;
  return (
    <Page title={data.title} wide>
      <Row style={{ gap: 16 }}>
        <div>
          <h1>{data.title}</h1>
          <Soft>
            {say('review.about', {
              student: names(data.makers),
              task: data.assignment.title,
              ago: ago(data.handedInAt),
            })}
          </Soft>
        </div>
        <LateMark isLate={data.isLate} />
        <StateMark state={data.state} />
        {data.mayWithdraw && data.state === 'handed in' && <TakeBack id={data.id} />}
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
        {teaches && <NextToAnswer data={data} />}
        {isGuest ? null : teaches ? (
          <GoTo to={`/assignments/${data.assignment.id}`}>{say('review.all')}</GoTo>
        ) : (
          <GoTo to={`/stories/${data.story}`}>{say('review.to-script')}</GoTo>
        )}
      </Row>
      <Layout>
        <div className="watched">
          {!isShown ? (
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
              over={(at, ratio) =>
                mark ? (
                  <MarkInHand mark={mark} ratio={ratio} onChange={setMark} />
                ) : (
                  <MarksAt remarks={data.remarks} at={at} ratio={ratio} />
                )
              }
            />
          )}
          <Facts data={data} onJump={(to) => player.current?.jump(to)} />
        </div>
        <div style={{ display: 'grid', gap: 16, minWidth: 0 }}>
          {!isPeer && (
            <Card>
              <h2>{say('review.remarks')}</h2>
              {isGuest && <Soft>{say('guest.thanks')}</Soft>}
              {data.remarks.length === 0 && (
                <Soft>{say(isOpen && data.mayRemark ? 'review.pause-where' : 'class.none')}</Soft>
              )}
              <RemarkList
                data={data}
                fresh={fresh}
                onJump={(to) => player.current?.jump(to)}
                onHear={() => player.current?.pause()}
              />
              {isOpen && data.mayRemark && (
                <RemarkForm data={data} player={player} isShown={isShown} mark={mark} onMark={setMark} />
              )}
            </Card>
          )}
          {data.peer && <PeerForm data={data} peer={data.peer} />}
          <PeersSaid data={data} />
          <ThanksSaid data={data} />
          {data.before && <Since data={data} before={data.before} onJump={(to) => player.current?.jump(to)} />}
          {data.marks &&
            (isOpen && teaches ? (
              <Marking handIn={data.id} marks={data.marks} />
            ) : (
              <Card aria-labelledby="rubric">
                <Row style={{ justifyContent: 'space-between' }}>
                  <h2 id="rubric">{data.marks.rubric.title}</h2>
                  <Total marks={data.marks} />
                </Row>
                <RubricRead rubric={data.marks.rubric} levels={data.marks.levels} />
              </Card>
            ))}
          {isOpen && teaches ? (
            <AnswerForm data={data} />
          ) : (
            !isPeer &&
            (data.state === 'accepted' || data.state === 'returned') && (
              <Card>
                <h2>{say(data.state === 'accepted' ? 'review.accepted' : 'review.returned')}</h2>
                <p>{data.answer === '' ? say('review.no-word') : data.answer}</p>
              </Card>
            )
          )}
          {data.mayInvite && <Guests handIn={data.id} />}
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

/** Whoever answers it has opened it when they see it: its maker knows, and does not take it back any more. */
function useOpening(data: HandInView | undefined) {
  const queries = useQueryClient();
  const opens = data?.mayAnswer && data.state === 'handed in' ? data.id : undefined;
  useEffect(() => {
    if (!opens) return;
    answer(api.POST('/api/handins/{id}/open', { params: { path: { id: opens } } }))
      // What was said of it meanwhile is newer than what this answer knows.
      .then(({ state }) => told<HandInView>(queries, ['handin', opens], (old) => old && { ...old, state }))
      // It is read all the same, and opened when it is looked at again.
      .catch(() => undefined);
  }, [opens, queries]);
}

function TakeBack({ id }: { id: string }) {
  const { answered } = useAnswered(id);
  const tell = useTell();
  const takeBack = async () => {
    const params = { path: { id } };
    if (await answered(() => api.POST('/api/handins/{id}/withdraw', { params }))) tell(say('hand-in.taken-back'));
  };
  return <Quiet onPress={() => void takeBack()}>{say('hand-in.take-back')}</Quiet>;
}
