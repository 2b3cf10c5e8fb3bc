import { isWordsAlone } from '../../story/slides';
import styled from 'styled-components';
import type { Slide } from '../../api/types';
import { say, type Code } from '../../messages/say';
import type { Box } from '../../parts/boxes';
import { Cards } from '../../parts/Cards';
import { offered, Picks } from '../../parts/Choice';
import { useActs, useView } from '../../story/StoryContext';
import { Things } from './Things';

type Layout = NonNullable<Slide['layout']>;
const layouts: [Layout, Code][] = [
  ['full', 'layout.full'],
  ['beside', 'layout.beside'],
  ['over', 'layout.over'],
  ['large-and-two', 'layout.large-and-two'],
  ['three', 'layout.three'],
  ['four', 'layout.four'],
  ['with-words', 'layout.with-words'],
];
const sequences: [NonNullable<Slide['sequence']>, Code][] = [
  ['together', 'sequence.together'],
  ['spoken', 'sequence.spoken'],
  ['evenly', 'sequence.evenly'],
];
/** The higher side of a drawing of an arrangement, in its own units. */
const SIDE = 40;
const WHOLE: Box[] = [{ x: 0, y: 0, width: 1, height: 1 }];
const Drawing = styled.svg`
  display: block;
  margin: auto;
  height: 34px;
  max-width: 100%;
  background: var(--paper);
  outline: 1px solid var(--line);
  rect {
    fill: var(--soft);
  }
  line {
    stroke: var(--soft);
    stroke-width: 2;
  }
`;

function Drawn({ cells, ratio, hasWords }: { cells: Box[]; ratio: number; hasWords: boolean }) {
  const [width, height] = ratio > 1 ? [SIDE, SIDE / ratio] : [SIDE * ratio, SIDE];
  return (
    <Drawing viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {cells.map(({ x, y, width: wide, height: high }, i) =>
        hasWords && i === 1 ? (
          [0.34, 0.5, 0.66].map((at) => (
            <line
              key={at}
              x1={width * (x + 0.08 * wide)}
              x2={width * (x + 0.9 * wide)}
              y1={height * (y + at * high)}
              y2={height * (y + at * high)}
            />
          ))
        ) : (
          <rect key={`${x} ${y}`} x={width * x} y={height * y} width={width * wide} height={height * high} />
        ),
      )}
    </Drawing>
  );
}

/** How what a slide shows is laid out, and what lies where. */
export function ArrangeField({ slides }: { slides: Slide[] }) {
  const { edit } = useActs();
  const { plan } = useView();
  const shown = slides.filter((slide) => !isWordsAlone(slide));
  const [first] = shown;
  if (!first) return null;
  const ids = shown.map(({ id }) => id);
  return (
    <>
      <Cards
        label={say('layout.title')}
        value={first.layout}
        across="repeat(4, 1fr)"
        options={layouts.map(([key, name]) => ({
          key,
          name: say(name),
          content: () => (
            <Drawn
              cells={plan.layouts[key] ?? WHOLE}
              ratio={plan.width / plan.height}
              hasWords={key === 'with-words'}
            />
          ),
        }))}
        onChange={(layout) => void edit({ do: 'arrange', slides: ids, layout })}
      />
      {slides.length === 1 && <Things slide={first} />}
      {first.layout !== 'full' && (
        <Picks
          label={say('sequence.title')}
          value={first.sequence ?? 'together'}
          options={offered(sequences)}
          onChange={(sequence) => void edit({ do: 'set sequence', slides: ids, sequence })}
        />
      )}
    </>
  );
}
