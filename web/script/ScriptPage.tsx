import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { DIRECTORY_DRAG_TYPE, DropZone, FileTrigger, type DropItem } from 'react-aria-components';
import { useParams, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { sentence } from '../api/client';
import type { Remark } from '../api/types';
import { Arrivals } from '../assets/Arrivals';
import { Camera } from '../assets/Camera';
import { gatherDropped, gatherFiles } from '../assets/gather';
import { pictureFiles } from '../assets/kinds';
import { useArrivals } from '../assets/useArrivals';
import { Boundary } from '../parts/Boundary';
import { Act, Button, Row, Soft } from '../parts/controls';
import { Drawer } from '../parts/Drawer';
import { PlusIcon } from '../parts/icons';
import { useTell } from '../parts/notices';
import { useWide } from '../parts/useWide';
import { useSteady } from '../parts/useSteady';
import { Page } from '../parts/Page';
import { Preview, type PreviewHandle } from '../stage/Preview';
import { StoryProvider } from '../story/StoryContext';
import { StoryHead } from '../story/StoryHead';
import { newId, useStory } from '../story/useStory';
import { Keys } from './Keys';
import { Sheet, SLIDE } from './Sheet';
import { SlidePanel } from './SlidePanel';
import { useSheetKeys } from './useSheetKeys';
import { say } from '../messages/say';

const Layout = styled.div`
  display: grid;
  gap: 12px 24px;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 400px);
  align-items: start;
  @media (max-width: 1023px) {
    grid-template-columns: minmax(0, 1fr);
  }
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
const Zone = styled(DropZone)`
  display: grid;
  gap: 12px;
  min-width: 0;
  border-radius: var(--radius);
  outline-offset: 6px;
  &[data-drop-target] {
    outline: 3px dashed var(--indigo);
    background: var(--indigo-wash);
  }
`;
const Hint = styled.span`
  color: var(--soft);
  @media (hover: none), (max-width: 760px) {
    display: none;
  }
`;
const KeysPlace = styled.span`
  margin-inline-start: auto;
  @media (hover: none) {
    display: none;
  }
`;
/** Many pictures may come in one archive. */
const kinds = [...pictureFiles, '.zip'];
const nothing: ReadonlySet<string> = new Set();
const none: Remark[] = [];

export default function ScriptPage() {
  const { id = '' } = useParams();
  const hold = useStory(id);
  const { view, error, edit } = hold;
  const pictures = useArrivals(id, hold);
  const tell = useTell();
  const preview = useRef<PreviewHandle>(null);
  const wide = useWide();
  const [search] = useSearchParams();
  // From Proof on another page: the slide that was meant.
  const meant = search.get('slide');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => (meant === null ? nothing : new Set([meant])));
  const slides = useMemo(() => view?.story.slides ?? [], [view]);
  const picked = useMemo(() => slides.filter((s) => chosen.has(s.id)).map((s) => s.id), [slides, chosen]);

  const showSlide = useCallback(
    (slide: string) => {
      const planned = view?.plan.scenes.find((s) => s.id === slide);
      // Past the transition, where the slide stands alone.
      if (planned) preview.current?.show(planned.start + planned.comesIn);
    },
    [view],
  );
  const choose = useSteady((keys: ReadonlySet<string>) => {
    setChosen(keys);
    const [first] = keys;
    if (keys.size === 1 && first) showSlide(first);
  });
  const known = meant !== null && slides.some((s) => s.id === meant);
  useEffect(() => {
    if (!known) return undefined;
    choose(new Set([meant]));
    // A long sheet is drawn little by little.
    let frame = requestAnimationFrame(function look() {
      const row = document.querySelector(`[data-key="${CSS.escape(meant)}"]`);
      if (row) row.scrollIntoView({ block: 'center' });
      else frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
  }, [choose, known, meant]);
  const remove = useSteady((ids: string[]) => {
    if (ids.length === 0) return;
    void edit({ do: 'delete slides', slides: ids }).then((done) => {
      if (done)
        tell(say('script.deleted', { count: ids.length }), {
          action: { label: say('story.undo'), run: () => void hold.undo() },
        });
    });
  });
  const duplicate = useSteady(
    (ids: string[]) => void edit({ do: 'duplicate slides', slides: ids, copies: ids.map(newId) }),
  );
  const move = useSteady((ids: string[], by: -1 | 1) => {
    const places = ids.map((slide) => slides.findIndex((s) => s.id === slide));
    const goal = by < 0 ? Math.min(...places) - 2 : Math.max(...places) + 1;
    if ((by < 0 && Math.min(...places) <= 0) || (by > 0 && goal >= slides.length)) return;
    void edit({ do: 'move slides', slides: ids, after: goal < 0 ? null : (slides[goal]?.id ?? null) });
  });
  const addTitle = useCallback(() => {
    const slide = newId();
    // A story opens with a title; the titles of its parts follow what is chosen, or stand last.
    const after = slides[0]?.layout === 'title' ? (picked.at(-1) ?? slides.at(-1)?.id ?? null) : null;
    void edit({
      do: 'add slide',
      slide: {
        id: slide,
        layout: 'title',
        layers: [{ id: 'title', kind: 'words', role: 'title', text: after === null ? '' : say('script.new-part') }],
      },
      after,
    }).then(() => setChosen(new Set([slide])));
  }, [edit, picked, slides]);

  const playFrom = useSteady((slide: string | undefined) =>
    preview.current?.play(view?.plan.scenes.find((s) => s.id === slide)?.start ?? 0),
  );

  const { bringIn } = pictures;
  const bringDropped = useSteady(
    (items: DropItem[], behind?: string) => void gatherDropped(items).then((files) => bringIn(files, behind)),
  );
  const bringFiles = useSteady((files: Iterable<File>) => void gatherFiles(files).then((got) => bringIn(got)));
  // Pasted anywhere but into words: it goes behind what is chosen, or to the end.
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])];
      const isWriting =
        (event.target as Element).matches('input, textarea') && event.clipboardData?.getData('text') !== '';
      if (files.length === 0 || isWriting) return;
      event.preventDefault();
      void gatherFiles(files).then((got) => bringIn(got, picked.at(-1)));
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, [bringIn, picked]);

  const acts = useMemo(() => ({ remove, duplicate, move, play: playFrom }), [remove, duplicate, move, playFrom]);
  const keys = useSheetKeys({
    hold,
    picked,
    remove,
    duplicate,
    move,
    play: () => playFrom(picked[0]),
    none: () => setChosen(nothing),
  });

  if (!view) {
    return (
      <Page title={say('script.title')} wide>
        {error ? <Soft role="alert">{sentence(error)}</Soft> : <Soft>{say('script.fetching')}</Soft>}
      </Page>
    );
  }
  const remarks = view.handIns[0]?.state === 'returned' ? view.handIns[0].remarks : none;
  const panel = (
    <Boundary place={say('script.the-settings')} resetOn={[view.revision, picked.join()]}>
      <SlidePanel
        picked={picked}
        remarks={remarks}
        answer={view.handIns[0]}
        onPick={(slide) => choose(new Set([slide]))}
        onNone={() => setChosen(nothing)}
      />
    </Boundary>
  );
  return (
    <StoryProvider id={id} hold={hold} view={view}>
      <Page title={view.story.title} wide head={<StoryHead id={id} hold={hold} />}>
        <h1 className="unseen">{say('script.of', { title: view.story.title })}</h1>
        <Layout ref={keys}>
          <Zone
            aria-label={say('script.sheet')}
            getDropOperation={(types) =>
              types.has(DIRECTORY_DRAG_TYPE) || kinds.some((kind) => types.has(kind)) || !types.has(SLIDE)
                ? 'copy'
                : 'cancel'
            }
            onDrop={(event) => bringDropped(event.items)}
          >
            <Row>
              <FileTrigger allowsMultiple acceptedFileTypes={kinds} onSelect={(files) => files && bringFiles(files)}>
                <Act>
                  <PlusIcon /> {say('script.bring-in')}
                </Act>
              </FileTrigger>
              <Camera onTaken={(file) => bringIn([file], picked.at(-1))} />
              <Button onPress={addTitle}>{say('script.add-title')}</Button>
              {!wide && (
                <Drawer
                  label={
                    picked.length === 0
                      ? say('whole.title')
                      : say('slide.chosen', {
                          count: picked.length,
                          slide: slides.findIndex((s) => s.id === picked[0]) + 1,
                        })
                  }
                >
                  {panel}
                </Drawer>
              )}
              <Hint>{say('script.or-drop')}</Hint>
              <KeysPlace>
                <Keys />
              </KeysPlace>
            </Row>
            <Arrivals arrivals={pictures.arrivals} onAgain={pictures.useAgain} onPutAway={pictures.putAway} />
            <Boundary place={say('script.the-sheet')} resetOn={[view.revision]}>
              <Sheet chosen={chosen} onChoose={choose} acts={acts} remarks={remarks} onFiles={bringDropped} />
            </Boundary>
            {slides.length <= 1 && pictures.arrivals.length === 0 && <Soft>{say('script.empty')}</Soft>}
          </Zone>
          <Side>
            <Boundary place={say('script.the-preview')} resetOn={[view.revision]}>
              <Preview ref={preview} story={id} plan={view.plan} />
            </Boundary>
            {wide && panel}
          </Side>
        </Layout>
      </Page>
    </StoryProvider>
  );
}
