import { Input, Label, NumberField } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import type { IconLayer, Slide } from '../api/types';
import { Select } from '../parts/Choice';
import { Button, fieldLook, Row } from '../parts/controls';
import { useActs } from '../story/StoryContext';
import { newId } from '../story/useStory';

const One = styled.fieldset`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: 10px;
  margin: 0;
`;
const Seconds = styled(NumberField)`
  ${fieldLook}
  input {
    width: 100%;
  }
`;
const names: [IconLayer['name'], string][] = [
  ['star', 'Star'],
  ['heart', 'Heart'],
  ['arrow', 'Arrow'],
  ['pin', 'Pin'],
  ['drop', 'Drop'],
  ['tick', 'Tick'],
];
const colours: [IconLayer['colour'], string][] = [
  ['gold', 'Gold'],
  ['red', 'Red'],
  ['white', 'White'],
  ['ink', 'Ink'],
];
const places: [IconLayer['place'], string][] = [
  ['top-left', 'Top left'],
  ['top', 'Top'],
  ['top-right', 'Top right'],
  ['left', 'Left'],
  ['middle', 'Middle'],
  ['right', 'Right'],
  ['bottom-left', 'Bottom left'],
  ['bottom', 'Bottom'],
  ['bottom-right', 'Bottom right'],
];
const sizes: [string, string][] = [
  ['0.1', 'Small'],
  ['0.2', 'Middling'],
  ['0.4', 'Large'],
];

/** A size that a folder's story says may lie between those offered. */
const nearest = (size: number): string =>
  sizes.reduce((a, b) => (Math.abs(Number(b[0]) - size) < Math.abs(Number(a[0]) - size) ? b : a))[0];

/** The icons on a slide: what they are, where they stand, when they come. */
export function IconFields({ slide }: { slide: Slide }) {
  const { edit } = useActs();
  const icons = slide.layers.filter((layer): layer is IconLayer => layer.kind === 'icon');
  const set = (layer: string, changes: Partial<IconLayer>) =>
    void edit({ do: 'set layer', slide: slide.id, layer, kind: 'icon', changes });
  return (
    <>
      {icons.map((icon, i) => (
        <One key={icon.id} aria-label={`Icon ${i + 1}`}>
          <Select label="Icon" value={icon.name} options={names} onChange={(name) => set(icon.id, { name })} />
          <Select
            label="Colour"
            value={icon.colour}
            options={colours}
            onChange={(colour) => set(icon.id, { colour })}
          />
          <Select label="Where" value={icon.place} options={places} onChange={(place) => set(icon.id, { place })} />
          <Select
            label="How large"
            value={nearest(icon.size)}
            options={sizes}
            onChange={(size) => set(icon.id, { size: Number(size) })}
          />
          <Seconds
            value={icon.comes ?? 0}
            minValue={0}
            maxValue={limits.mostStay}
            step={0.5}
            onChange={(comes) => !Number.isNaN(comes) && set(icon.id, { comes: comes === 0 ? null : comes })}
          >
            <Label>Comes after (seconds)</Label>
            <Input />
          </Seconds>
          <Row style={{ alignSelf: 'end' }}>
            <Button onPress={() => void edit({ do: 'delete layer', slide: slide.id, layer: icon.id })}>
              Take it off
            </Button>
          </Row>
        </One>
      ))}
      <Row>
        <Button onPress={() => set(newId(), { name: 'star' })}>Add an icon</Button>
      </Row>
    </>
  );
}
