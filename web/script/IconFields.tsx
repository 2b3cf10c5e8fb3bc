import styled from 'styled-components';
import type { IconLayer, Slide } from '../api/types';
import { offered, Select } from '../parts/Choice';
import { Button, Row } from '../parts/controls';
import { useActs, useView } from '../story/StoryContext';
import { newId } from '../story/useStory';
import { say, type Code } from '../messages/say';
import { MomentField } from './MomentField';
import { spots } from './spots';

const One = styled.fieldset`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 10px;
  margin: 0;
`;
const names: [IconLayer['name'], Code][] = [
  ['star', 'icon.star'],
  ['heart', 'icon.heart'],
  ['arrow', 'icon.arrow'],
  ['pin', 'icon.pin'],
  ['drop', 'icon.drop'],
  ['tick', 'icon.tick'],
];
const colours: [IconLayer['colour'], Code][] = [
  ['gold', 'icon.gold'],
  ['red', 'icon.red'],
  ['white', 'icon.white'],
  ['ink', 'icon.ink'],
];
const sizes: [string, Code][] = [
  ['0.1', 'icon.small'],
  ['0.2', 'icon.middling'],
  ['0.4', 'icon.large'],
];

/** A size that a folder's story says may lie between those offered. */
const nearest = (size: number): string =>
  sizes.reduce((a, b) => (Math.abs(Number(b[0]) - size) < Math.abs(Number(a[0]) - size) ? b : a))[0];

/** The icons on a slide: what they are, where they stand, when they come. */
export function IconFields({ slide }: { slide: Slide }) {
  const { edit } = useActs();
  const { plan } = useView();
  const scene = plan.scenes.find(({ id }) => id === slide.id);
  const icons = slide.layers.filter((layer): layer is IconLayer => layer.kind === 'icon');
  const set = (layer: string, changes: Partial<IconLayer>) =>
    void edit({ do: 'set layer', slide: slide.id, layer, kind: 'icon', changes });
  return (
    <>
      {icons.map((icon, i) => (
        <One key={icon.id} aria-label={say('icon.number', { number: i + 1 })}>
          <Select
            label={say('icon.title')}
            value={icon.name}
            options={offered(names)}
            onChange={(name) => set(icon.id, { name })}
          />
          <Select
            label={say('icon.colour')}
            value={icon.colour}
            options={offered(colours)}
            onChange={(colour) => set(icon.id, { colour })}
          />
          {icon.cell === undefined && (
            <>
              <Select
                label={say('icon.where')}
                value={icon.place}
                options={offered(spots)}
                onChange={(place) => set(icon.id, { place })}
              />
              <Select
                label={say('icon.how-large')}
                value={nearest(icon.size)}
                options={offered(sizes)}
                onChange={(size) => set(icon.id, { size: Number(size) })}
              />
            </>
          )}
          <MomentField
            id={icon.id}
            slide={slide}
            scene={scene}
            label={say('icon.comes')}
            always={say('moment.from-the-start')}
            second={say('icon.comes-second')}
            word={say('icon.comes-word')}
            value={icon.comes ?? null}
            onChange={(comes) => set(icon.id, { comes })}
          />
          <Row style={{ alignSelf: 'end' }}>
            <Button onPress={() => void edit({ do: 'delete layer', slide: slide.id, layer: icon.id })}>
              {say('icon.take-off')}
            </Button>
          </Row>
        </One>
      ))}
      <Row>
        <Button onPress={() => set(newId(), { name: 'star' })}>{say('icon.add')}</Button>
      </Row>
    </>
  );
}
