import { memo } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Picture, PlannedSlide, Remark, Slide, StoryDocument } from '../api/types';
import { IconButton } from '../parts/controls';
import { BinIcon, CopyIcon, DownIcon, HandleIcon, PlayIcon, UpIcon } from '../parts/icons';
import { RowThread } from '../parts/Thread';
import { clock, secondsText } from '../parts/time';
import type { StoryHold } from '../story/useStory';
import { useSavedText } from '../story/useSavedText';
import { ComposedSlide } from './ComposedSlide';
import { useNear } from './useNear';
import { VoiceStrip } from './VoiceStrip';

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
    border-left: 4px solid var(--ochre);
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

interface Props {
  story: string;
  index: number;
  last: boolean;
  slide: Slide;
  picture: Picture | undefined;
  planned: PlannedSlide | undefined;
  fps: number;
  waveform: number[] | undefined;
  takeLength: StoryDocument['takes'][string] | undefined;
  title: string;
  ratio: number;
  loose: boolean;
  remarks: Remark[] | undefined;
  edit: StoryHold['edit'];
  take: StoryHold['take'];
  onRemove: (ids: string[]) => void;
  onDuplicate: (ids: string[]) => void;
  onMove: (ids: string[], by: -1 | 1) => void;
  onPlay: (slide: string) => void;
}

/** Letters of a script that two lines of the row hold; more fade out until the field is entered. */
const LONG = 120;
const noRemarks: Remark[] = [];

/** A row far below the window is only its place; 200 slides open as fast as ten. */
export const SlideRow = memo(function SlideRow(props: Props) {
  const { ref, near } = useNear(props.index < 12);
  return near ? (
    <FullRow {...props} />
  ) : (
    <Grid ref={ref}>
      <Time>
        <strong>{props.index + 1}</strong>
      </Time>
    </Grid>
  );
});

const FullRow = memo(function FullRow({
  story,
  index,
  last,
  slide,
  picture,
  planned,
  fps,
  waveform,
  takeLength,
  title,
  ratio,
  loose,
  remarks,
  edit,
  take,
  onRemove,
  onDuplicate,
  onMove,
  onPlay,
}: Props) {
  const name = `slide ${index + 1}`;
  return (
    <Grid>
      <Time>
        <strong>{index + 1}</strong>
        <span>
          <span title="Starts at">{clock((planned?.start ?? 0) / fps)}</span>{' '}
          <span title="Stays for" className="stay">
            {secondsText((planned?.stay ?? 0) / fps)}
          </span>
        </span>
        {planned && <RowThread slide={planned} fps={fps} width={88} height={88} loose={loose} />}
        {loose && <span className="unseen">Proof has something to say about this slide.</span>}
      </Time>
      <Shown>
        {planned && (
          <ComposedSlide
            story={story}
            planned={planned}
            ratio={ratio}
            picture={picture?.file ?? ''}
            words={slide.kind === 'title' ? slide.heading || title : slide.caption.text}
          />
        )}
      </Shown>
      <Words>
        {slide.kind === 'title' ? (
          <TitleWords slide={slide} title={title} edit={edit} name={name} />
        ) : (
          <CaptionWords slide={slide} edit={edit} name={name} />
        )}
        <ScriptWords slide={slide} edit={edit} name={name} />
        <VoiceStrip
          story={story}
          slide={slide}
          name={name}
          waveform={waveform}
          length={takeLength}
          take={take}
          onPlay={onPlay}
        />
        {(remarks ?? noRemarks).map((remark) => (
          <p className="remark" key={remark.id}>
            <strong>{remark.author}:</strong> {remark.text}
          </p>
        ))}
      </Words>
      <Tools className="tools">
        <Handle slot="drag" aria-label={`Drag ${name}`}>
          <HandleIcon />
        </Handle>
        <IconButton label={`Play from ${name}`} onPress={() => onPlay(slide.id)}>
          <PlayIcon />
        </IconButton>
        <IconButton label={`Move ${name} up`} isDisabled={index === 0} onPress={() => onMove([slide.id], -1)}>
          <UpIcon />
        </IconButton>
        <IconButton label={`Move ${name} down`} isDisabled={last} onPress={() => onMove([slide.id], 1)}>
          <DownIcon />
        </IconButton>
        <IconButton label={`Duplicate ${name}`} onPress={() => onDuplicate([slide.id])}>
          <CopyIcon />
        </IconButton>
        <IconButton label={`Delete ${name}`} onPress={() => onRemove([slide.id])}>
          <BinIcon />
        </IconButton>
      </Tools>
    </Grid>
  );
});

interface WordsProps {
  slide: Slide;
  edit: StoryHold['edit'];
  name: string;
}

function TitleWords({ slide, title, edit, name }: WordsProps & { title: string }) {
  const heading = useSavedText(
    slide.heading,
    (text) => void edit({ do: 'set heading', slide: slide.id, heading: text }),
  );
  const subtitle = useSavedText(
    slide.subtitle,
    (text) => void edit({ do: 'set heading', slide: slide.id, subtitle: text }),
  );
  return (
    <>
      <input
        aria-label={`Title on ${name}`}
        placeholder={title}
        maxLength={120}
        value={heading.value}
        onChange={(e) => heading.onChange(e.target.value)}
        onBlur={heading.onBlur}
      />
      <input
        className="subtitle"
        aria-label={`Subtitle on ${name}`}
        placeholder="A line below it, if you like"
        maxLength={200}
        value={subtitle.value}
        onChange={(e) => subtitle.onChange(e.target.value)}
        onBlur={subtitle.onBlur}
      />
    </>
  );
}

function CaptionWords({ slide, edit, name }: WordsProps) {
  const caption = useSavedText(
    slide.caption.text,
    (text) => void edit({ do: 'set caption', slide: slide.id, caption: { text } }),
  );
  return (
    <textarea
      className="caption"
      rows={1}
      aria-label={`Caption on ${name}`}
      placeholder="Words on the picture: one plain fact"
      maxLength={300}
      value={caption.value}
      onChange={(e) => caption.onChange(e.target.value)}
      onBlur={caption.onBlur}
    />
  );
}

function ScriptWords({ slide, edit, name }: WordsProps) {
  const script = useSavedText(slide.script, (text) => void edit({ do: 'set script', slide: slide.id, script: text }));
  return (
    <textarea
      className={script.value.length > LONG ? 'script long' : 'script'}
      aria-label={`Script of ${name}`}
      placeholder="What you say here. It is read aloud, never shown."
      maxLength={5000}
      rows={1}
      value={script.value}
      onChange={(e) => script.onChange(e.target.value)}
      onBlur={script.onBlur}
    />
  );
}
