import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { answer, api, sentence } from '../../api/client';
import { say } from '../../messages/say';
import { Select } from '../../parts/Choice';
import { Act, Button, IconButton, Row, Soft } from '../../parts/controls';
import { PlayIcon } from '../../parts/icons';
import { useTell } from '../../parts/notices';
import { clock, inSeconds, SAMPLES } from '../../parts/time';
import { ComposedSlide } from '../../stage/ComposedSlide';
import type { PreviewHandle } from '../../stage/Preview';
import { assetOf, pictureOf, writtenOn } from '../../story/slides';
import type { Span } from '../../story/spans';
import { StoryProvider } from '../../story/StoryContext';
import { useStory } from '../../story/useStory';
import { Dark, Head, Room } from '../room';
import { shareOf, Waveform } from '../said/Waveform';
import { useHearing } from '../takes/useHearing';
import { Boundaries, type Begin } from './Boundaries';

const Thread = styled.section`
  overflow-x: auto;
  padding: 8px 12px;
  background: #1d212b;
  border-radius: var(--radius);
  .whole {
    position: relative;
    min-width: 100%;
  }
  .pictures {
    position: relative;
    height: 76px;
  }
  .part {
    position: absolute;
    inset-block: 0;
    overflow: hidden;
    padding-inline-end: 3px;
    white-space: nowrap;
    border-inline-start: 1px solid #6f788c;
  }
  .part .composed {
    height: 54px;
  }
`;
const List = styled.ol`
  display: grid;
  gap: 4px;
  max-width: 900px;
  width: 100%;
  margin: 0 auto;
  li {
    display: flex;
    align-items: center;
    gap: 12px;
    min-width: 0;
  }
  .words {
    color: #b9c0ce;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    min-width: 0;
    flex: 1;
  }
  .guess {
    color: #f0d9a8;
  }
`;
/** Seconds before and after a boundary that are heard. */
const AROUND = 1;
const DARK = { '--raised': '#242935', '--edge': '#6f788c', minWidth: 200 } as React.CSSProperties;
const COLUMNS = 1000;
/** Pixels that a second is wide; 0 for as many as there is room for. */
const ZOOMS = [0, 6, 12, 24, 48];

/** As many columns as a drawing has, so that few points are no comb. */
const closer = (peaks: number[]): number[] => {
  const columns = Math.max(COLUMNS, peaks.length);
  return Array.from({ length: columns }, (_, i) => peaks[Math.floor((i * peaks.length) / columns)] ?? 0);
};

/** What lies about a place, of the recording in which it does. */
function about(voice: Span[], place: number): Span | null {
  let at = 0;
  for (const span of voice) {
    const within = span.from + place - at;
    if (within <= span.to) {
      return {
        asset: span.asset,
        from: Math.max(span.from, within - AROUND * SAMPLES),
        to: Math.min(span.to, within + AROUND * SAMPLES),
      };
    }
    at += span.to - span.from;
  }
  return null;
}

