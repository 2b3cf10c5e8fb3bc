import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { Link, useParams, useSearchParams } from 'react-router';
import styled, { createGlobalStyle } from 'styled-components';
import { useSession } from '../api/session';
import { sentence } from '../api/client';
import { soundFiles } from '../assets/kinds';
import { useFetchStory, useSendIn } from '../assets/useSendIn';
import { Button, Soft } from '../parts/controls';
import { Select } from '../parts/Choice';
import { Toggle } from '../parts/Toggle';
import { useTell } from '../parts/notices';
import { clock, secondsText } from '../parts/time';
import { Preview, type PreviewHandle } from '../stage/Preview';
import { assetOf, spokenSamples, voiceOf } from '../story/slides';
import { useStory } from '../story/useStory';
import { Meter } from './Meter';
import { useRecorder } from './useRecorder';

const Dark = createGlobalStyle`
  html { background: var(--booth); }
  :root { --soft: #B9C0CE; }
  :focus-visible, [data-focus-visible] { outline-color: #AEB9EE; }
`;
const Room = styled.main`
  min-height: 100vh;
  background: var(--booth);
  color: #f1eee6;
  display: grid;
  grid-template-rows: auto 1fr auto;
  gap: 16px;
  padding: 14px 28px 20px;
  @media (max-width: 760px) {
    padding: 6px 12px 10px;
    gap: 8px;
    height: 100dvh;
    min-height: 0;
    grid-template-rows: auto minmax(0, 1fr) auto;
  }
  .narrow {
    display: none;
    @media (max-width: 760px) {
      display: inline;
    }
  }
  kbd {
    font: inherit;
    font-size: 0.8em;
    border: 1px solid #6f788c;
    border-radius: 4px;
    padding: 0 6px;
    color: #b9c0ce;
  }
  .key {
    @media (hover: none), (pointer: coarse) {
      display: none;
    }
  }
  a {
    color: #c9d2f7;
  }
  button:not(.control) {
    background: #242935;
    color: #f1eee6;
    border-color: #6f788c;
  }
  button:not(.control)[data-disabled] {
    color: #8b93a3;
    border-color: #3a4150;
  }
  select {
    min-height: 40px;
    background: #242935;
    color: #f1eee6;
    border: 1px solid #6f788c;
    border-radius: var(--radius);
    padding: 4px 8px;
    max-width: 260px;
  }
`;
const Head = styled.header`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  h1 {
    font-size: 1.2rem;
  }
  @media (max-width: 760px) {
    flex-wrap: nowrap;
    gap: 4px 8px;
    h1 {
      font-size: 1rem;
      flex: 1;
      text-align: center;
    }
    .wide {
      display: none;
    }
    button {
      padding: 6px 12px;
    }
  }
`;
const Desk = styled.div`
  display: grid;
  gap: 28px;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  align-items: start;
  align-content: center;
  max-width: 1500px;
  width: 100%;
  margin: 0 auto;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
  @media (max-width: 760px) {
    gap: 10px;
    align-content: start;
    grid-template-rows: auto minmax(0, 1fr);
    min-height: 0;
    .picture {
      display: grid;
      justify-items: center;
      > figure {
        width: min(100%, calc(38dvh * var(--ratio)));
      }
    }
  }
`;
const Script = styled.div`
  font: 400 clamp(1.25rem, 1.9vw, 1.75rem)/1.6 var(--reading);
  white-space: pre-wrap;
  max-height: 62vh;
  overflow: auto;
  max-width: 34em;
  @media (max-width: 760px) {
    max-height: 100%;
    font-size: 1.2rem;
  }
  &:empty::before {
    content: 'No script for this slide yet. Say what you see, or write it on the sheet first.';
    color: #b9c0ce;
  }
`;
const Foot = styled.div`
  display: grid;
  gap: 16px;
  grid-template-columns: minmax(180px, 1fr) auto minmax(180px, 1fr);
  align-items: center;
  max-width: 1100px;
  width: 100%;
  margin: 0 auto;
  .middle {
    display: grid;
    justify-items: center;
    gap: 8px;
  }
  .end {
    display: flex;
    gap: 8px;
    flex-wrap: wrap;
    justify-content: flex-end;
  }
  @media (max-width: 760px) {
    /* The one big control under the thumb; what is seldom needed above it. */
    grid-template-columns: minmax(0, 1fr) auto minmax(0, 1fr);
    gap: 6px 8px;
    .microphone {
      grid-column: 1 / -1;
      grid-template-columns: minmax(0, 1fr) auto;
      align-items: center;
      gap: 4px 12px !important;
    }
    .middle {
      grid-column: 2;
      grid-row: 2;
    }
    .end {
      display: contents;
    }
    .end > :first-child {
      grid-column: 1;
      grid-row: 2;
    }
    .end > :nth-child(2) {
      grid-column: 3;
      grid-row: 2;
    }
    .end > * {
      align-self: center;
    }
    .end > :nth-child(n + 3) {
      grid-column: 1 / -1;
      grid-row: 3;
      justify-self: center;
      padding: 2px 12px;
    }
  }
`;
const Control = styled(Button)`
  width: 104px;
  height: 104px;
  @media (max-width: 760px) {
    width: 84px;
    height: 84px;
  }
  border-radius: 50%;
  border: 4px solid #f1eee6;
  background: var(--madder);
  color: #fff;
  font-weight: 650;
  font-size: 1.05rem;
  padding: 0;
  &[data-hovered],
  &:hover {
    border-color: #fff;
    background: #b8443a;
  }
  &[data-disabled] {
    background: #4a4f5a;
    border-color: #7b8291;
    color: #d5d9e0;
  }
  &.recording {
    border-radius: 22px;
    background: #7d1f17;
  }
`;
const Trouble = styled.p`
  background: #4a2420;
  border-inline-start: 5px solid #ef8f80;
  padding: 10px 14px;
  border-radius: 0 4px 4px 0;
  max-width: 60em;
`;
const Count = styled.div`
  position: absolute;
  inset: 0;
  z-index: 5;
  display: grid;
  place-items: center;
  font: 600 6rem var(--reading);
  background: rgb(0 0 0 / 0.55);
  color: #fff;
  border-radius: 4px;
  pointer-events: none;
`;

