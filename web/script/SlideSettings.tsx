import styled from 'styled-components';
import type { PictureLayer, Slide } from '../api/types';
import { recipeOf, turned } from '../mend/recipe';
import { offered, Picks } from '../parts/Choice';
import { Button, Card, IconButton, Row } from '../parts/controls';
import { CloseIcon, TurnLeftIcon, TurnRightIcon } from '../parts/icons';
import { Toggle } from '../parts/Toggle';
import { useActs, useView } from '../story/StoryContext';
import { assetOf, pictureOf, picturesOf, shownOn, textOf, isWordsAlone, trimmed } from '../story/slides';
import { ArrangeField } from './cells/ArrangeField';
import { useDistance } from './Distance';
import { GroundField } from './GroundField';
import { OverFields } from './OverFields';
import { SourceFields } from './SourceFields';
import { StayField } from './StayField';
import { TakePicture } from './TakePicture';
import { WordsSpot } from './words/WordsSpot';
import { say, type Code } from '../messages/say';

const Findings = styled.ul`
  display: grid;
  gap: 6px;
  li {
    border-inline-start: 4px solid var(--ochre);
    padding: 2px 10px;
  }
  li.must {
    border-color: var(--madder);
  }
  button {
    text-align: start;
    white-space: normal;
  }
`;
/** Of many chosen slides only so much is said here; Proof says it all. */
const SAID = 3;
type Parts = { [K in 'framing' | 'recipe']?: Partial<PictureLayer[K]> };

interface Props {
  /** One slide at least. */
  picked: string[];
  /** Nothing is chosen any more; left out where something always is. */
  onNone?: () => void;
  /** Whether the slide is seen near, where what else can be set of it has groups of its own. */
  isNear?: boolean;
}

/** What can be set for the chosen slides. */
export default function SlideSettings({ picked, onNone, isNear = false }: Props) {
  const view = useView();
  const { story } = view;
  const slides = story.slides.filter((s) => picked.includes(s.id));
  const [first] = slides;
  if (!first) return null;
  const index = story.slides.indexOf(first);
  const findings = view.proof.flatMap((f) => {
    const own = f.slides.filter((slide) => picked.includes(slide.id));
    return own.map(({ message }) => ({ level: f.level, said: say(message) }));
  });
  return (
    <Card aria-label={say('slide.settings')} key={first.id}>
      <Row style={{ justifyContent: 'space-between', flexWrap: 'nowrap' }}>
        <h2>{say('slide.chosen', { count: slides.length, slide: index + 1 })}</h2>
        {onNone && (
          <IconButton label={say('slide.choose-nothing')} onPress={onNone}>
            <CloseIcon />
          </IconButton>
        )}
      </Row>
      <Findings>
        {findings.slice(0, SAID).map((finding) => (
          <li key={finding.said} className={finding.level}>
            {finding.said}
          </li>
        ))}
      </Findings>
      {!isNear && slides.length === 1 && hasWordsOnPicture(first) && <WordsSpot slide={first} />}
      <StayField slides={slides} />
      {slides.length === 1 && <Silence slide={first} />}
      <AloneField slides={slides} />
      {!isNear && <ArrangeField slides={slides} />}
      <PictureFields slides={slides} isNear={isNear} />
      {/* The slide keeps its words and its voice. */}
      {slides.length === 1 && picturesOf(first).length === 1 && (
        <Row>
          <TakePicture key={first.id} onto={{ slide: first.id }} label={say('picture.take-another')} />
        </Row>
      )}
      {!isNear && <OverFields slides={slides} />}
      <PictureSource slides={slides} />
    </Card>
  );
}

const alone: ['title' | 'part' | 'closing', Code][] = [
  ['title', 'alone.title'],
  ['part', 'alone.part'],
  ['closing', 'alone.closing'],
];

