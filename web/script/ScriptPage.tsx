import { Suspense, useCallback, useMemo, useRef, useState } from 'react';
import { DIRECTORY_DRAG_TYPE, DropZone, FileTrigger } from 'react-aria-components';
import { useParams, useSearchParams } from 'react-router';
import styled, { css } from 'styled-components';
import { sentence } from '../api/client';
import type { Remark, StoryView } from '../api/types';
import { Arrivals } from '../assets/Arrivals';
import { Camera } from '../assets/Camera';
import { clipFiles, pictureFiles } from '../assets/kinds';
import { Boundary } from '../parts/Boundary';
import { Act, Quiet, Row, Soft } from '../parts/controls';
import { Drawer } from '../parts/Drawer';
import { PlusIcon } from '../parts/icons';
import { place } from '../parts/place';
import { useWide } from '../parts/useWide';
import { useSteady } from '../parts/useSteady';
import { Page } from '../parts/Page';
import { Preview, type PreviewHandle } from '../stage/Preview';
import { StoryProvider } from '../story/StoryContext';
import { pictureOf } from '../story/slides';
import { StoryHead } from '../story/StoryHead';
import { Together } from '../together/Together';
import { newId, useStory, type StoryHold } from '../story/useStory';
import { arrange } from './arrange';
import { DistanceField, useDistance, type Distance } from './Distance';
import { Keys } from './Keys';
import { useRows } from './rows';
import { Sheet } from './Sheet';
import { SlidePanel } from './SlidePanel';
import { Returned, StorySheets } from './StorySheets';
import { useArranging } from './useArranging';
import { useBringing } from './useBringing';
import { useCopying } from './useCopying';
import { wanting } from './wanting';
import { useSheetKeys } from './useSheetKeys';
import { SLIDE } from './useSlideDrag';
import { say } from '../messages/say';

const AllView = place(() => import('./all/AllView'));
const OneView = place(() => import('./one/OneView'));

const Layout = styled.div<{ $beside: boolean; $fills: boolean }>`
  display: grid;
  gap: 12px 24px;
  grid-template-columns: minmax(0, 1fr);
  align-items: start;
  ${({ $beside }) =>
    $beside &&
    css`
      @media (min-width: 1024px) {
        grid-template-columns: minmax(0, 1fr) minmax(320px, 400px);
      }
    `}
  ${({ $fills }) =>
    $fills &&
    css`
      align-items: stretch;
      min-height: 0;
      > * {
        min-height: 0;
      }
    `}
`;
const Side = styled.div`
  position: sticky;
  top: 12px;
  display: grid;
  gap: 12px;
  max-height: calc(100vh - 24px);
  overflow: auto;
  padding: 4px;
  margin: -4px;
  scrollbar-width: thin;
  @media (max-width: 1023px) {
    position: static;
    max-height: none;
    overflow: visible;
    order: -1;
  }
`;
const Zone = styled(DropZone)<{ $fills: boolean }>`
  display: ${({ $fills }) => ($fills ? 'flex' : 'grid')};
  flex-direction: column;
  gap: 12px;
  min-width: 0;
  border-radius: var(--radius);
  outline-offset: 6px;
  &[data-drop-target] {
    outline: 3px dashed var(--indigo);
    background: var(--indigo-wash);
  }
`;
const KeysPlace = styled.span`
  @media (hover: none) {
    display: none;
  }
`;
/** Many pictures may come in one archive. */
const kinds = [...pictureFiles, ...clipFiles, '.zip'];
const nothing: ReadonlySet<string> = new Set();
const none: Remark[] = [];
const nobody: string[] = [];

export default function ScriptPage() {
  const { id = '' } = useParams();
  const hold = useStory(id);
  const { view, error } = hold;
  if (!view) {
    return (
      <Page title={say('script.title')} wide>
        {error ? <Soft role="alert">{sentence(error)}</Soft> : <Soft>{say('script.fetching')}</Soft>}
      </Page>
    );
  }
  return (
    <StoryProvider id={id} hold={hold} view={view}>
      <Script id={id} hold={hold} view={view} />
    </StoryProvider>
  );
}

