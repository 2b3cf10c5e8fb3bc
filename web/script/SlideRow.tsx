import { memo } from 'react';
import { Button as AriaButton, ButtonContext } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import type { Slide, WordsLayer } from '../api/types';
import { IconButton, Quiet } from '../parts/controls';
import { BinIcon, CopyIcon, DownIcon, HandleIcon, PlayIcon, UpIcon } from '../parts/icons';
import { RowThread } from '../parts/Thread';
import { clock, secondsText } from '../parts/time';
import { useActs } from '../story/StoryContext';
import { textOf, wordsOf, writtenOn } from '../story/slides';
import { useSavedText } from '../story/useSavedText';
import { ComposedSlide } from './ComposedSlide';
import type { Row } from './rows';
import type { SlideActs } from './useArranging';
import { NoHandle } from './NoHandle';
import { useNear } from './useNear';
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
/** Reads as a page: a field shows its edge when it is touched. */
const Words = styled.div`
  display: grid;
  gap: 2px;
  align-content: start;
  min-width: 0;
  textarea,
  input {
    width: 100%;
    border: 1px solid transparent;
    border-radius: 4px;
    background: transparent;
    padding: 2px 8px;
    resize: none;
    field-sizing: content;
    scrollbar-width: none;
  }
  textarea.script {
    font: 1rem/1.4 var(--reading);
    max-height: 3.1em;
  }
  textarea.script:placeholder-shown {
    max-height: none;
  }
  textarea.long:not(:focus) {
    mask-image: linear-gradient(#000 55%, rgb(0 0 0 / 0.35));
  }
  textarea.script:focus {
    max-height: 320px;
    scrollbar-width: auto;
  }
  textarea.caption,
  input {
    font-weight: 600;
    max-height: 3.4em;
    min-height: 30px;
  }
  input.subtitle {
    font-weight: 400;
  }
  @media (hover: none) {
    textarea,
    input {
      min-height: 40px;
    }
  }
  textarea::placeholder,
  input::placeholder {
    color: var(--soft);
    font-weight: 400;
    opacity: 1;
  }
  textarea:hover,
  input:hover {
    border-color: var(--line);
  }
  textarea:focus,
  input:focus {
    border-color: var(--indigo);
    background: var(--raised);
  }
  .remark {
    border-inline-start: 4px solid var(--ochre);
    background: var(--ochre-wash);
    padding: 6px 10px;
    border-radius: 0 4px 4px 0;
    font-size: 0.94rem;
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

/** What may be written with one press: quiet, in one line. */
const Offer = styled(Quiet)`
  justify-self: start;
  justify-content: start;
  min-height: 32px;
  padding: 2px 8px;
  color: var(--indigo);
  overflow: hidden;
  text-overflow: ellipsis;
  @media (hover: none) {
    min-height: 40px;
  }
`;

/** Letters of a script that two lines of the row hold; more fade out until the field is entered. */
const LONG = 120;

/** The list tells each row's buttons anew whenever anything of it changes; only the handle has to hear that. */
const own = {};

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
      <Words>
        {slide.layout === 'title' ? (
          <TitleWords slide={slide} title={title} number={number} />
        ) : (
          <CaptionWords slide={slide} number={number} offered={row.described} />
        )}
        <ScriptWords slide={slide} number={number} />
        <ButtonContext value={own}>
          <VoiceStrip slide={slide} number={number} waveform={row.waveform} voice={row.voice} onPlay={acts.play} />
        </ButtonContext>
        {row.remarks?.map((remark) => (
          <p className="remark" key={remark.id}>
            <strong>{remark.author}:</strong> {remark.text}
          </p>
        ))}
      </Words>
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

interface WordsProps {
  slide: Slide;
  number: number;
}

/** The text of one of a slide's words, kept as it is written. */
function useWords(slide: Slide, role: WordsLayer['role']) {
  const { edit } = useActs();
  const layer = wordsOf(slide, role)?.id ?? role;
  const write = (text: string) =>
    void edit({ do: 'set layer', slide: slide.id, layer, kind: 'words', changes: { role, text } });
  return { ...useSavedText(textOf(slide, role), write), write };
}

function TitleWords({ slide, title, number }: WordsProps & { title: string }) {
  const heading = useWords(slide, 'title');
  const subtitle = useWords(slide, 'subtitle');
  return (
    <>
      <input
        aria-label={say('words.title-on', { slide: number })}
        placeholder={title}
        maxLength={limits.title}
        value={heading.value}
        onChange={(e) => heading.onChange(e.target.value)}
        onBlur={heading.onBlur}
      />
      <input
        className="subtitle"
        aria-label={say('words.subtitle-on', { slide: number })}
        placeholder={say('words.subtitle.hint')}
        maxLength={limits.words}
        value={subtitle.value}
        onChange={(e) => subtitle.onChange(e.target.value)}
        onBlur={subtitle.onBlur}
      />
    </>
  );
}

function CaptionWords({ slide, number, offered }: WordsProps & { offered: string }) {
  const caption = useWords(slide, 'caption');
  return (
    <>
      <textarea
        className="caption"
        rows={1}
        aria-label={say('words.caption-on', { slide: number })}
        placeholder={say('words.caption.hint')}
        maxLength={limits.words}
        value={caption.value}
        onChange={(e) => caption.onChange(e.target.value)}
        onBlur={caption.onBlur}
      />
      {offered !== '' && caption.value === '' && (
        <ButtonContext value={own}>
          <Offer onPress={() => caption.write(offered)}>{say('words.offered', { words: offered })}</Offer>
        </ButtonContext>
      )}
    </>
  );
}

function ScriptWords({ slide, number }: WordsProps) {
  const { edit } = useActs();
  const script = useSavedText(slide.script, (text) => void edit({ do: 'set script', slide: slide.id, script: text }));
  return (
    <textarea
      className={script.value.length > LONG ? 'script long' : 'script'}
      aria-label={say('words.script-of', { slide: number })}
      placeholder={say('words.script.hint')}
      maxLength={limits.script}
      rows={1}
      value={script.value}
      onChange={(e) => script.onChange(e.target.value)}
      onBlur={script.onBlur}
    />
  );
}