/** One long recording, or several in a row, divided over the slides: each place is seen, heard, and moved by hand. */
export default function SplitPage() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const hold = useStory(id);
  const { view, edit, undo, error } = hold;
  const navigate = useNavigate();
  const tell = useTell();
  const voices = search.get('voices') ?? '';
  const from = search.get('from') ?? undefined;
  const { data, error: wrong } = useQuery({
    queryKey: ['split', id, voices, from],
    queryFn: () =>
      answer(api.GET('/api/stories/{id}/split.json', { params: { path: { id }, query: { voices, from } } })),
    enabled: voices !== '',
    staleTime: Infinity,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const [moved, setMoved] = useState<number[] | null>(null);
  const [zoom, setZoom] = useState(0);
  const [isBusy, setBusy] = useState(false);
  useEffect(() => setMoved(null), [data]);
  useEffect(() => {
    document.title = `${say('split.title')} · Rhapsode`;
  }, []);
  const none = useRef<PreviewHandle | null>(null);
  const { hear } = useHearing(id, none, undefined, () => tell(say('take.not-heard'), { tone: 'trouble' }));

  const trouble = error ?? wrong;
  if (!view || !data) {
    return (
      <Room>
        <Dark />
        <Soft role={trouble ? 'alert' : undefined}>
          {trouble ? sentence(trouble) : say(voices === '' ? 'split.nothing' : 'page.one-moment')}
        </Soft>
      </Room>
    );
  }
  const { slides } = view.story;
  const begins = data.slides.map(({ slide, at, sure }, i): Begin => {
    const place = i === 0 ? 0 : (moved?.[i - 1] ?? at);
    return {
      slide,
      number: slides.findIndex((one) => one.id === slide) + 1,
      at: place,
      isSure: sure > 0.75 || place !== at,
    };
  });
  const hearAt = (place: number) => {
    const span = about(data.voice, place);
    if (span) hear(span);
  };
  const divide = async () => {
    if (isBusy) return;
    setBusy(true);
    const done = await edit({
      do: 'deal voice',
      voice: data.voice,
      begins: begins.map(({ slide, at }) => ({ slide, at })),
    });
    setBusy(false);
    if (!done) return;
    tell(say('split.done', { count: begins.length }), {
      action: { label: say('story.undo'), run: () => void undo() },
    });
    void navigate(`/stories/${id}`);
  };
  const width = zoom === 0 ? undefined : inSeconds(data.samples) * (ZOOMS[zoom] ?? 1);
  return (
    <StoryProvider id={id} hold={hold} view={view}>
      <Room>
        <Dark />
        <Head>
          <Link to={`/stories/${id}`} aria-label={say('booth.back')}>
            ← <span className="wide">{say('booth.back')}</span>
          </Link>
          <h1>{say('split.title')}</h1>
          <span style={{ flex: 1 }} />
          <Soft as="span">{say('split.length', { length: clock(inSeconds(data.samples)) })}</Soft>
        </Head>
        <div style={{ display: 'grid', gap: 12, alignContent: 'start', minWidth: 0 }}>
          <Row style={{ justifyContent: 'space-between', alignItems: 'end' }}>
            <div style={DARK}>
              <Select
                label={say('split.from')}
                value={begins[0]?.slide ?? ''}
                options={slides.map((slide, i) => [slide.id, say('slide.number', { slide: i + 1 })])}
                onChange={(slide) => setSearch({ voices, from: slide }, { replace: true })}
              />
            </div>
            <Row>
              <Button onPress={() => setZoom((now) => now - 1)} isDisabled={zoom === 0}>
                {say('split.further')}
              </Button>
              <Button onPress={() => setZoom((now) => now + 1)} isDisabled={zoom === ZOOMS.length - 1}>
                {say('split.nearer')}
              </Button>
            </Row>
          </Row>
          <Soft>{say(begins.length === 0 ? 'split.nobody' : 'split.hint')}</Soft>
          <Thread aria-label={say('split.title')} tabIndex={0}>
            <div className="whole" style={{ width }} dir="ltr">
              <div className="pictures">
                {begins.map(({ slide: of, number, at }, i) => {
                  const slide = slides.find((one) => one.id === of);
                  const scene = view.plan.scenes.find((one) => one.id === of);
                  const end = begins[i + 1]?.at ?? data.samples;
                  return (
                    <div
                      key={of}
                      className="part"
                      style={{ left: shareOf(at, data.samples), width: shareOf(Math.max(0, end - at), data.samples) }}
                    >
                      {number}
                      {slide && scene && (
                        <ComposedSlide
                          scene={scene}
                          ratio={view.plan.width / view.plan.height}
                          picture={assetOf(view.story, pictureOf(slide)?.asset, 'picture')?.file ?? ''}
                          words={writtenOn(slide, view.story.title)}
                        />
                      )}
                    </div>
                  );
                })}
              </div>
              <div style={{ position: 'relative' }}>
                <Waveform
                  peaks={closer(data.peaks)}
                  samples={data.samples}
                  pauses={data.pauses}
                  repeats={[]}
                  mark={null}
                  onMark={({ from: at }) => hearAt(at)}
                  onPoint={hearAt}
                />
                {begins.length > 1 && (
                  <Boundaries
                    begins={begins.slice(1)}
                    samples={data.samples}
                    onChange={setMoved}
                    onRest={(_, at) => hearAt(at)}
                  />
                )}
              </div>
            </div>
          </Thread>
          <List>
            {begins.map(({ slide: of, number, at, isSure }, i) => (
              <li key={of}>
                <IconButton label={say('split.hear', { slide: number })} onPress={() => hearAt(at)}>
                  <PlayIcon />
                </IconButton>
                <span>{say('split.begins', { slide: number, at: clock(inSeconds(at)) })}</span>
                <span className="words">{slides.find((one) => one.id === of)?.script}</span>
                {i > 0 && !isSure && <span className="guess">{say('split.unsure')}</span>}
              </li>
            ))}
          </List>
        </div>
        <Row style={{ justifyContent: 'center' }}>
          <Button onPress={() => setMoved(null)} isDisabled={moved === null}>
            {say('split.best-fit')}
          </Button>
          <Act className="control" onPress={() => void divide()} isPending={isBusy} isDisabled={begins.length === 0}>
            {say('split.do')}
          </Act>
        </Row>
      </Room>
    </StoryProvider>
  );
}
