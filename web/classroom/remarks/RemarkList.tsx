import styled from 'styled-components';
import { api } from '../../api/client';
import { useSession } from '../../api/session';
import type { HandInView } from '../../api/types';
import { say } from '../../messages/say';
import { Button, IconButton, Mark, Soft, waits } from '../../parts/controls';
import { RemarkVoice } from '../../parts/Hear';
import { BinIcon } from '../../parts/icons';
import { clock } from '../../parts/time';
import { useAnswered } from '../useAnswered';

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

/** What was said, and of which moment or stretch. */
export function RemarkList({
  data,
  fresh,
  onJump,
  onHear,
}: {
  data: HandInView;
  /** What of it is new to whoever reads. */
  fresh: ReadonlySet<string>;
  onJump: (seconds: number) => void;
  /** A voice begins: the film is still meanwhile. */
  onHear: () => void;
}) {
  const { person } = useSession();
  const isOpen = waits(data.state);
  const { answered } = useAnswered(data.id);
  const nameOf = (slide: string) => data.slides.findIndex((s) => s.id === slide) + 1;
  const takeBack = (remark: string) =>
    void answered(() =>
      api.DELETE('/api/handins/{id}/remarks/{remark}', { params: { path: { id: data.id, remark } } }),
    );
  return (
    <Remarks>
      {data.remarks.map((remark) => {
        const { id, seconds, until, author, authorId, text, slide, mark } = remark;
        return (
          <li key={id}>
            <Button onPress={() => onJump(seconds)} aria-label={say('review.jump', { time: clock(seconds) })}>
              {until === null ? clock(seconds) : say('review.stretch', { from: clock(seconds), to: clock(until) })}
            </Button>
            <p>
              {fresh.has(id) && <Mark $tone="returned">{say('news.new')}</Mark>}{' '}
              {authorId !== person?.id && <strong>{say('review.by', { author })} </strong>}
              {text} <Soft as="span">{say('review.of-slide', { slide: nameOf(slide) })}</Soft>
              {mark && <Soft as="span"> {say(mark.form === 'ring' ? 'mark.with-ring' : 'mark.with-arrow')}</Soft>}{' '}
              <RemarkVoice
                remark={remark}
                onBegin={() => {
                  onHear();
                  onJump(remark.seconds);
                }}
              />
            </p>
            {isOpen && (data.mayAnswer || (data.mayRemark && authorId === person?.id)) && (
              <IconButton label={say('review.take-back')} onPress={() => takeBack(id)}>
                <BinIcon />
              </IconButton>
            )}
          </li>
        );
      })}
    </Remarks>
  );
}
