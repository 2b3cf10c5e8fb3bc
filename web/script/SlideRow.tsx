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
import { useNear } from './useNear';
import { VoiceStrip } from './VoiceStrip';

const Grid = styled.div`
  display: grid;
  grid-template-columns: 84px minmax(180px, 264px) minmax(0, 1fr) 80px;
  gap: 14px;
  padding: 12px 4px;
  min-height: 176px;
  @media (max-width: 760px) {
    grid-template-columns: 56px minmax(0, 1fr);
  }
`;
const Time = styled.div`
  display: grid;
  justify-items: start;
  align-content: start;
  gap: 2px;
  font-size: 0.875rem;
  color: var(--soft);
  strong {
    color: var(--ink);
    font: 600 1.05rem var(--reading);
  }
`;
const PictureBox = styled.div`
  position: relative;
  aspect-ratio: 16 / 9;
  overflow: hidden;
  border-radius: 4px;
  background: #fbf8f1;
  border: 1px solid var(--line);
  align-self: start;
  img {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
  img.whole {
    object-fit: contain;
    background: #2a2d33;
  }
  img.words {
    object-fit: fill;
  }
`;
const Words = styled.div`
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
  textarea,
  input {
    width: 100%;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--raised);
    padding: 7px 10px;
  }
  textarea.script {
    font: 1.02rem/1.5 var(--reading);
    resize: vertical;
    min-height: 84px;
    field-sizing: content;
    max-height: 320px;
  }
  textarea:hover,
  input:hover {
    border-color: var(--edge);
  }
  textarea:focus,
  input:focus {
    border-color: var(--indigo);
  }
  input {
    min-height: 40px;
  }
  textarea.caption {
    min-height: 40px;
    max-height: 140px;
    resize: none;
    field-sizing: content;
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
  grid-auto-rows: 40px;
  align-content: start;
  @media (max-width: 760px) {
    grid-column: 1 / -1;
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
  loose: boolean;
  remarks: Remark[] | undefined;
  edit: StoryHold['edit'];
  take: StoryHold['take'];
  onRemove: (ids: string[]) => void;
  onDuplicate: (ids: string[]) => void;
  onMove: (ids: string[], by: -1 | 1) => void;
  onPlay: (slide: string) => void;
}

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
        <span title="Starts at">{clock((planned?.start ?? 0) / fps)}</span>
        <span title="Stays for">{secondsText((planned?.stay ?? 0) / fps)}</span>
        {planned && <RowThread slide={planned} fps={fps} height={100} loose={loose} />}
        {loose && <span className="unseen">Proof has something to say about this slide.</span>}
      </Time>
      <PictureBox>
        {slide.picture && (
          <img
            className={planned?.image.rendition}
            src={`/api/stories/${story}/pictures/${slide.picture}/thumb.jpg`}
            alt={picture?.file ?? ''}
            loading="lazy"
            draggable={false}
          />
        )}
        {planned && planned.words !== '' && (
          <img
            className="words"
            src={`/api/stories/${story}/words/${planned.words}.png`}
            alt={slide.kind === 'title' ? slide.heading || title : slide.caption.text}
            loading="lazy"
            draggable={false}
          />
        )}
      </PictureBox>
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
          edit={edit}
          take={take}
          onPlay={onPlay}
        />
        {(remarks ?? noRemarks).map((remark) => (
          <p className="remark" key={remark.id}>
            <strong>{remark.author}:</strong> {remark.text}
          </p>
        ))}
      </Words>
      <Tools>
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
      className="script"
      aria-label={`Script of ${name}`}
      placeholder="What you say here. It is read aloud, never shown."
      maxLength={5000}
      rows={3}
      value={script.value}
      onChange={(e) => script.onChange(e.target.value)}
      onBlur={script.onBlur}
    />
  );
}