/** What slides of words alone are for. */
function AloneField({ slides }: { slides: Slide[] }) {
  const { edit } = useActs();
  const shown = slides.filter(isWordsAlone);
  const now = alone.find(([layout]) => layout === shown[0]?.layout)?.[0];
  if (!now) return null;
  // What a new part is called at first is no heading of anything else.
  const unnamed = shown.filter((slide) => textOf(slide, 'title') === say('script.new-part'));
  const change = (layout: typeof now) =>
    void edit(
      { do: 'arrange', slides: shown.map(({ id }) => id), layout },
      ...unnamed.map(
        ({ id }) => ({ do: 'set layer', slide: id, layer: 'title', kind: 'words', changes: { text: '' } }) as const,
      ),
    );
  return <Picks label={say('alone.label')} value={now} options={offered(alone)} onChange={change} />;
}

/** Whether words stand, or may stand, on its picture. */
const hasWordsOnPicture = ({ layout, layers }: Slide): boolean =>
  layout === 'full' ||
  layers.some((layer) => layer.kind === 'words' && layer.cell === undefined && layer.role !== 'title');

/** Where there is silence around the voice, it may be left out. */
function Silence({ slide }: { slide: Slide }) {
  const { edit } = useActs();
  const left = trimmed(slide, assetOf(useView().story, slide.voice[0]?.asset, 'voice'));
  return left === null ? null : (
    <Toggle isSelected={left} onChange={(to) => void edit({ do: 'set trim', slide: slide.id, trimmed: to })}>
      {say('voice.leave-out-silence')}
    </Toggle>
  );
}

function PictureFields({ slides, isNear }: { slides: Slide[]; isNear: boolean }) {
  const { edit } = useActs();
  const { story } = useView();
  const [distance, setDistance] = useDistance();
  const pictured = slides.filter((slide) => pictureOf(slide));
  const picture = pictured[0] && pictureOf(pictured[0]);
  if (!picture) return null;
  const set = (changes: Partial<Omit<PictureLayer, 'framing' | 'recipe'>> & Parts) =>
    void edit({ do: 'set layers', slides: pictured.map((s) => s.id), kind: 'picture', changes });
  // What is kept of each turns with it: each has its own.
  const turn = (by: 90 | 270) => set({ recipe: { turn: turned(recipeOf(picture), by).turn } });
  return (
    <>
      <Picks
        label={say('fit.title')}
        value={picture.fit}
        options={[
          ['auto', say('fit.auto')],
          ['fill', say('fit.fill')],
          ['whole', say('fit.whole')],
        ]}
        onChange={(fit) => set({ fit })}
      />
      {picture.fit !== 'fill' && picture.cell === undefined && (
        <GroundField slides={pictured.map((s) => s.id)} picture={picture} />
      )}
      {!isNear && (
        <Row>
          <Button onPress={() => turn(270)}>
            <TurnLeftIcon /> {say('picture.turn-left')}
          </Button>
          <Button onPress={() => turn(90)}>
            <TurnRightIcon /> {say('picture.turn-right')}
          </Button>
          {distance === 'script' && <Button onPress={() => setDistance('one')}>{say('mend.title')}</Button>}
        </Row>
      )}
      {/* A clip moves already. */}
      {!isNear && pictured.some((slide) => !assetOf(story, pictureOf(slide)?.asset, 'picture')?.clip) && (
        <Toggle
          isSelected={picture.framing.motion !== 'still'}
          onChange={(moves) => set({ framing: { motion: moves ? 'auto' : 'still' } })}
        >
          {say('framing.moves')}
        </Toggle>
      )}
    </>
  );
}

function PictureSource({ slides }: { slides: Slide[] }) {
  const assets = [...new Set(slides.flatMap(shownOn))];
  return assets.length === 0 ? null : (
    <>
      <h3>{say('source.title')}</h3>
      <SourceFields
        key={assets[0]}
        assets={assets}
        mine={say('source.mine', { count: assets.length })}
        labels={{
          title: say('source.work'),
          author: say('source.author'),
          link: say('source.link'),
          licence: say('source.licence'),
        }}
      />
    </>
  );
}
