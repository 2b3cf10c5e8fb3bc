import { useEffect, useRef, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { Drawing, ratioOf } from '../../mend/draw';
import { PLAIN, type Recipe } from '../../mend/recipe';
import type { Levels } from '../../mend/tables';
import { say } from '../../messages/say';
import { Soft } from '../../parts/controls';

const Ground = styled.div`
  position: relative;
  display: grid;
  place-items: center;
  min-height: 0;
  height: 100%;
  overflow: hidden;
  /* Room for the handles of the crop. */
  padding: 16px;
`;
const Frame = styled.div`
  position: relative;
  canvas {
    display: block;
    width: 100%;
    height: 100%;
  }
  /* Lines to hold a horizon to. */
  .level {
    position: absolute;
    inset: 0;
    pointer-events: none;
    background-image:
      linear-gradient(rgb(255 255 255 / 0.55) 1px, transparent 1px),
      linear-gradient(90deg, rgb(255 255 255 / 0.55) 1px, transparent 1px);
    background-size: 10% 10%;
  }
`;

/** What changes again within so many milliseconds is moving: it is drawn with fewer pixels, at that share of each side, until it rests. */
const RESTS = 200;
const QUICK = 0.45;

interface Props {
  picture: ImageBitmap | null;
  levels: Levels | undefined;
  recipe: Recipe;
  name: string;
  /** As it came. */
  before: boolean;
  /** All of it is shown, with what the crop leaves out. */
  crops: boolean;
  /** It is being straightened. */
  levelled: boolean;
  /** What lies over it. */
  children?: ReactNode;
}

/** The picture as it is mended, as large as there is room for it. */
export function MendStage({ picture, levels, recipe, name, before, crops, levelled, children }: Props) {
  const ground = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [drawings] = useState(() => ({ fine: new Drawing(), quick: new Drawing() }));
  const last = useRef(-Infinity);
  const [room, setRoom] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const box = ground.current;
    if (!box) return undefined;
    const watch = new ResizeObserver(([seen]) => {
      if (seen) setRoom({ width: seen.contentRect.width, height: seen.contentRect.height });
    });
    watch.observe(box);
    return () => watch.disconnect();
  }, []);
  const shown = before ? PLAIN : recipe;
  const isWhole = crops && !before;
  const around = picture ? ratioOf({ picture, recipe: shown, isWhole }) : 1;
  const width = Math.max(0, Math.floor(Math.min(room.width, room.height * around)));
  useEffect(() => {
    if (!picture || !canvas.current || width === 0) return undefined;
    const on = canvas.current;
    const pixels = Math.round(width * Math.min(window.devicePixelRatio, 1.5));
    const fine = () => drawings.fine.draw(on, { picture, recipe: shown, levels, isWhole }, pixels);
    const now = performance.now();
    const isMoving = now - last.current < RESTS;
    last.current = now;
    if (!isMoving) {
      fine();
      return undefined;
    }
    drawings.quick.draw(on, { picture, recipe: shown, levels, isWhole }, Math.round(pixels * QUICK));
    const timer = setTimeout(fine, RESTS);
    return () => clearTimeout(timer);
  }, [drawings, picture, shown, levels, isWhole, width]);
  return (
    <Ground ref={ground}>
      {picture ? (
        <Frame style={{ width, height: Math.round(width / around) }}>
          <canvas ref={canvas} role="img" aria-label={name} />
          {levelled && <span className="level" />}
          {!before && children}
        </Frame>
      ) : (
        <Soft role="status">{say('page.one-moment')}</Soft>
      )}
    </Ground>
  );
}
