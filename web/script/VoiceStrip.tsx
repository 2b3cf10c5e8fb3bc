import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { sentence } from '../api/client';
import { soundFiles } from '../assets/kinds';
import { useSendIn } from '../assets/useSendIn';
import type { Slide, Voice } from '../api/types';
import { GoTo, Quiet, Row, Soft } from '../parts/controls';
import { VoiceIcon } from '../parts/icons';
import { useTell } from '../parts/notices';
import { inSeconds, secondsText } from '../parts/time';
import { useActs } from '../story/StoryContext';
import { spokenSamples } from '../story/slides';
import { say } from '../messages/say';

const Wave = styled.svg`
  flex: 1;
  min-width: 72px;
  height: 24px;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: 4px;
`;
/** In the page's own weight: it is there, and does not ask. */
const Go = styled(GoTo)`
  border-color: transparent;
  background: transparent;
  padding: 2px 8px;
  min-height: 30px;
  color: var(--indigo);
`;

interface Props {
  slide: Slide;
  /** Which slide it is, from 1 on. */
  number: number;
  waveform: number[] | undefined;
  voice: Voice | undefined;
  saidBy: string;
  onPlay: (slide: string) => void;
}

/** The voice of a slide: its waveform with what is left out, or the ways to get one. */
export function VoiceStrip({ slide, number, waveform, voice, saidBy, onPlay }: Props) {
  const { id: story } = useActs();
  const sendIn = useSendIn(story);
  const tell = useTell();
  const [busy, setBusy] = useState(false);
  const bring = (files: FileList | null) => {
    const file = files?.[0];
    if (!file) return;
    setBusy(true);
    sendIn('voice', file, { slide: slide.id })
      .catch((error: unknown) =>
        tell(say('page.of-a-file', { file: file.name, said: sentence(error) }), { tone: 'trouble' }),
      )
      .finally(() => setBusy(false));
  };
  if (!voice) {
    return (
      <Row data-busy={busy || undefined}>
        <Go to={`/stories/${story}/booth?slide=${slide.id}`} aria-label={say('voice.record-slide', { slide: number })}>
          <VoiceIcon /> {say('booth.record')}
        </Go>
        <FileTrigger acceptedFileTypes={soundFiles} onSelect={bring}>
          <Quiet
            className={busy ? '' : 'tools'}
            isPending={busy}
            aria-label={say('voice.bring-in-for', { slide: number })}
          >
            {say(busy ? 'voice.being-brought-in' : 'voice.bring-in')}
          </Quiet>
        </FileTrigger>
      </Row>
    );
  }
  const peaks = waveform ?? [];
  const share = (samples: number) => (samples / voice.samples) * 100;
  // Of the take that it begins with; what another adds is only counted.
  const spans = slide.voice.filter(({ asset }) => asset === slide.voice[0]?.asset);
  const seconds = secondsText(inSeconds(spokenSamples(slide)));
  return (
    <Row style={{ flexWrap: 'nowrap' }}>
      <Wave
        viewBox="0 0 100 34"
        preserveAspectRatio="none"
        role="img"
        aria-label={say('voice.of', { length: seconds })}
        onClick={() => onPlay(slide.id)}
      >
        {peaks.map((peak, i) => {
          const x = ((i + 0.5) / peaks.length) * 100;
          const heard = spans.some(({ from, to }) => x >= share(from) && x <= share(to));
          const h = Math.max(0.6, Math.sqrt(peak) * 16);
          return (
            <line
              key={i}
              x1={x}
              x2={x}
              y1={17 - h}
              y2={17 + h}
              stroke={heard ? 'var(--indigo)' : '#b9b2a2'}
              strokeWidth={1.6}
              vectorEffect="non-scaling-stroke"
            />
          );
        })}
      </Wave>
      <Soft as="span" style={{ whiteSpace: 'nowrap' }}>
        {seconds}
        {saidBy !== '' && ` · ${saidBy}`}
      </Soft>
      <Go
        className="tools"
        to={`/stories/${story}/booth?slide=${slide.id}`}
        aria-label={say('voice.record-again', { slide: number })}
      >
        <VoiceIcon />
      </Go>
    </Row>
  );
}
