import type { Layer, PictureLayer, Slide, StoryDocument, Voice, WordsLayer } from '../api/types';

/** The pictures that a slide shows, in the order of their cells. */
export const picturesOf = (slide: Slide): PictureLayer[] =>
  slide.layers
    .filter((layer): layer is PictureLayer => layer.kind === 'picture')
    .toSorted((a, b) => (a.cell ?? 0) - (b.cell ?? 0));

/** The picture that a slide shows: that of a layer, or the first. */
export const pictureOf = (slide: Slide, layer?: string): PictureLayer | undefined => {
  const pictures = picturesOf(slide);
  return pictures.find(({ id }) => id === layer) ?? pictures[0];
};

/** The pictures that are seen on a slide, small ones too. */
export const shownOn = (slide: Slide): string[] => [
  ...picturesOf(slide).map(({ asset }) => asset),
  ...slide.layers.flatMap((layer) => (layer.kind === 'icon' && layer.asset ? [layer.asset] : [])),
];

/** What lies in a cell of a slide. */
export const inCell = (slide: Slide, cell: number): Layer | undefined =>
  slide.layers.find((layer) => layer.cell === cell);

export const wordsOf = (slide: Slide, role: WordsLayer['role']): WordsLayer | undefined =>
  slide.layers.find((layer): layer is WordsLayer => layer.kind === 'words' && layer.role === role);

/** The text of one of its words; a title that says nothing is the story's own. */
export const textOf = (slide: Slide, role: WordsLayer['role']): string => wordsOf(slide, role)?.text ?? '';

/** All the words on a slide's picture, in the order in which they were put there. */
export const wordsOnPicture = (slide: Slide): WordsLayer[] =>
  slide.layers.filter(
    (layer): layer is WordsLayer => layer.kind === 'words' && layer.role !== 'title' && layer.role !== 'subtitle',
  );

export const captionTexts = (slide: Slide): string[] =>
  wordsOnPicture(slide).flatMap(({ text, by }) => (text === '' ? [] : [by ? `${text}, ${by}` : text]));

/** Whether it has words and no picture: it opens the story or a part of it, or closes it. */
export const isWordsAlone = ({ layout = 'full' }: Slide): boolean => ['title', 'part', 'closing'].includes(layout);

/** What is written on a slide, to name it by. */
export const writtenOn = (slide: Slide, title: string): string =>
  isWordsAlone(slide)
    ? textOf(slide, 'title') || (slide.layout === 'title' ? title : textOf(slide, 'subtitle'))
    : captionTexts(slide).join(' · ');

/** An asset of a kind, where the story holds it. */
export function assetOf<K extends 'picture' | 'voice' | 'music'>(
  story: StoryDocument,
  id: string | undefined,
  kind: K,
): Extract<StoryDocument['assets'][string], { kind: K }> | undefined {
  const asset = id === undefined ? undefined : story.assets[id];
  return asset?.kind === kind ? (asset as Extract<StoryDocument['assets'][string], { kind: K }>) : undefined;
}

/** The take that a slide begins to speak with. */
export const voiceOf = (slide: Slide): string | null => slide.voice[0]?.asset ?? null;

/** Whether silence before and after the voice of a slide is left out; null where there is none. */
export function trimmed(slide: Slide, voice: Voice | undefined): boolean | null {
  const [first] = slide.voice;
  const last = slide.voice.at(-1);
  if (!voice || !first || !last || (voice.from === 0 && voice.to === voice.samples)) return null;
  return first.from >= voice.from && last.to <= voice.to;
}

/** How many samples of voice a slide speaks. */
export const spokenSamples = (slide: Slide): number => slide.voice.reduce((sum, { from, to }) => sum + to - from, 0);