/** The story as one sheet, from the distance that is chosen. */
function Script({ id, hold, view }: { id: string; hold: StoryHold; view: StoryView }) {
  const { edit } = hold;
  const { slides } = view.story;
  const preview = useRef<PreviewHandle>(null);
  const wide = useWide();
  const [distance, setDistance] = useDistance();
  const [search] = useSearchParams();
  // A slide that is to be brought into view: from Proof on another page, from the other distance.
  const [meant, setMeant] = useState<{ slide: string; from: Distance } | null>(() => {
    const slide = search.get('slide');
    return slide === null ? null : { slide, from: distance };
  });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => (meant === null ? nothing : new Set([meant.slide])));
  // What was taken back stands no more.
  const last = view.handIns.find(({ state }) => state !== 'withdrawn');
  const remarks = last?.state === 'returned' ? last.remarks : none;

  const { acts, asked } = useArranging(hold, slides);
  const all = useRows(remarks);
  const rows = useMemo(() => arrange(all, asked), [all, asked]);
  const picked = useMemo(() => rows.filter(({ id: slide }) => chosen.has(slide)).map((row) => row.id), [rows, chosen]);

  const showSlide = useSteady((slide: string) => {
    const planned = view.plan.scenes.find((s) => s.id === slide);
    // Past the transition, where the slide stands alone.
    if (planned) preview.current?.show(planned.start + planned.comesIn);
  });
  const choose = useSteady((keys: ReadonlySet<string>) => {
    setChosen(keys);
    const [first] = keys;
    if (keys.size === 1 && first) showSlide(first);
  });
  const towards = {
    // The other distance is there a moment later than it is asked for.
    meant: meant?.from === distance && slides.some((s) => s.id === meant.slide) ? meant.slide : null,
    onMet: useSteady(() => {
      if (meant !== null) showSlide(meant.slide);
      setMeant(null);
    }),
  };
  /** To the script of a slide. */
  const open = useSteady((slide: string) => {
    setDistance('script');
    choose(new Set([slide]));
    setMeant({ slide, from: 'script' });
  });
  /** What Proof speaks of is shown where one is. */
  const pick = useSteady((slide: string) => {
    choose(new Set([slide]));
    setMeant({ slide, from: distance });
  });
  const look = useSteady((next: Distance) => {
    setDistance(next);
    const [slide] = picked;
    setMeant(slide === undefined ? null : { slide, from: next });
  });
  const addTitle = useCallback(() => {
    const slide = newId();
    // A story opens with a title; the titles of its parts follow what is chosen, or stand last.
    const after = slides[0]?.layout === 'title' ? (picked.at(-1) ?? slides.at(-1)?.id ?? null) : null;
    void edit({
      do: 'add slide',
      slide: {
        id: slide,
        layout: after === null ? 'title' : 'part',
        layers: [{ id: 'title', kind: 'words', role: 'title', text: after === null ? '' : say('script.new-part') }],
      },
      after,
    }).then(() => setChosen(new Set([slide])));
  }, [edit, picked, slides]);

  const playFrom = useSteady((slide: string | undefined) =>
    preview.current?.play(view.plan.scenes.find((s) => s.id === slide)?.start ?? 0),
  );
  const pictured = (slide: string | undefined) => slides.find((one) => one.id === slide && pictureOf(one))?.id;
  const pictures = useBringing(id, hold, picked);
  // From near there is nothing to choose or to arrange: its keys are for what is done to the one slide.
  const arranged = distance === 'one' ? nobody : picked;
  const copying = useCopying({ id, hold, slides, picked: arranged, remove: acts.remove, onPasted: setChosen });
  const rowActs = useMemo(() => ({ ...acts, play: playFrom }), [acts, playFrom]);
  const keys = useSheetKeys({
    hold,
    picked: arranged,
    acts,
    play: () => playFrom(picked[0]),
    none: () => setChosen(nothing),
    look,
  });
  const panel = (
    <Boundary place={say('script.the-settings')} resetOn={[view.revision, picked.join()]}>
      <SlidePanel picked={picked} onNone={() => setChosen(nothing)} />
    </Boundary>
  );
  return (
    <Page title={view.story.title} wide fills={distance !== 'script'} head={<StoryHead id={id} hold={hold} />}>
      <h1 className="unseen">{say('script.of', { title: view.story.title })}</h1>
      <Row style={{ gap: '8px 6px' }}>
        <DistanceField value={distance} onChange={look} />
        <FileTrigger allowsMultiple acceptedFileTypes={kinds} onSelect={(files) => files && pictures.files(files)}>
          <Act>
            <PlusIcon /> {say('script.bring-in')}
          </Act>
        </FileTrigger>
        <Camera onTaken={pictures.taken} />
        <Quiet onPress={addTitle}>{say('script.add-title')}</Quiet>
        {!wide && distance === 'script' && picked.length > 0 && (
          <Drawer
            label={say('slide.chosen', {
              count: picked.length,
              slide: slides.findIndex((s) => s.id === picked[0]) + 1,
            })}
          >
            {panel}
          </Drawer>
        )}
        <Together />
        <StorySheets onPick={pick} />
        <KeysPlace>
          <Keys />
        </KeysPlace>
      </Row>
      <Layout ref={keys} $beside={distance === 'script'} $fills={distance !== 'script'}>
        <Zone
          $fills={distance !== 'script'}
          aria-label={say('script.sheet')}
          getDropOperation={(types) =>
            types.has(DIRECTORY_DRAG_TYPE) || kinds.some((kind) => types.has(kind)) || !types.has(SLIDE)
              ? 'copy'
              : 'cancel'
          }
          onDrop={(event) =>
            // From near there is one slide to drop it on.
            pictures.dropped(event.items, undefined, distance === 'one' ? pictured(picked[0]) : undefined)
          }
        >
          <Returned answer={last} remarks={remarks} />
          <Arrivals
            arrivals={pictures.arrivals}
            onAgain={pictures.again}
            onPutAway={pictures.putAway}
            wanting={wanting(view.proof)}
            onShow={(slides) => setChosen(new Set(slides))}
          />
          <Boundary place={say('script.the-sheet')} resetOn={[view.revision]}>
            {distance === 'all' ? (
              <Suspense fallback={<Soft>{say('page.one-moment')}</Soft>}>
                <AllView
                  rows={rows}
                  chosen={chosen}
                  picked={picked}
                  onChoose={choose}
                  onOpen={open}
                  onFiles={pictures.dropped}
                  acts={acts}
                  copying={copying}
                  {...towards}
                />
              </Suspense>
            ) : distance === 'one' ? (
              <Suspense fallback={<Soft>{say('page.one-moment')}</Soft>}>
                <OneView rows={rows} picked={picked} onChoose={choose} />
              </Suspense>
            ) : (
              <Sheet
                rows={rows}
                chosen={chosen}
                onChoose={choose}
                acts={rowActs}
                move={acts.move}
                onFiles={pictures.dropped}
                {...towards}
              />
            )}
          </Boundary>
          {slides.length <= 1 && pictures.arrivals.length === 0 && <Soft>{say('script.empty')}</Soft>}
        </Zone>
        {distance === 'script' && (
          <Side>
            <Boundary place={say('script.the-preview')} resetOn={[view.revision]}>
              <Preview ref={preview} story={id} plan={view.plan} />
            </Boundary>
            {wide && panel}
          </Side>
        )}
      </Layout>
    </Page>
  );
}
