import type { ReactNode } from 'react';
import limits from '../../../schema/limits.json';
import { say, type Code } from '../../messages/say';
import { isPlain, PLAIN, shared, turned, turnedBox, type Recipe } from '../../mend/recipe';
import type { Levels } from '../../mend/tables';
import { shaped, WHOLE, type Box } from '../../parts/boxes';
import { Segments } from '../../parts/Choice';
import { Button, Quiet, Row, Soft } from '../../parts/controls';
import { TurnLeftIcon, TurnRightIcon } from '../../parts/icons';
import { Level } from '../../parts/Level';
import { Toggle } from '../../parts/Toggle';
import { Looks } from './Looks';

/** What the crop keeps: nothing in particular, or the slide's shape. */
export type CropShape = 'free' | 'slide';
const { tone: MOST, straightened: MOST_STRAIGHTENED } = limits;
const steps: [key: 'light' | 'contrast' | 'warmth' | 'colour', name: Code][] = [
  ['light', 'mend.light'],
  ['contrast', 'mend.contrast'],
  ['warmth', 'mend.warmth'],
  ['colour', 'mend.colour'],
];
const signed = (value: number) => say('mend.step', { value });

interface Mending {
  recipe: Recipe;
  show: (changes: Partial<Recipe>) => void;
  set: (changes: Partial<Recipe>) => void;
}
interface FrameProps extends Mending {
  crops: boolean;
  onCrops: (crops: boolean) => void;
  shape: CropShape;
  onShape: (shape: CropShape) => void;
  /** The share of the width over the share of the height that the slide's shape has. */
  ratio: number;
  onLevelled: (levelled: boolean) => void;
  /** What lies within its black borders, where it has any: of the picture as it came. */
  unbordered: Box | null;
}

/** What part of the picture there is, and how it lies. */
export function FrameFields({
  recipe,
  show,
  set,
  crops,
  onCrops,
  shape,
  onShape,
  ratio,
  onLevelled,
  unbordered,
}: FrameProps) {
  // What is kept turns along by core's rule; here it is shown meanwhile.
  const turn = (by: 90 | 270) => {
    const to = turned(recipe, by);
    show(to);
    set({ turn: to.turn });
  };
  return (
    <>
      {unbordered && recipe.crop === null && (
        <Row>
          <Soft as="span">{say('mend.has-borders')}</Soft>
          <Button onPress={() => set({ crop: turnedBox(unbordered, recipe.turn) })}>{say('mend.cut-borders')}</Button>
        </Row>
      )}
      <Row>
        <Button onPress={() => turn(270)}>
          <TurnLeftIcon /> {say('picture.turn-left')}
        </Button>
        <Button onPress={() => turn(90)}>
          <TurnRightIcon /> {say('picture.turn-right')}
        </Button>
      </Row>
      <Level
        label={say('mend.straighten')}
        value={recipe.straighten}
        min={-MOST_STRAIGHTENED}
        max={MOST_STRAIGHTENED}
        step={0.1}
        rest={0}
        text={say('mend.degrees', { degrees: recipe.straighten })}
        onChange={(straighten) => {
          onLevelled(true);
          show({ straighten });
        }}
        onChangeEnd={(straighten) => {
          onLevelled(false);
          set({ straighten });
        }}
      />
      <Toggle isSelected={crops} onChange={onCrops}>
        {say('mend.crop')}
      </Toggle>
      {crops && (
        <>
          <Segments
            label={say('mend.crop-shape')}
            value={shape}
            options={[
              ['free', say('mend.free')],
              ['slide', say('mend.slides-shape')],
            ]}
            onChange={(next) => {
              onShape(next);
              if (next === 'slide') set({ crop: shaped(recipe.crop ?? WHOLE, ratio) });
            }}
          />
          <Soft>{say('mend.crop-keys')}</Soft>
          <Row>
            <Button onPress={() => set({ crop: null })} isDisabled={recipe.crop === null}>
              {say('mend.all-of-it')}
            </Button>
          </Row>
        </>
      )}
    </>
  );
}

interface LightProps extends Mending {
  children: ReactNode;
}

export function LightFields({ recipe, show, set, children }: LightProps) {
  return (
    <>
      <Toggle isSelected={recipe.clear} onChange={(clear) => set({ clear })}>
        {say('mend.clear')}
      </Toggle>
      {steps.map(([key, name]) => (
        <Level
          key={key}
          label={say(name)}
          value={recipe[key]}
          min={-MOST}
          max={MOST}
          rest={0}
          text={signed(recipe[key])}
          onChange={(value) => show({ [key]: value })}
          onChangeEnd={(value) => set({ [key]: value })}
        />
      ))}
      {children}
    </>
  );
}

interface LookProps extends Mending {
  picture: ImageBitmap | null;
  levels: Levels | undefined;
}

export function LookFields({ recipe, show, set, picture, levels }: LookProps) {
  return (
    <>
      <Looks picture={picture} levels={levels} recipe={recipe} onChange={(look) => set({ look, strength: MOST })} />
      {recipe.look !== null && (
        <Level
          label={say('look.strength')}
          value={recipe.strength}
          min={0}
          max={MOST}
          text={say('mend.share', { share: recipe.strength / MOST })}
          onChange={(strength) => show({ strength })}
          onChangeEnd={(strength) => set({ strength })}
        />
      )}
    </>
  );
}

interface OthersProps {
  recipe: Recipe;
  set: Mending['set'];
  /** How many other pictures are chosen, and how many others there are. */
  chosen: number;
  all: number;
  onOthers: (which: 'chosen' | 'all', changes: Partial<Recipe>) => void;
  before: ReactNode;
}

/** What is done with all of it: seen as it was, taken back, done to other pictures. */
export function Whole({ recipe, set, chosen, all, onOthers, before }: OthersProps) {
  return (
    <>
      <Row>
        {before}
        <Button onPress={() => set(PLAIN)} isDisabled={isPlain(recipe)}>
          {say('mend.as-it-came')}
        </Button>
      </Row>
      {all > 0 && (
        <Row>
          {chosen > 0 && (
            <Quiet onPress={() => onOthers('chosen', shared(recipe))}>
              {say('mend.chosen-too', { count: chosen })}
            </Quiet>
          )}
          <Quiet onPress={() => onOthers('all', shared(recipe))}>{say('mend.all-too', { count: all })}</Quiet>
        </Row>
      )}
    </>
  );
}
