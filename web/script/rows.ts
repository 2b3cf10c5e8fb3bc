import { useMemo, useRef } from 'react';
import type { Selection } from 'react-aria-components';
import type { Remark, Scene, Slide, Voice } from '../api/types';
import { names } from '../parts/names';
import type { ThreadSlide } from '../parts/Thread';
import { threadOf } from '../stage/plan';
import { assetOf, pictureOf } from '../story/slides';
import { useView } from '../story/StoryContext';
import { say, type Code } from '../messages/say';

/** All that is shown of a slide, from whatever distance. */
export interface Row {
  id: string;
  index: number;
  last: boolean;
  slide: Slide;
  scene: Scene | undefined;
  thread: ThreadSlide | undefined;
  picture: string;
  /** What the picture's file says that it shows. */
  described: string;
  voice: Voice | undefined;
  waveform: number[] | undefined;
  /** Whose voice it is, where several make the story. */
  saidBy: string;
  title: string;
  ratio: number;
  fps: number;
  loose: boolean;
  remarks: Remark[] | undefined;
}

/** What is counted anew from each plan is compared by what it says. */
const alike = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Whether two rows show the same. */
const sameRow = (a: Row, b: Row): boolean =>
  (Object.keys(a) as (keyof Row)[]).every((key) =>
    key === 'thread' || key === 'remarks' ? alike(a[key], b[key]) : a[key] === b[key],
  );

/** What a slide is called to who cannot see it. */
export const nameOf = (row: Row): string => say(kindOf(row), { slide: row.index + 1, picture: row.picture });

const alone = { title: 'slide.title', part: 'slide.part', closing: 'slide.closing' } as const;

function kindOf({ slide: { layout }, picture }: Row): Code {
  if (layout === 'title' || layout === 'part' || layout === 'closing') return alone[layout];
  return picture ? 'slide.pictured' : 'slide.bare';
}

/** What is chosen in a list. As the list hands it over it knows where a range begins, so it is handed on as it is. */
export const chosenOf = (keys: Selection, rows: readonly Row[]): ReadonlySet<string> =>
  keys === 'all' ? new Set(rows.map(({ id }) => id)) : (keys as ReadonlySet<string>);

/** The story's slides, each with all that is shown of it. One of which nothing changed is the very same, and is not drawn again. */
export function useRows(remarks: Remark[]): Row[] {
  const view = useView();
  const before = useRef(new Map<string, Row>());
  return useMemo(() => {
    const { story, plan } = view;
    const said = new Map<string, Remark[]>();
    for (const remark of remarks) said.set(remark.slide, [...(said.get(remark.slide) ?? []), remark]);
    const loose = new Set(view.proof.flatMap((finding) => finding.slides.map((s) => s.id)));
    const thread = threadOf(plan);
    const rows = story.slides.map((slide, index): Row => {
      const picture = assetOf(story, pictureOf(slide)?.asset, 'picture');
      return {
        id: slide.id,
        index,
        last: index === story.slides.length - 1,
        slide,
        scene: plan.scenes[index],
        thread: thread[index],
        picture: picture?.file ?? '',
        described: picture?.description ?? '',
        voice: assetOf(story, slide.voice[0]?.asset, 'voice'),
        waveform: view.waveforms[slide.voice[0]?.asset ?? ''],
        saidBy: view.saidBy[slide.id] ? names(view.saidBy[slide.id] ?? []) : '',
        title: story.title,
        ratio: plan.width / plan.height,
        fps: plan.fps,
        loose: loose.has(slide.id),
        remarks: said.get(slide.id),
      };
    });
    const kept = rows.map((row) => {
      const old = before.current.get(row.id);
      return old && sameRow(old, row) ? old : row;
    });
    before.current = new Map(kept.map((row) => [row.id, row]));
    return kept;
  }, [view, remarks]);
}
