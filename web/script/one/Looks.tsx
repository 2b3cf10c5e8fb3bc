import { useEffect, useRef, useState } from 'react';
import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import { Drawing, ratioOf } from '../../mend/draw';
import type { Recipe } from '../../mend/recipe';
import { LOOKS, type Levels, type Look } from '../../mend/tables';
import { say, type Code } from '../../messages/say';

const Group = styled(RadioGroup)`
  display: grid;
  gap: 4px;
  > span {
    font-size: 0.875rem;
    color: var(--soft);
  }
  .looks {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 6px;
  }
`;
const Option = styled(Radio)`
  display: grid;
  justify-items: center;
  gap: 2px;
  padding: 4px;
  border-radius: var(--radius);
  cursor: pointer;
  font-size: 0.875rem;
  canvas {
    width: 100%;
    aspect-ratio: 3 / 2;
    object-fit: cover;
    border-radius: 3px;
  }
  &[data-selected] {
    background: var(--indigo-wash);
    box-shadow: inset 0 0 0 2px var(--indigo);
    color: var(--indigo);
    font-weight: 650;
  }
`;
const names: Record<Look, Code> = {
  ink: 'look.ink',
  pencil: 'look.pencil',
  tea: 'look.tea',
  album: 'look.album',
  hearth: 'look.hearth',
  frost: 'look.frost',
  fair: 'look.fair',
  dusk: 'look.dusk',
};
/** Pixels of the longer side of a small picture. */
const SMALL = 108;
const NONE = 'none';

interface Props {
  picture: ImageBitmap | null;
  levels: Levels | undefined;
  recipe: Recipe;
  onChange: (look: Look | null) => void;
}

/** The looks, each seen on the picture itself. */
export function Looks({ picture, levels, recipe, onChange }: Props) {
  return (
    <Group
      value={recipe.look ?? NONE}
      onChange={(look) => onChange(LOOKS.find((one) => one === look) ?? null)}
      orientation="horizontal"
    >
      <Label>{say('look.title')}</Label>
      <div className="looks">
        {[null, ...LOOKS].map((look) => (
          <Option key={look ?? NONE} value={look ?? NONE}>
            <Small picture={picture} levels={levels} recipe={{ ...recipe, look, strength: limits.tone }} />
            {say(look === null ? 'look.none' : names[look])}
          </Option>
        ))}
      </div>
    </Group>
  );
}

function Small({ picture, levels, recipe }: Omit<Props, 'onChange'>) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [drawing] = useState(() => new Drawing());
  useEffect(() => {
    if (!picture || !canvas.current) return;
    const around = ratioOf({ picture, recipe, isWhole: false });
    drawing.draw(canvas.current, { picture, recipe, levels, isWhole: false }, Math.round(SMALL * Math.min(1, around)));
  });
  return <canvas ref={canvas} aria-hidden />;
}
