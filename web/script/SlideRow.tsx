import { memo } from 'react';
import { Button as AriaButton, ButtonContext } from 'react-aria-components';
import styled from 'styled-components';
import { RemarkVoice } from '../parts/Hear';
import { IconButton } from '../parts/controls';
import { BinIcon, CopyIcon, DownIcon, HandleIcon, PlayIcon, UpIcon } from '../parts/icons';
import { RowThread } from '../parts/Thread';
import { clock, secondsText } from '../parts/time';
import { writtenOn } from '../story/slides';
import { ComposedSlide } from '../stage/ComposedSlide';
import type { Row } from './rows';
import type { SlideActs } from './useArranging';
import { NoHandle } from './NoHandle';
import { useNear } from './useNear';
import { own, SlideWords, WordsLook } from './SlideWords';
import { VoiceStrip } from './VoiceStrip';
import { say } from '../messages/say';

const Grid = styled.div`
  display: grid;
  grid-template-columns: 92px 184px minmax(0, 1fr) 80px;
  gap: 16px;
  padding: 8px 4px;
  min-height: 120px;
  @media (max-width: 760px) {
    grid-template-columns: 48px minmax(0, 1fr);
    gap: 8px 12px;
  }
`;
const Time = styled.div`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 6px;
  align-content: start;
  align-items: baseline;
  font-size: 0.875rem;
  color: var(--soft);
  strong {
    color: var(--ink);
    font: 600 1.05rem var(--reading);
  }
  span span {
    display: inline-block;
  }
  svg {
    grid-column: 1 / -1;
  }
  @media (max-width: 760px) {
    grid-template-columns: 1fr;
    grid-row: span 3;
  }
`;
const Shown = styled.div`
  display: grid;
  justify-items: center;
  align-content: start;
  .composed {
    height: 104px;
    outline: 1px solid var(--line);
    @media (max-width: 760px) {
      height: auto;
      width: 100%;
      max-height: 60vh;
    }
  }
`;
const Tools = styled.div`
  display: grid;
  grid-template-columns: 40px 40px;
  grid-auto-rows: 38px;
  align-content: start;
  @media (max-width: 760px) {
    grid-column: 2;
    grid-template-columns: repeat(6, 40px);
  }
`;
const Handle = styled(AriaButton)`
  width: 40px;
  height: 40px;
  display: grid;
  place-items: center;
  border: 0;
  background: none;
  color: var(--soft);
  cursor: grab;
  border-radius: 4px;
  &:hover {
    background: var(--paper);
    color: var(--ink);
  }
`;

/** What a row's own tools do. */
export interface RowActs extends Pick<SlideActs, 'remove' | 'duplicate' | 'step'> {
  play: (slide: string) => void;
}

interface Props {
  row: Row;
  acts: RowActs;
}

/** A row far from the window is only its place; 200 slides open as fast as ten. A row whose slide has not changed is not drawn again. */
export const SlideRow = memo(
  function SlideRow({ row, acts }: Props) {
    const { ref, near, height } = useNear(row.index < 8);
    return (
      <div ref={ref} style={near ? undefined : { minHeight: height }}>
        {near ? <FullRow row={row} acts={acts} /> : <FarRow index={row.index} />}
      </div>
    );
  },
  (a, b) => a.acts === b.acts && a.row === b.row,
);

function FarRow({ index }: { index: number }) {
  return (
    <Grid>
      <Time>
        <strong>{index + 1}</strong>
      </Time>
      <NoHandle />
    </Grid>
  );
}

function FullRow({ row, acts }: Props) {
  const { index, slide, scene, thread, fps, loose, title } = row;
  const number = index + 1;
  return (
    <Grid>
      <Time>
        <strong>{number}</strong>
        <span>
          <span title={say('slide.starts')}>{clock((thread?.start ?? 0) / fps)}</span>{' '}
          <span title={say('slide.stays')} className="stay">
            {secondsText((thread?.stay ?? 0) / fps)}
          </span>
        </span>
        {thread && <RowThread slide={thread} fps={fps} width={88} height={88} loose={loose} />}
        {loose && <span className="unseen">{say('slide.proof')}</span>}
      </Time>
      <Shown>
        {scene && (
          <ComposedSlide scene={scene} ratio={row.ratio} picture={row.picture} words={writtenOn(slide, title)} />
        )}
      </Shown>
      <WordsLook>
        <SlideWords row={row} />
        <ButtonContext value={own}>
          <VoiceStrip
            slide={slide}
            number={number}
            waveform={row.waveform}
            voice={row.voice}
            saidBy={row.saidBy}
            onPlay={acts.play}
          />
        </ButtonContext>
        {row.remarks?.map((remark) => (
          <p className="remark" key={remark.id}>
            <strong>{remark.author}:</strong> {remark.text} <RemarkVoice remark={remark} />
          </p>
        ))}
      </WordsLook>
      <Tools className="tools">
        <Handle slot="drag" aria-label={say('slide.drag', { slide: number })}>
          <HandleIcon />
        </Handle>
        <ButtonContext value={own}>
          <IconButton label={say('slide.play-from', { slide: number })} onPress={() => acts.play(slide.id)}>
            <PlayIcon />
          </IconButton>
          <IconButton
            label={say('slide.move-up', { slide: number })}
            isDisabled={index === 0}
            onPress={() => acts.step([slide.id], -1)}
          >
            <UpIcon />
          </IconButton>
          <IconButton
            label={say('slide.move-down', { slide: number })}
            isDisabled={row.last}
            onPress={() => acts.step([slide.id], 1)}
          >
            <DownIcon />
          </IconButton>
          <IconButton label={say('slide.duplicate', { slide: number })} onPress={() => acts.duplicate([slide.id])}>
            <CopyIcon />
          </IconButton>
          <IconButton label={say('slide.delete', { slide: number })} onPress={() => acts.remove([slide.id])}>
            <BinIcon />
          </IconButton>
        </ButtonContext>
      </Tools>
    </Grid>
  );
}