/** A letter of the keyboard that does the same; unseen where there is no keyboard. */
const Key = ({ children }: { children: string }) => (
  <kbd className="key" aria-hidden>
    {children}
  </kbd>
);

/** The quiet page where one records: the picture, the script in reading size, a level, one big control. */
export default function BoothPage() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const hold = useStory(id);
  const { view, edit } = hold;
  const fetchStory = useFetchStory();
  const sendIn = useSendIn(id);
  const { person } = useSession();
  const tell = useTell();
  const preview = useRef<PreviewHandle>(null);
  const [countIn, setCountIn] = useState(true);
  const [device, setDevice] = useState('');
  const [elapsed, setElapsed] = useState(0);
  const [fresh, setFresh] = useState<{ slide: string; before: string | null } | null>(null);

  const slides = useMemo(() => view?.story.slides ?? [], [view]);
  const wanted = search.get('slide');
  // Opened without a slide it begins at the first that nobody speaks, and stays there when somebody has spoken it.
  const firstBare = useRef<string | null>(null);
  firstBare.current ??= (slides.find((s) => voiceOf(s) === null) ?? slides[0])?.id ?? null;
  const index = Math.max(
    0,
    slides.findIndex((s) => s.id === (wanted ?? firstBare.current)),
  );
  const slide = slides[index];
  const planned = view?.plan.scenes[index];
  const before = useRef<string | null>(null);

  const onDone = useCallback(
    async (take: string) => {
      const { story } = await fetchStory(id);
      const spoken = story.slides.find((s) => voiceOf(s) === take);
      if (spoken) setFresh({ slide: spoken.id, before: before.current });
    },
    [fetchStory, id],
  );
  const recorder = useRecorder({ person: person?.id ?? '', story: id, onDone });
  const { state } = recorder;

  useEffect(() => {
    document.title = 'Booth · Rhapsode';
  }, []);
  useEffect(() => {
    if (planned) preview.current?.show(planned.start + planned.comesIn);
    setFresh(null);
    // Only another slide brings another picture; a new plan does not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [planned?.id]);
  useEffect(() => {
    if (state !== 'recording') return undefined;
    const timer = setInterval(() => setElapsed((performance.now() - recorder.begunAt) / 1000), 200);
    return () => clearInterval(timer);
  }, [state, recorder.begunAt]);

  const go = useCallback(
    (by: number) => {
      const next = slides[index + by];
      if (next && state !== 'recording' && state !== 'counting') setSearch({ slide: next.id }, { replace: true });
    },
    [index, setSearch, slides, state],
  );
  const record = useCallback(() => {
    if (state === 'recording' || state === 'counting') {
      recorder.stop();
      return;
    }
    if (!slide || state === 'sending' || state === 'waiting') return;
    preview.current?.pause();
    before.current = voiceOf(slide);
    setElapsed(0);
    void recorder.start(slide.id, countIn);
  }, [countIn, recorder, slide, state]);
  const listen = useCallback(() => {
    if (planned && state !== 'recording' && state !== 'counting') preview.current?.play(planned.start, planned.end);
  }, [planned, state]);
  const drop = useCallback(() => {
    if (!slide) return;
    void edit({ do: 'choose voice', slide: slide.id, asset: fresh?.slide === slide.id ? fresh.before : null });
    setFresh(null);
  }, [edit, fresh, slide]);

  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) || event.ctrlKey || event.altKey || event.metaKey)
        return;
      // Space on a focused button is that button's.
      if (event.key === ' ' && target.closest('button') && !target.closest('.control')) return;
      const acts: Record<string, () => void> = { ' ': record, l: listen, n: () => go(1), p: () => go(-1), d: drop };
      const act = acts[event.key.toLowerCase()];
      if (act && !event.repeat) {
        event.preventDefault();
        event.stopPropagation();
        act();
      }
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [drop, go, listen, record]);

  const bring = (files: FileList | null) => {
    const file = files?.[0];
    if (!file || !slide || !person) return;
    before.current = voiceOf(slide);
    sendIn('voice', file, slide.id)
      .then(({ asset }) => onDone(asset))
      .catch((error: unknown) => tell(`${file.name}: ${sentence(error)}`, { tone: 'trouble' }));
  };

  if (!view || !slide) {
    return (
      <Room>
        <Dark />
        <Soft>{hold.error ? sentence(hold.error) : 'One moment …'}</Soft>
      </Room>
    );
  }
  const busy = state === 'recording' || state === 'counting';
  const label = {
    off: 'Record',
    ready: 'Record',
    counting: 'Stop',
    recording: 'Stop',
    sending: 'Saving',
    waiting: 'Waiting',
  }[state];
  const spoken = assetOf(view.story, voiceOf(slide) ?? undefined, 'voice');
  const heard = view.proof
    .filter((f) => ['silent', 'too-quiet', 'clipped'].includes(f.rule))
    .flatMap((f) => f.slides)
    .find((s) => s.id === slide.id);
  const judged = heard ? heard.sentence : 'It sounds good.';
  return (
    <Room>
      <Dark />
      <Head>
        <Link to={`/stories/${id}`} aria-label="Back to the script">
          ← <span className="wide">Back to the script</span>
        </Link>
        <h1>
          <span className="wide">Booth · </span>slide {index + 1} of {slides.length}
        </h1>
        <span className="wide" style={{ flex: 1 }} />
        <Soft as="span" className="wide">
          {slides.filter((s) => voiceOf(s) !== null).length} spoken
        </Soft>
        <Button aria-label="Slide before" onPress={() => go(-1)} isDisabled={index === 0 || busy}>
          <span className="narrow">‹</span>
          <span className="wide">Slide before</span>
          <Key>P</Key>
        </Button>
        <Button aria-label="Next slide" onPress={() => go(1)} isDisabled={index === slides.length - 1 || busy}>
          <span className="wide">Next slide</span>
          <span className="narrow">›</span>
          <Key>N</Key>
        </Button>
      </Head>
      <Desk>
        <div className="picture" style={{ position: 'relative' }}>
          <Preview ref={preview} story={id} plan={view.plan} dark bare />
          {state === 'counting' && (
            <Count role="timer" aria-live="assertive">
              {recorder.count}
            </Count>
          )}
        </div>
        <Script tabIndex={0} role="region" aria-label="Script">
          {slide.script}
        </Script>
      </Desk>
      <div style={{ display: 'grid', gap: 12 }}>
        <div role="alert" style={{ display: 'grid', justifyItems: 'center' }}>
          {recorder.trouble !== '' && <Trouble>{recorder.trouble}</Trouble>}
        </div>
        <Foot>
          <div className="microphone" style={{ display: 'grid', gap: 8 }}>
            <Meter microphone={recorder.microphone} />
            {recorder.microphone === null ? (
              <Button onPress={() => void recorder.open()}>Turn the microphone on</Button>
            ) : (
              <Select
                label="Microphone"
                value={device || (recorder.devices[0]?.deviceId ?? '')}
                isDisabled={busy || recorder.devices.length === 0}
                options={recorder.devices.map((d, i) => [d.deviceId, d.label || `Microphone ${i + 1}`])}
                onChange={(to) => {
                  setDevice(to);
                  void recorder.open(to);
                }}
              />
            )}
            <Toggle isSelected={countIn} onChange={setCountIn}>
              Count in
            </Toggle>
          </div>
          <div className="middle">
            <Control
              className={`control ${busy ? 'recording' : ''}`}
              onPress={record}
              isDisabled={state === 'sending' || state === 'waiting'}
            >
              {label}
            </Control>
            <span role="status">
              {state === 'recording' && clock(elapsed)}
              {state === 'waiting' && 'No connection. Your recording is kept here and will be sent.'}
              {state === 'sending' && 'Your recording is being saved …'}
              {!busy &&
                state !== 'sending' &&
                state !== 'waiting' &&
                (spoken ? (
                  `Spoken: ${secondsText(spokenSamples(slide) / 48_000)}. ${judged}`
                ) : (
                  <span className="key">Space starts and stops</span>
                ))}
            </span>
          </div>
          <div className="end">
            <Button onPress={listen} isDisabled={!spoken || busy}>
              Listen <Key>L</Key>
            </Button>
            <Button onPress={drop} isDisabled={!spoken || busy}>
              {fresh?.slide === slide.id && fresh.before ? 'Keep the one before' : 'Delete'} <Key>D</Key>
            </Button>
            <FileTrigger acceptedFileTypes={soundFiles} onSelect={bring}>
              <Button isDisabled={busy}>Bring in a sound</Button>
            </FileTrigger>
          </div>
        </Foot>
      </div>
    </Room>
  );
}
