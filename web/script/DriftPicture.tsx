import { useEffect, useMemo, useRef } from 'react';
import styled from 'styled-components';
import type { PlannedDrift, PlannedLayer, Scene } from '../api/types';
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
const isWritten = ({ kind }: PlannedLayer) => kind === 'words' || kind === 'pointer';

/** A slide with that weather or light instead of its own, under its words. */
function veiled(scene: Scene, drifts: PlannedDrift[]): Scene {
  const others = scene.layers.filter(({ kind }) => kind !== 'drift');
  const first = others.findIndex(isWritten);
  const at = first === -1 ? others.length : first;
  return { ...scene, layers: [...others.slice(0, at), ...drifts, ...others.slice(at)] };
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
  useEffect(() => {
    if (!moves || matchMedia('(prefers-reduced-motion: reduce)').matches) return undefined;
    const sheets = [...(box.current?.querySelectorAll<HTMLElement>('.drifts') ?? [])];
    const begun = performance.now();
    let frame = 0;
    const step = (now: number) => {
      drifts.forEach((layer, i) => sheets[i] && pass(sheets[i], layer, ((now - begun) / 1000) * fps));
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [moves, drifts, fps]);
  return (
    <Box aria-hidden ref={box}>
      <ComposedSlide scene={shown} ratio={ratio} picture="" words="" />
    </Box>
  );
}
