import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { useSession } from '../api/session';
import { sentence } from '../api/client';
import { useFetchStory, useSendIn } from '../assets/useSendIn';
import { Soft } from '../parts/controls';
import { Toggle } from '../parts/Toggle';
import { useTell } from '../parts/notices';
import { clock, inSeconds, SAMPLES, secondsText } from '../parts/time';
import { Preview, type PreviewHandle } from '../stage/Preview';
import { assetOf, spokenSamples, voiceOf } from '../story/slides';
import { unpointed } from '../stage/pointers';
import { useStory } from '../story/useStory';
import { Acts } from './Acts';
import { howLong } from './howLong';
import { MicrophoneField } from './MicrophoneField';
import { BoothHead } from './BoothHead';
import { Ground } from './pointing/Ground';
import { PointingRoom } from './pointing/PointingRoom';
import { usePointing } from './pointing/usePointing';
import { Control, Count, Dark, Desk, Foot, Room, Tapped, Trouble } from './room';
import { ScriptRoom } from './ScriptRoom';
import { Takes } from './takes/Takes';
import { Tips } from './Tips';
import { useAwake } from './useAwake';
import { useBoothKeys } from './useBoothKeys';
import { useFollowing } from './useFollowing';
import { useRecorder, type CountIn, type Recording } from './useRecorder';
import { presentOf, useRehearsal } from '../story/useRehearsal';
import { useRehearsing } from './useRehearsing';
import { useSpoken } from '../story/useSpoken';
import type { Span } from '../story/spans';
import type { Part } from '../assets/keeper';
import { useKeptOffline } from '../offline/useKeptOffline';
import { say, type Code } from '../messages/say';
import { SaidRoom } from './said/SaidRoom';
import { Typing } from './said/Typing';
import { useSaid } from './said/useSaid';

const controls: Record<Recording, Code> = {
  off: 'booth.record',
  ready: 'booth.record',
  counting: 'booth.stop',
  recording: 'booth.stop',
  paused: 'booth.stop',
  sending: 'booth.saving-now',
};

/** Samples that are heard before a part is said again, and with how few of them it is counted in as usual. */
const LEAD = 2 * SAMPLES;
const LEAST_LEAD = SAMPLES / 2;
/** Of a slide that has no script. */
const NOTHING = { sentences: [], seconds: 0 };

