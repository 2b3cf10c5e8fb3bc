import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import type { Asset } from '../../api/types';
import { turnedBox, type Recipe } from '../../mend/recipe';
import { say } from '../../messages/say';
import { moved, scaled, type Box } from '../../parts/boxes';
import { Button, Row, Soft } from '../../parts/controls';
import { Toggle } from '../../parts/Toggle';
import { FrameBox } from './FrameBox';

/** The share of a side that a mark takes at least, and of the width when it is put down. */
const LEAST = 0.02;
const FIRST = 0.05;
/** Where the eyes lie in the box in which a face is found, and how large a mark is over one (common practice in portraits). */
const IN_FACES: [x: number, y: number][] = [
  [0.32, 0.3],
  [0.68, 0.3],
];
const OF_A_FACE = 0.2;

const Taps = styled.div`
  position: absolute;
  inset: 0;
  cursor: crosshair;
`;
const back = (turn: Recipe['turn']) => ((360 - turn) % 360) as Recipe['turn'];

interface Props {
  recipe: Recipe;
  /** Width over height of the picture as it came. */
  ratio: number;
  hand: number;
  onHand: (place: number) => void;
  show: (changes: Partial<Recipe>) => void;
  set: (changes: Partial<Recipe>) => void;
}

const markAt = (x: number, y: number, width: number, ratio: number): Box =>
  moved({ x: x - width / 2, y: y - (width * ratio) / 2, width, height: Math.max(LEAST, width * ratio) }, 0, 0);

/** Marks on the picture, which is shown turned: a tap puts one down, each is moved and sized. */
export function EyeMarks({ recipe, ratio, hand, onHand, show, set }: Props) {
  const { eyes, turn } = recipe;
  const changed = (place: number, shown: Box) => ({
    eyes: eyes.map((eye, i) => (i === place ? turnedBox(shown, back(turn)) : eye)),
  });
  const put = (event: React.MouseEvent<HTMLDivElement>) => {
    if (eyes.length >= limits.eyes) return;
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    const point = { x: (event.clientX - left) / width, y: (event.clientY - top) / height, width: 0, height: 0 };
    const { x, y } = turnedBox(point, back(turn));
    onHand(eyes.length);
    set({ eyes: [...eyes, markAt(x, y, FIRST, ratio)] });
  };
  return (
    <>
      <Taps onClick={put} />
      {eyes.map((eye, i) => (
        <FrameBox
          key={i}
          as="eye"
          name={say('eyes.mark', { mark: i + 1 })}
          box={turnedBox(eye, turn)}
          isOnTop={i === hand}
          onTaken={() => onHand(i)}
          ratio={null}
          least={LEAST}
          onChange={(box) => show(changed(i, box))}
          onEnd={(box) => set(changed(i, box))}
          onTakenAway={() => set({ eyes: eyes.filter((_, place) => place !== i) })}
        />
      ))}
    </>
  );
}

interface FieldProps extends Omit<Props, 'show'> {
  faces: Extract<Asset, { kind: 'picture' }>['matters'] | undefined;
  marks: boolean;
  onMarks: (marks: boolean) => void;
}

export function EyeFields({ recipe, ratio, hand, onHand, set, faces, marks, onMarks }: FieldProps) {
  const { eyes } = recipe;
  const found = (faces?.faces ?? []).flatMap((face) =>
    IN_FACES.map(([x, y]) => markAt(face.x + x * face.width, face.y + y * face.height, OF_A_FACE * face.width, ratio)),
  );
  const sized = (by: number) => set({ eyes: eyes.map((eye, i) => (i === hand ? scaled(eye, by, LEAST) : eye)) });
  const isFull = eyes.length >= limits.eyes;
  return (
    <>
      <Toggle isSelected={marks} onChange={onMarks}>
        {say('eyes.title')}
      </Toggle>
      {marks && (
        <>
          <Soft>{say('eyes.how')}</Soft>
          <Row>
            {found.length > 0 && (
              <Button onPress={() => set({ eyes: [...eyes, ...found].slice(0, limits.eyes) })} isDisabled={isFull}>
                {say('eyes.in-faces')}
              </Button>
            )}
            <Button
              onPress={() => {
                onHand(eyes.length);
                set({ eyes: [...eyes, markAt(0.5, 0.5, FIRST, ratio)] });
              }}
              isDisabled={isFull}
            >
              {say('eyes.add')}
            </Button>
          </Row>
          {eyes[hand] && (
            <Row>
              <Button onPress={() => sized(1.15)}>{say('eyes.larger')}</Button>
              <Button onPress={() => sized(1 / 1.15)}>{say('eyes.smaller')}</Button>
              <Button onPress={() => set({ eyes: eyes.filter((_, place) => place !== hand) })}>
                {say('eyes.take-away')}
              </Button>
            </Row>
          )}
        </>
      )}
    </>
  );
}
