import { useRef, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Spoken } from '../../../api/types';
import { useWidth } from '../../../parts/useWidth';

const Strip = styled.div<{ $isDark: boolean }>`
  --said: ${({ $isDark }) => ($isDark ? '#aeb9ee' : '#5b6bc0')};
  --tied: ${({ $isDark }) => ($isDark ? '#f3d9a4' : '#8a6116')};
  position: relative;
  height: 72px;
  margin: 8px 16px 0;
  color: ${({ $isDark }) => ($isDark ? '#f5f3ee' : 'var(--ink)')};
  .thread {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 34px;
    overflow: visible;
  }
  .word {
    position: absolute;
    font-size: 0.8125rem;
    line-height: 1.2;
    white-space: nowrap;
    pointer-events: none;
  }
  .word.reached {
    font-weight: 700;
    text-decoration: underline;
    text-decoration-thickness: 2px;
    text-underline-offset: 3px;
  }
`;
/** How wide a letter is, about. */
const LETTER = 7.6;

interface Props {
  label: string;
  spoken: Spoken;
  /** That the slide is seen. */
  seconds: number;
  /** The words to which something is tied. */
  reached: ReadonlySet<number | undefined>;
  /** Whether it lies on a dark ground. */
  isDark: boolean;
  /** Its knots. @param width of the strip in pixels */
  children: (width: number) => ReactNode;
}

/** A slide's own length of thread from near: its words as they are said, and knots where something happens. */
export function ThreadStrip({ label, spoken, seconds, reached, isDark, children }: Props) {
  const strip = useRef<HTMLDivElement>(null);
  const width = useWidth(strip);
  const place = (second: number) => Math.max(0, Math.min(1, second / Math.max(0.1, seconds)));
  return (
    <Strip ref={strip} role="group" aria-label={label} $isDark={isDark}>
      <svg className="thread" viewBox="0 0 100 34" preserveAspectRatio="none" aria-hidden>
        <line
          x1="0"
          x2="100"
          y1="17"
          y2="17"
          stroke="#7d8492"
          strokeWidth={2}
          strokeDasharray="8 6"
          vectorEffect="non-scaling-stroke"
        />
        {spoken.words.map(({ at, to }, i) => (
          <line
            key={i}
            x1={100 * place(at)}
            x2={100 * place(Math.max(at, to - 0.04))}
            y1="17"
            y2="17"
            stroke={reached.has(i) ? 'var(--tied)' : 'var(--said)'}
            strokeWidth={spoken.spoken ? 7 : 3}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      {labelled(spoken, place, width, reached).map(({ i, row }) => (
        <span
          key={i}
          aria-hidden
          className={reached.has(i) ? 'word reached' : 'word'}
          style={{ insetInlineStart: `${100 * place(spoken.words[i]?.at ?? 0)}%`, top: 36 + 17 * row }}
        >
          {spoken.words[i]?.text}
        </span>
      ))}
      {children(width)}
    </Strip>
  );
}

/** The words for which there is room, in two rows; those that something is tied to before the others. */
function labelled(
  { words }: Spoken,
  place: (second: number) => number,
  width: number,
  first: ReadonlySet<number | undefined>,
): { i: number; row: number }[] {
  const rows: [from: number, to: number][][] = [[], []];
  const shown: { i: number; row: number }[] = [];
  const put = (i: number) => {
    const word = words[i];
    if (!word) return;
    const from = place(word.at) * width;
    const to = from + word.text.length * LETTER + 6;
    if (to > width + 16) return;
    const row = rows.findIndex((taken) => taken.every(([a, b]) => to <= a || from >= b));
    if (row === -1) return;
    rows[row]?.push([from, to]);
    shown.push({ i, row });
  };
  words.forEach((_, i) => first.has(i) && put(i));
  words.forEach((_, i) => !first.has(i) && put(i));
  return shown;
}
