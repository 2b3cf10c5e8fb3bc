import { useEffect, useState, type RefObject } from 'react';
import { Form } from 'react-aria-components';
import limits from '../../../schema/limits.json';
import { api } from '../../api/client';
import { useSession } from '../../api/session';
import type { HandInView, Mark } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { offered, Picks } from '../../parts/Choice';
import { Act, Button, Field, Quiet, Row, Soft } from '../../parts/controls';
import { clock } from '../../parts/time';
import { useDraft } from '../../parts/useDraft';
import type { FilmPlayerHandle } from '../../stage/FilmPlayer';
import { useAnswered } from '../useAnswered';
import { put, type Form as MarkForm } from './mark/mark';
import { Sentences } from './Sentences';
import { sendSpoken } from './spoken/sendSpoken';
import { SpeakIt } from './spoken/SpeakIt';
import { useSpeaking } from './spoken/useSpeaking';

/** The key that leaves a remark at the moment at which the film is. */
const KEY = 'r';
const FORMS: readonly (readonly [MarkForm | 'none', Code])[] = [
  ['none', 'mark.none'],
  ['ring', 'mark.ring'],
  ['arrow', 'mark.arrow'],
];

interface Props {
  data: HandInView;
  player: RefObject<FilmPlayerHandle | null>;
  /** Whether the film is there to be drawn on. */
  isShown: boolean;
  /** What is drawn over the film. */
  mark: Mark | null;
  onMark: (mark: Mark | null) => void;
}

/** Leaves a remark, written or spoken: the film stands still as one begins, and may play on to where a stretch ends. */
export function RemarkForm({ data, player, isShown, mark, onMark }: Props) {
  const { busy, answered } = useAnswered(data.id);
  const [at, setAt] = useState<number | null>(null);
  const [until, setUntil] = useState<number | null>(null);
  const [text, setText] = useDraft(`remark-${data.id}`);
  const { person } = useSession();
  const speaking = useSpeaking(`${person?.id ?? ''} ${data.id}`);
  const isOpen = at !== null;
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      const isTyping = (event.target as Element).closest(
        'input:not([type=range]), textarea, select, [role=dialog], [role=listbox]',
      );
      if (isOpen || isTyping || event.key !== KEY || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      setAt(player.current?.pause() ?? 0);
    };
    window.addEventListener('keydown', pressed);
    return () => window.removeEventListener('keydown', pressed);
  }, [isOpen, player]);
  /** What was typed or spoken is held, for whoever comes back to it. */
  const leave = () => {
    setAt(null);
    setUntil(null);
    onMark(null);
    speaking.stop();
  };
  if (at === null)
    return (
      <>
        <Act onPress={() => setAt(player.current?.pause() ?? 0)}>{say('review.leave-remark')}</Act>
        <Soft>{say('review.key', { key: KEY.toUpperCase() })}</Soft>
        {speaking.spoken && <p>{say('spoken.waits')}</p>}
      </>
    );
  const { spoken } = speaking;
  const send = async () => {
    const done = await answered(async () => {
      const sound = spoken && (await speaking.sent((sound) => sendSpoken(data.id, sound)));
      return api.POST('/api/handins/{id}/remarks', {
        params: { path: { id: data.id } },
        body: {
          seconds: at,
          text,
          ...(until !== null && { until }),
          ...(mark && { mark }),
          ...(sound && { spoken: sound }),
        },
      });
    });
    if (!done) return;
    leave();
    speaking.clear();
    setText('');
  };
  const toHere = () => {
    const here = player.current?.pause() ?? 0;
    // Whoever has gone back marks the beginning by it.
    setAt(Math.min(at, here));
    setUntil(here === at ? null : Math.max(at, here));
  };
  return (
    <Form
      style={{ display: 'grid', gap: 8 }}
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <Field
        label={
          until === null
            ? say('review.remark-at', { time: clock(at) })
            : say('review.remark-from', { from: clock(at), to: clock(until) })
        }
        value={text}
        onChange={setText}
        lines={3}
        max={limits.remark}
        autoFocus
        isRequired={spoken === null}
      />
      <SpeakIt speaking={speaking} />
      {isShown && (
        <Picks
          label={say('mark.on-picture')}
          value={mark?.form ?? 'none'}
          options={offered(FORMS)}
          onChange={(form) => onMark(form === 'none' ? null : { ...(mark ?? put(form)), form })}
        />
      )}
      {mark && <Soft>{say('mark.how')}</Soft>}
      <Row>
        <Act type="submit" isDisabled={busy || speaking.state === 'speaking'}>
          {say(busy && spoken ? 'spoken.sending' : 'review.leave-it')}
        </Act>
        <Button onPress={leave}>{say('page.not-now')}</Button>
        <Quiet onPress={toHere}>{say('review.to-here')}</Quiet>
      </Row>
      {data.mayAnswer && <Sentences text={text} onTake={setText} />}
    </Form>
  );
}
