import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import type { IconLayer, Slide } from '../../api/types';
import { offered, Select } from '../../parts/Choice';
import { Button, Row } from '../../parts/controls';
import { Level } from '../../parts/Level';
import { useActs, useView } from '../../story/StoryContext';
import { useInHand } from '../../story/useInHand';
import { newId } from '../../story/useStory';
import { say, type Code } from '../../messages/say';
import { MomentField } from '../MomentField';
import { spots } from '../spots';
import { IconChoice } from './IconChoice';
import { isSign } from './signs';

const One = styled.fieldset`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 10px;
  margin: 0;
  > .wide {
    grid-column: 1 / -1;
  }
`;
const colours: [IconLayer['colour'], Code][] = [
  ['own', 'icon.own'],
  ['style', 'icon.style'],
  ['gold', 'icon.gold'],
  ['red', 'icon.red'],
  ['white', 'icon.white'],
  ['ink', 'icon.ink'],
];
/** The icons on a slide: what they are, where they stand, when they come. */
export function IconFields({ slide }: { slide: Slide }) {
  const { edit } = useActs();
  const icons = slide.layers.filter((layer): layer is IconLayer => layer.kind === 'icon');
  return (
    <>
      {icons.map((icon, i) => (
        <IconField key={icon.id} slide={slide} icon={icon} number={i + 1} isAlone={slide.layers.length === 1} />
      ))}
      <Row>
        <Button
          onPress={() =>
            void edit({
              do: 'set layer',
              slide: slide.id,
              layer: newId(),
              kind: 'icon',
              changes: { name: 'sun', colour: 'own' },
            })
          }
        >
          {say('icon.add')}
        </Button>
      </Row>
    </>
  );
}

function IconField({
  slide,
  icon,
  number,
  isAlone,
}: {
  slide: Slide;
  icon: IconLayer;
  number: number;
  /** There is nothing that it could lie before or behind. */
  isAlone: boolean;
}) {
  const { edit } = useActs();
  const { plan } = useView();
  const scene = plan.scenes.find(({ id }) => id === slide.id);
  const editOf = (changes: Partial<IconLayer>) =>
    ({ do: 'set layer', slide: slide.id, layer: icon.id, kind: 'icon', changes }) as const;
  const set = (changes: Partial<IconLayer>) => void edit(editOf(changes));
  const held = useInHand<{ size: number; turn: number }>({ size: icon.size, turn: icon.turn ?? 0 }, editOf);
  const percent = Math.round(100 * held.value.size);
  const lies = (by: 1 | -1) => void edit({ do: 'raise layer', slide: slide.id, layer: icon.id, by });
  return (
    <One aria-label={say('icon.number', { number })}>
      <div className="wide">
        <IconChoice
          slide={slide.id}
          icon={icon}
          // A drawing has colours of its own, a sign has none.
          onChange={(name) =>
            set(isSign(name) === isSign(icon.name) ? { name } : { name, colour: isSign(name) ? 'style' : 'own' })
          }
        />
      </div>
      {!icon.asset && (
        <Select
          label={say('icon.colour')}
          value={icon.colour}
          options={offered(colours.filter(([colour]) => colour !== 'own' || !isSign(icon.name)))}
          onChange={(colour) => set({ colour })}
        />
      )}
      {icon.cell === undefined && (
        <Select
          label={say('icon.where')}
          value={icon.at ? BY_HAND : icon.place}
          options={[
            ...(icon.at ? [[BY_HAND, say('icon.by-hand')] as [typeof BY_HAND, string]] : []),
            ...offered(spots),
          ]}
          onChange={(place) => place !== BY_HAND && set({ place })}
        />
      )}
      {icon.cell === undefined && (
        <Level
          label={say('icon.how-large')}
          value={percent}
          min={100 * limits.leastIcon}
          max={100 * limits.mostIcon}
          text={say('icon.percent', { percent })}
          onChange={(size) => held.show({ size: size / 100 })}
          onChangeEnd={(size) => held.set({ size: size / 100 })}
        />
      )}
      <Level
        label={say('icon.turned')}
        value={held.value.turn}
        min={-limits.turned}
        max={limits.turned}
        step={5}
        rest={0}
        text={say('icon.degrees', { degrees: held.value.turn })}
        onChange={(turn) => held.show({ turn })}
        onChangeEnd={(turn) => held.set({ turn })}
      />
      <div className="wide">
        <MomentField
          id={icon.id}
          slide={slide}
          scene={scene}
          label={say('icon.comes')}
          always={say('moment.from-the-start')}
          second={say('icon.comes-second')}
          word={say('icon.comes-word')}
          value={icon.comes ?? null}
          onChange={(comes) => set({ comes })}
        />
      </div>
      <Row className="wide">
        {!isAlone && (
          <>
            <Button onPress={() => lies(1)}>{say('icon.forward')}</Button>
            <Button onPress={() => lies(-1)}>{say('icon.back')}</Button>
          </>
        )}
        <Button onPress={() => void edit({ do: 'delete layer', slide: slide.id, layer: icon.id })}>
          {say('icon.take-off')}
        </Button>
      </Row>
    </One>
  );
}
const BY_HAND = 'by-hand';
