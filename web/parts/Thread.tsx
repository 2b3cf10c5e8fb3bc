import { memo } from 'react';

/** A length of thread: frames, but the voice's seconds. */
export interface ThreadSlide {
  id: string;
  start: number;
  stay: number;
  comesIn: number;
  voice: { start: number; end: number } | null;
}

/**
 * The stitched thread: one stitch is one second, a knot where a slide begins. Wound (thick) where somebody speaks, bare
 * (thin) where nobody does; where one slide gives way to the next, two lengths of thread lie side by side; a loose end where Proof
 * found something.
 */
const PITCH = 10;
const COLUMN = 11;

interface Stitch {
  voiced: boolean;
  arriving: boolean;
}

function stitches(slide: ThreadSlide, fps: number): Stitch[] {
  return Array.from({ length: Math.max(1, Math.round(slide.stay / fps)) }, (_, i) => {
    const second = slide.start / fps + i + 0.5;
    return {
      voiced: slide.voice !== null && second >= slide.voice.start && second <= slide.voice.end,
      arriving: (i + 0.5) * fps < slide.comesIn,
    };
  });
}

/** A slide's own length of thread, running down and up the margin of its row. */
export const RowThread = memo(function RowThread({
  slide,
  fps,
  width,
  height,
  loose,
}: {
  slide: ThreadSlide;
  fps: number;
  /** How wide it may become; a long slide's thread runs down and up more closely. */
  width: number;
  height: number;
  loose: boolean;
}) {
  const all = stitches(slide, fps);
  const perColumn = Math.max(4, Math.floor((height - 26) / PITCH));
  const columns = Math.ceil(all.length / perColumn);
  const pitch = Math.min(COLUMN, (width - 22) / columns);
  const place = (i: number) => {
    const column = Math.floor(i / perColumn);
    const along = i % perColumn;
    return { x: 8 + column * pitch, y: 18 + (column % 2 === 0 ? along : perColumn - 1 - along) * PITCH };
  };
  const end = place(all.length - 1);
  return (
    <svg width={18 + Math.max(1, columns) * pitch} height={height} aria-hidden focusable="false">
      <circle cx={8} cy={9} r={4.5} fill="var(--indigo)" />
      {all.map((stitch, i) => {
        const { x, y } = place(i);
        return (
          <g key={i}>
            <line
              x1={x}
              x2={x}
              y1={y}
              y2={y + PITCH - 4}
              stroke={stitch.voiced ? 'var(--indigo)' : 'var(--edge)'}
              strokeWidth={stitch.voiced ? 4.5 : 2}
              strokeLinecap="round"
            />
            {stitch.arriving && (
              <line
                x1={x + Math.min(5, pitch / 2)}
                x2={x + Math.min(5, pitch / 2)}
                y1={y}
                y2={y + PITCH - 4}
                stroke="var(--edge)"
                strokeWidth={2}
                strokeLinecap="round"
              />
            )}
          </g>
        );
      })}
      {loose && (
        <path
          d={`M${end.x} ${end.y + PITCH}q6 4 2 8t5 8`}
          fill="none"
          stroke="var(--madder)"
          strokeWidth={2.4}
          strokeLinecap="round"
        />
      )}
    </svg>
  );
});

/** A slide's own length of thread laid flat over its small picture: a second is as wide on all of them, until the thread grows closer. */
export const LengthThread = memo(function LengthThread({
  slide,
  fps,
  width,
  loose,
}: {
  slide: ThreadSlide;
  fps: number;
  width: number;
  loose: boolean;
}) {
  const all = stitches(slide, fps);
  const pitch = Math.min(COLUMN, (width - 28) / all.length);
  // What is wound has round ends of its own.
  const length = pitch > 6 ? pitch - 7.5 : Math.max(0.5, pitch * 0.6);
  const end = 14 + all.length * pitch;
  return (
    <svg width={width} height={16} aria-hidden focusable="false">
      <circle cx={5} cy={8} r={4.5} fill="var(--indigo)" />
      {all.map((stitch, i) => (
        <g key={i} strokeLinecap={pitch > 6 ? 'round' : 'butt'}>
          <line
            x1={14 + i * pitch}
            x2={14 + i * pitch + length}
            y1={8}
            y2={8}
            stroke={stitch.voiced ? 'var(--indigo)' : 'var(--edge)'}
            strokeWidth={stitch.voiced ? 4.5 : 2}
          />
          {stitch.arriving && (
            <line
              x1={14 + i * pitch}
              x2={14 + i * pitch + length}
              y1={13}
              y2={13}
              stroke="var(--edge)"
              strokeWidth={2}
            />
          )}
        </g>
      ))}
      {loose && (
        <path d={`M${end} 8q4 -4 6 1t5 0`} fill="none" stroke="var(--madder)" strokeWidth={2.4} strokeLinecap="round" />
      )}
    </svg>
  );
});

/** The whole thread laid flat, as the ground of a position bar. Marks stand where remarks were left, 0 to 1. */
export const FlatThread = memo(function FlatThread({
  plan,
  dark = false,
}: {
  plan: { frames: number; fps: number; slides: ThreadSlide[] };
  dark?: boolean;
}) {
  const total = Math.max(1, plan.frames);
  return (
    <svg viewBox={`0 0 ${total} 24`} preserveAspectRatio="none" width="100%" height="24" aria-hidden focusable="false">
      {plan.slides.map((slide) =>
        stitches(slide, plan.fps).map((stitch, i) => {
          const x = slide.start + i * plan.fps;
          return (
            <line
              key={`${slide.id}-${i}`}
              x1={x + plan.fps * 0.16}
              x2={Math.min(x + plan.fps * 0.84, total)}
              y1={12}
              y2={12}
              vectorEffect="non-scaling-stroke"
              stroke={stitch.voiced ? (dark ? '#AEB9EE' : 'var(--indigo)') : dark ? '#7d8492' : 'var(--edge)'}
              strokeWidth={stitch.voiced ? 5 : 2}
            />
          );
        }),
      )}
      {plan.slides.map((slide) => (
        <line
          key={slide.id}
          x1={slide.start}
          x2={slide.start}
          y1={5}
          y2={19}
          stroke={dark ? '#AEB9EE' : 'var(--indigo)'}
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
});
