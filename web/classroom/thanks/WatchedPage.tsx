import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { Form } from 'react-aria-components';
import { useParams } from 'react-router';
import limits from '../../../schema/limits.json';
import { answer, api, sentence } from '../../api/client';
import { told } from '../../api/told';
import type { Watched } from '../../api/types';
import { say } from '../../messages/say';
import { Act, Button, Card, Field, GoTo, Mark, Quiet, Row, Soft, Wrong } from '../../parts/controls';
import { Page } from '../../parts/Page';
import { clock } from '../../parts/time';
import { useDraft } from '../../parts/useDraft';
import { useTried } from '../../parts/useTried';
import { Show, type OnTheWall } from '../screening/Show';

/** Seconds from one look to the next: whether it is open still, and what is watched. */
const EVERY = 15;

/** What one of the class says from their own device, while all watch on the wall: thank you, and a sentence if they like. */
export default function WatchedPage() {
  const { id = '' } = useParams();
  const { data, error } = useQuery({
    queryKey: ['watched', id],
    queryFn: () => answer(api.GET('/api/assignments/{id}/watched', { params: { path: { id } } })),
    refetchOnMount: 'always',
    refetchInterval: EVERY * 1000,
  });
  /** What is on the screen: as it was when somebody began to watch, whatever comes meanwhile. */
  const [shown, setShown] = useState<{ films: OnTheWall[]; first: number } | null>(null);
  const end = useCallback(() => setShown(null), []);
  const watch = (film: string) => {
    const films = (data?.films ?? []).flatMap((one) => (one.film === null ? [] : [onTheWall(one, one.film)]));
    setShown({ films, first: films.findIndex(({ id: one }) => one === film) });
  };
  return (
    <Page title={say('thanks.class-films')}>
      <h1>{data?.title ?? say('thanks.class-films')}</h1>
      {!data && (error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>)}
      {data && <p>{howItIs(data)}</p>}
      {data?.films.map((film) => (
        <Film key={film.id} film={film} task={id} onWatch={watch} />
      ))}
      <div>
        <GoTo to="/">{say('thanks.to-desk')}</GoTo>
      </div>
      {shown && <Show {...shown} onEnd={end} />}
    </Page>
  );
}

const onTheWall = ({ id, title }: Watched['films'][number], film: string): OnTheWall => ({
  id,
  title,
  by: '',
  src: `/api/films/${film}/film.mp4`,
  captions: `/api/films/${film}/captions.vtt`,
});

function howItIs({ isOpen, films }: Watched): string {
  if (isOpen) return say('thanks.how');
  return films.length > 0 ? say('thanks.look') : say('thanks.closed');
}

interface Props {
  film: Watched['films'][number];
  task: string;
  onWatch: (id: string) => void;
}

function Film({ film: { id, title, seconds, film, isMine, isThanked, words }, task, onWatch }: Props) {
  const queries = useQueryClient();
  const { wrong, busy, tried } = useTried();
  const [text, setText] = useDraft(`thanks-${id}`, words ?? '');
  const params = { path: { id } };
  const keep = (now: Watched) => told<Watched>(queries, ['watched', task], now);
  const thank = async () => keep(await answer(api.PUT('/api/handins/{id}/thanks', { params, body: { words: text } })));
  const takeBack = async () => {
    await keep(await answer(api.DELETE('/api/handins/{id}/thanks', { params })));
    setText('');
  };
  return (
    <Card aria-label={title} role="region">
      <Row style={{ justifyContent: 'space-between' }}>
        <h2>
          {title} <Soft as="span">{clock(seconds)}</Soft>
        </h2>
        {words !== null && <Mark $tone="accepted">{say('thanks.is-said')}</Mark>}
      </Row>
      {film !== null && (
        <div>
          <Button aria-label={say('evening.watch', { title })} onPress={() => onWatch(id)}>
            {say('evening.watch-short')}
          </Button>
        </div>
      )}
      {isMine && <Soft>{say('thanks.mine')}</Soft>}
      {isThanked && (
        <Form
          style={{ display: 'grid', gap: 8 }}
          onSubmit={(event) => {
            event.preventDefault();
            void tried(thank);
          }}
        >
          <Field label={say('thanks.sentence')} value={text} onChange={setText} max={limits.thanks} />
          <Row>
            <Act type="submit" isDisabled={busy}>
              {say(words === null ? 'thanks.say' : 'thanks.say-again')}
            </Act>
            {words !== null && (
              <Quiet isDisabled={busy} onPress={() => void tried(takeBack)}>
                {say('thanks.take-back')}
              </Quiet>
            )}
          </Row>
        </Form>
      )}
      <Wrong text={wrong} />
    </Card>
  );
}