/** The quiet page where one records: the picture, the script in reading size, a level, one big control. */
export default function BoothPage() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const hold = useStory(id);
  const { view, edit, undo, redo } = hold;
  const fetchStory = useFetchStory();
  const sendIn = useSendIn(id);
  const { person } = useSession();
  const tell = useTell();
  const preview = useRef<PreviewHandle>(null);
  const [countIn, setCountIn] = useState(true);
  const [inOneGo, setInOneGo] = useState(false);
  const [thenNext, setThenNext] = useState(false);
  /** When in a recording for many slides this one was begun, seconds. */
  const [begun, setBegun] = useState(0);
  const [elapsed, setElapsed] = useState(0);
  const [fresh, setFresh] = useState<{ slide: string; before: Span[] } | null>(null);
  /** The slide whose voice is written down. */
  const [typing, setTyping] = useState<string | null>(null);
  /** Which sentence somebody begins with who says a part again. */
  const [first, setFirst] = useState(0);

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
  /** What slides spoke before they were recorded. */
  const before = useRef(new Map<string, Span[]>());
  const dropping = useRef(false);

  const onDone = useCallback(
    async (take: string) => {
      const { story } = await fetchStory(id);
      const spoken = story.slides.filter((s) => s.voice.some(({ asset }) => asset === take));
      const [one] = spoken;
      if (spoken.length > 1) {
        tell(say('booth.run-done', { count: spoken.length }), {
          action: { label: say('story.undo'), run: () => void undo() },
        });
      } else if (one) setFresh({ slide: one.id, before: before.current.get(one.id) ?? [] });
    },
    [fetchStory, id, tell, undo],
  );
  const worksOffline = useKeptOffline(person?.id, view);
  const recorder = useRecorder({ person: person?.id ?? '', story: id, onDone });
  const { state, recorded } = recorder;
  const isRecording = state === 'recording' || state === 'paused';
  const pointing = usePointing({ hold, preview, plan: view?.plan, scene: planned, slide, recorder, state });
  const busy = isRecording || state === 'counting' || pointing.isAgain;
  const runs = isRecording && recorder.isForMany;
  const goesOn = thenNext && !inOneGo && state === 'recording' && !recorder.isForPart;

  useEffect(() => {
    document.title = `${say('booth.title')} · Rhapsode`;
  }, []);
  useEffect(() => {
    // Of several pictures, some of which may come late, all are seen by whoever speaks of them.
    const inCells = planned?.layers.some((layer) => layer.kind === 'picture' && layer.box);
    if (planned) preview.current?.show(inCells ? planned.end - 1 : planned.start + planned.comesIn);
    // Another slide brings another picture, and so does a voice that moves this one to another place of the film.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [planned?.id, planned?.start, planned?.comesIn]);
  useEffect(() => setFresh(null), [planned?.id]);
  useEffect(() => {
    if (state !== 'recording') return undefined;
    const timer = setInterval(() => setElapsed(recorded()), 200);
    return () => clearInterval(timer);
  }, [state, recorded]);

  // Where somebody pointed before is in the way of whoever does it again.
  const plan = useMemo(() => view && (busy ? unpointed(view.plan) : view.plan), [busy, view]);
  const rehearsal = useRehearsal(id, view?.revision);
  const { sentences, seconds: takes } = (slide && rehearsal?.slides[slide.id]) ?? NOTHING;
  const { since, rest, toggle } = useRehearsing(preview, planned, takes);
  const rehearses = since !== null;
  useAwake(rehearses || busy);
  const rehearse = useCallback(() => {
    if (!busy) toggle();
  }, [busy, toggle]);

  const { follow, stay } = useFollowing({
    goesOn,
    recorder,
    slide: slide?.id,
    next: slides[index + 1]?.id,
    show: (next) => setSearch({ slide: next }, { replace: true }),
    begin: () => {
      setFirst(0);
      speak();
    },
  });

  const go = useCallback(
    (by: number) => {
      const next = slides[index + by];
      if (next && by > 0 && goesOn) {
        follow();
        return;
      }
      if (next && runs) {
        recorder.step(next.id);
        setBegun(recorded());
      }
      if (next && (runs || !busy)) {
        rest();
        setSearch({ slide: next.id }, { replace: true });
      }
    },
    [busy, follow, goesOn, index, recorded, recorder, rest, runs, setSearch, slides],
  );
  /** Whoever says a part again hears what comes before it, to fall in with it. */
  const leadIn = (around: Part['around']): CountIn => {
    const from = around?.from ?? 0;
    const long = Math.min(LEAD, from);
    if (long < LEAST_LEAD) return { from: 3, each: 700 };
    return {
      from: Math.ceil(inSeconds(long)),
      each: (1000 * inSeconds(long)) / Math.ceil(inSeconds(long)),
      begins: () => said.hear({ from: from - long, to: from }),
      ends: () => preview.current?.pause(),
    };
  };
  const speak = (part?: Part) => {
    if (!slide || (state !== 'ready' && state !== 'off')) return;
    rest();
    preview.current?.pause();
    before.current.set(slide.id, slide.voice);
    setElapsed(0);
    setBegun(0);
    void recorder.start(slide.id, countIn ? leadIn(part?.around) : null, part);
  };
  const record = () => {
    stay();
    if (pointing.isAgain) {
      pointing.stop();
      return;
    }
    if (busy) {
      recorder.stop();
      return;
    }
    setFirst(0);
    speak(inOneGo && slide ? { steps: [{ slide: slide.id, at: 0 }] } : undefined);
  };
  const listen = useCallback(() => {
    if (!planned || busy) return;
    rest();
    preview.current?.play(planned.start, planned.end);
  }, [busy, planned, rest]);
  // While a recording is on its way here, what is dropped would be what was said before it.
  const drops = !busy && state !== 'sending' && recorder.behind === 0 && recorder.waiting === 0;
  const drop = useCallback(() => {
    // Pressed twice it would take away what it has just given back.
    if (!slide || !drops || dropping.current) return;
    dropping.current = true;
    setFresh(null);
    void edit({ do: 'set voice', slide: slide.id, voice: fresh?.slide === slide.id ? fresh.before : [] }).finally(
      () => {
        dropping.current = false;
      },
    );
  }, [drops, edit, fresh, slide]);

  const spokenSlide = useSpoken(id, slide, planned, view?.plan.fps);
  const said = useSaid(hold, preview, view?.plan, slide, spokenSlide.repeats, (around) => {
    setFirst(spokenSlide.sentences.findIndex(({ to }) => around.from < to));
    speak({ around });
  });
  const quiet = (act: () => void) => () => {
    if (said.mark && !busy) act();
  };

  const unlessBusy = (act: typeof undo) => () => {
    if (!busy) void act();
  };
  useBoothKeys({
    ' ': record,
    l: listen,
    n: () => go(1),
    p: () => go(-1),
    // A pedal's keys; else they scroll.
    ...(runs ? { pagedown: () => go(1), pageup: () => go(-1) } : {}),
    s: recorder.pauseOrGoOn,
    d: drop,
    r: rehearse,
    h: quiet(() => said.mark && said.hear(said.mark)),
    o: quiet(said.only),
    a: quiet(said.fromHere),
    t: () => {
      if (!busy) said.twice();
    },
    x: quiet(() => void said.leaveOut()),
    delete: quiet(() => void said.leaveOut()),
    escape: () => (pointing.isAgain ? pointing.stop() : said.clear()),
    'ctrl+z': unlessBusy(undo),
    'ctrl+y': unlessBusy(redo),
    'ctrl+shift+z': unlessBusy(redo),
  });

  const bring = (files: FileList | null) => {
    const file = files?.[0];
    if (!file || !slide || !person) return;
    before.current.set(slide.id, slide.voice);
    sendIn('voice', file, { slide: slide.id })
      .then(({ asset }) => onDone(asset))
      .catch((error: unknown) =>
        tell(say('page.of-a-file', { file: file.name, said: sentence(error) }), { tone: 'trouble' }),
      );
  };

  if (!view || !slide || !plan) {
    return (
      <Room>
        <Dark />
        <Soft>{hold.error ? sentence(hold.error) : say('page.one-moment')}</Soft>
      </Room>
    );
  }
  const spoken = assetOf(view.story, voiceOf(slide) ?? undefined, 'voice');
  const heard = view.proof
    .filter((f) => ['silent', 'too-quiet', 'clipped'].includes(f.rule))
    .flatMap((f) => f.slides)
    .find((s) => s.id === slide.id);
  const isWaiting = recorder.waiting > 0 && !busy && !rehearses && state !== 'sending';
  const isSaving = state === 'sending' || (recorder.behind > 0 && !busy && !rehearses && !isWaiting);
  const isSaid = spoken !== undefined && !busy && spokenSlide.samples > 0;
  const judged = say(heard ? heard.message : 'booth.sounds-good');
  return (
    <Room>
      <Dark />
      <BoothHead
        story={id}
        index={index}
        slides={slides}
        worksOffline={worksOffline}
        goesBack={index > 0 && (!busy || runs)}
        goesOn={index < slides.length - 1 && (!busy || runs || goesOn)}
        onGo={go}
      />
      <Desk className={isSaid ? 'said' : undefined}>
        <div className="picture" style={{ position: 'relative' }}>
          <Preview ref={preview} story={id} plan={plan} onEnd={pointing.ended} dark bare />
          {busy && !pointing.shown && <Tapped aria-hidden onClick={() => go(1)} />}
          <Ground plan={view.plan} pointing={pointing} onTap={() => go(1)} takesTaps={runs || goesOn} />
          {(state === 'counting' || pointing.count !== null) && (
            <Count role="timer" aria-live="assertive">
              {pointing.count ?? recorder.count}
            </Count>
          )}
        </div>
        {typing === slide.id && isSaid ? (
          <Typing
            key={slide.id}
            phrases={spokenSlide.sentences}
            onHear={said.hear}
            onScript={(script) => void edit({ do: 'set script', slide: slide.id, script })}
            onDone={() => setTyping(null)}
          />
        ) : (
          <ScriptRoom
            onType={isSaid ? () => setTyping(slide.id) : undefined}
            script={slide.script}
            sentences={sentences}
            present={
              rehearses || state === 'recording'
                ? presentOf(sentences, since ?? elapsed - begun + (sentences[first]?.at ?? 0))
                : null
            }
            long={rehearsal && takes > 0 ? howLong(rehearsal, takes, view.assignment) : ''}
          />
        )}
      </Desk>
      {isSaid && (
        <SaidRoom
          hold={hold}
          view={view}
          slide={slide}
          spoken={spokenSlide}
          isSaving={state === 'sending'}
          mark={said.mark}
          onMark={said.setMark}
          onHear={said.hear}
          onOnly={said.only}
          onFromHere={said.fromHere}
          onLeaveOut={() => void said.leaveOut()}
          onShorten={said.shorten}
          onTwice={said.twice}
          onUndo={unlessBusy(undo)}
          onRedo={unlessBusy(redo)}
        />
      )}
      <div style={{ display: 'grid', gap: 12 }}>
        <div role="alert" style={{ display: 'grid', justifyItems: 'center' }}>
          {recorder.trouble !== '' && <Trouble>{recorder.trouble}</Trouble>}
        </div>
        <Foot>
          <div className="microphone" style={{ display: 'grid', gap: 8 }}>
            <MicrophoneField recorder={recorder} isDisabled={busy} />
            <div className="before">
              <Toggle isSelected={countIn} onChange={setCountIn}>
                {say('booth.count-in')}
              </Toggle>
              <Toggle isSelected={inOneGo} onChange={setInOneGo} isDisabled={busy || slides.length < 2}>
                {say('booth.in-one-go')}
              </Toggle>
              <Toggle isSelected={thenNext} onChange={setThenNext} isDisabled={busy || inOneGo || slides.length < 2}>
                {say('booth.then-next')}
              </Toggle>
              <PointingRoom pointing={pointing} isDisabled={busy || rehearses} />
              <Tips isDisabled={busy} />
            </div>
          </div>
          <div className="middle">
            <Control className={`control ${busy ? 'recording' : ''}`} onPress={record} isDisabled={state === 'sending'}>
              {say(pointing.isAgain ? 'booth.stop' : controls[state])}
            </Control>
            <span role="status">
              {isRecording && clock(elapsed)}
              {state === 'paused' && ` ${say('booth.paused')}`}
              {since !== null && clock(since)}
              {rehearses && takes > 0 && ` ${say('booth.of-about', { length: clock(takes) })}`}
              {isWaiting && say('booth.no-connection')}
              {isSaving && say('booth.saving')}
              {!busy &&
                !rehearses &&
                !isSaving &&
                !isWaiting &&
                (spoken ? (
                  `${say('booth.how-long', { length: secondsText(inSeconds(spokenSamples(slide))) })} ${judged}`
                ) : (
                  <span className="key">{say('booth.space')}</span>
                ))}
            </span>
          </div>
          <Acts
            recorder={recorder}
            isRecording={isRecording}
            runs={runs}
            goesOn={goesOn}
            isLast={index === slides.length - 1}
            onNext={() => go(1)}
            isBusy={busy}
            isSpoken={spoken !== undefined}
            drops={drops}
            keepsBefore={fresh?.slide === slide.id && fresh.before.length > 0}
            rehearses={rehearses}
            onListen={listen}
            onDrop={drop}
            onRehearse={rehearse}
            onBring={bring}
          >
            <Takes
              hold={hold}
              view={view}
              slide={slide}
              number={index + 1}
              preview={preview}
              isDisabled={busy || rehearses}
            />
          </Acts>
        </Foot>
      </div>
    </Room>
  );
}
