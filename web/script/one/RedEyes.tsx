import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import { turnedBox, type Recipe } from '../../mend/recipe';
import { say } from '../../messages/say';
import { moved, scaled, type Box } from '../../parts/boxes';
import { Button, Row, Soft } from '../../parts/controls';
import { Toggle } from '../../parts/Toggle';
import { FrameBox } from './FrameBox';

/** Of the width, when a mark is put down. */
const FIRST = 0.05;

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
  moved(
    { x: x - width / 2, y: y - (width * ratio) / 2, width, height: Math.max(limits.leastPart, width * ratio) },
    0,
    0,
  );

/** Marks on the picture, which is shown turned: a tap puts one down, each is moved and sized. */
export function RedEyeMarks({ recipe, ratio, hand, onHand, show, set }: Props) {
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
          name={say('red-eye.mark', { mark: i + 1 })}
          box={turnedBox(eye, turn)}
          isOnTop={i === hand}
          onTaken={() => onHand(i)}
          ratio={null}
          least={limits.leastPart}
          onChange={(box) => show(changed(i, box))}
          onEnd={(box) => set(changed(i, box))}
          onTakenAway={() => set({ eyes: eyes.filter((_, place) => place !== i) })}
        />
      ))}
    </>
  );
}

interface FieldProps extends Omit<Props, 'show'> {
  /** Marks the eyes of the faces that were found; left out where there are none. */
  onFaces: (() => void) | undefined;
  marks: boolean;
  onMarks: (marks: boolean) => void;
}

export function RedEyeFields({ recipe, ratio, hand, onHand, set, onFaces, marks, onMarks }: FieldProps) {
  const { eyes } = recipe;
  const sized = (by: number) =>
    set({ eyes: eyes.map((eye, i) => (i === hand ? scaled(eye, by, limits.leastPart) : eye)) });
  const isFull = eyes.length >= limits.eyes;
  return (
    <>
      <Toggle isSelected={marks} onChange={onMarks}>
        {say('red-eye.title')}
      </Toggle>
      {marks && (
        <>
          <Soft>{say('red-eye.how')}</Soft>
          <Row>
            {onFaces && (
              <Button onPress={onFaces} isDisabled={isFull}>
                {say('red-eye.in-faces')}
              </Button>
            )}
            <Button
              onPress={() => {
                onHand(eyes.length);
                set({ eyes: [...eyes, markAt(0.5, 0.5, FIRST, ratio)] });
              }}
              isDisabled={isFull}
            >
              {say('red-eye.add')}
            </Button>
          </Row>
          {eyes[hand] && (
            <Row>
              <Button onPress={() => sized(1.15)}>{say('red-eye.larger')}</Button>
              <Button onPress={() => sized(1 / 1.15)}>{say('red-eye.smaller')}</Button>
              <Button onPress={() => set({ eyes: eyes.filter((_, place) => place !== hand) })}>
                {say('red-eye.take-away')}
              </Button>
            </Row>
          )}
        </>
      )}
    </>
  );
}
