import { useMemo, useRef } from 'react';
import styled from 'styled-components';
import type { PlannedDrift, Scene } from '../api/types';
import { useFrames, wantsCalm } from '../parts/useFrames';
import { ComposedSlide } from '../stage/ComposedSlide';
import { pass } from '../stage/layers/drift';

const Box = styled.div`
  position: relative;
  overflow: hidden;
  border-radius: 3px;
  pointer-events: none;
  /* As small as the slide is here nothing of it would be seen: it is looked at from nearer. */
  .over:has(> .drifts) {
    transform: scale(2.6);
  }
`;
/** A slide with that weather or light instead of its own. */
function veiled(scene: Scene, drifts: PlannedDrift[]): Scene {
  const others = scene.layers.filter(({ kind }) => kind !== 'drift');
  const { weather } = scene;
  return { ...scene, layers: [...others.slice(0, weather), ...drifts, ...others.slice(weather)] };
}

interface Props {
  scene: Scene;
  drifts: PlannedDrift[];
  ratio: number;
  fps: number;
  /** It passes while it is looked at. */
  moves: boolean;
}

/** Weather or light over a slide, small. */
export function DriftPicture({ scene, drifts, ratio, fps, moves }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const shown = useMemo(() => veiled(scene, drifts), [scene, drifts]);
  useFrames(moves && !wantsCalm(), (seconds) => {
    const sheets = box.current?.querySelectorAll<HTMLElement>('.drifts') ?? [];
    for (const [i, sheet] of [...sheets].entries()) if (drifts[i]) pass(sheet, drifts[i], seconds * fps);
  });
  return (
    <Box aria-hidden ref={box}>
      <ComposedSlide scene={shown} ratio={ratio} picture="" words="" />
    </Box>
  );
}
