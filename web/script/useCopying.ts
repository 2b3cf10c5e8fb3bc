import { useEffect, useMemo, useState } from 'react';
import { copiedBy, keepCopied } from '../api/copied';
import { useSession } from '../api/session';
import type { Slide } from '../api/types';
import { useTell } from '../parts/notices';
import { useSteady } from '../parts/useSteady';
import { captionTexts, textOf } from '../story/slides';
import { newId, type StoryHold } from '../story/useStory';
import { say } from '../messages/say';
import { isWriting } from './useSheetKeys';

interface Props {
  id: string;
  hold: StoryHold;
  slides: Slide[];
  picked: string[];
  remove: (ids: string[]) => void;
  /** The slides that came in. */
  onPasted: (ids: ReadonlySet<string>) => void;
}

export interface Copying {
  copy: () => void;
  cut: () => void;
  /** Undefined where nothing is copied. */
  paste: (() => void) | undefined;
}

/** What of slides can be pasted elsewhere as words. */
const wordsOf = (slide: Slide): string =>
  [textOf(slide, 'title'), ...captionTexts(slide), slide.script].filter((text) => text !== '').join('\n');

/** Slides are copied, cut and pasted, here and into another story: by the browser's own keys, or by buttons. */
export function useCopying({ id, hold, slides, picked, remove, onPasted }: Props): Copying {
  const { person } = useSession();
  const tell = useTell();
  const [taken, setTaken] = useState(0);
  const can = useMemo(() => taken > 0 || copiedBy(person?.id) !== null, [person, taken]);

  /** @returns what the system's clipboard is to hold of them */
  const take = useSteady((isCut: boolean): string => {
    const chosen = slides.filter((slide) => picked.includes(slide.id));
    // Slides without a word are told by how many they are.
    const text = chosen.map(wordsOf).join('\n\n').trim() || say('arrange.chosen', { count: chosen.length, slide: 1 });
    keepCopied({ person: person?.id ?? '', story: id, slides: chosen, text });
    setTaken((count) => count + 1);
    if (isCut) remove(picked);
    else tell(say('arrange.copied', { count: chosen.length }));
    return text;
  });
  const paste = useSteady(async () => {
    const copied = copiedBy(person?.id);
    if (!copied) return;
    const ids = copied.slides.map(newId);
    const after = picked.at(-1) ?? slides.at(-1)?.id ?? null;
    if (await hold.paste(copied.story, copied.slides, ids, after)) onPasted(new Set(ids));
  });

  useEffect(() => {
    const isOurs = (event: ClipboardEvent) => !isWriting(event.target) && (window.getSelection()?.isCollapsed ?? true);
    const taking = (event: ClipboardEvent) => {
      if (!isOurs(event) || picked.length === 0 || document.querySelector('[role=dialog]')) return;
      event.preventDefault();
      event.clipboardData?.setData('text/plain', take(event.type === 'cut'));
    };
    const pasting = (event: ClipboardEvent) => {
      const text = event.clipboardData?.getData('text/plain') ?? '';
      // Something else was copied since, elsewhere.
      if (!isOurs(event) || text === '' || copiedBy(person?.id)?.text !== text) return;
      event.preventDefault();
      void paste();
    };
    window.addEventListener('copy', taking);
    window.addEventListener('cut', taking);
    window.addEventListener('paste', pasting);
    return () => {
      window.removeEventListener('copy', taking);
      window.removeEventListener('cut', taking);
      window.removeEventListener('paste', pasting);
    };
  }, [paste, person, picked, take]);

  /** Pressed: the system's clipboard is written if the browser lets us. */
  const press = (isCut: boolean) => void navigator.clipboard?.writeText(take(isCut)).catch(() => undefined);
  return { copy: () => press(false), cut: () => press(true), paste: can ? () => void paste() : undefined };
}
