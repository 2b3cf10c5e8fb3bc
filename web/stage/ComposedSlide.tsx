import styled from 'styled-components';
import type { PlannedLayer, Scene } from '../api/types';
import { performerOf } from './layers';
import { useActs } from '../story/StoryContext';

const Box = styled.div`
  position: relative;
  overflow: hidden;
  border-radius: 3px;
  max-width: 100%;
  > *,
  .part > * {
    position: absolute;
    max-width: none;
  }
  .part {
    overflow: hidden;
  }
  /* A clip is known by its mark. */
  .moves {
    inset-block-end: 6px;
    inset-inline-start: 6px;
    width: 22px;
    height: 22px;
    border-radius: 50%;
    background: rgb(23 26 33 / 0.78);
  }
  .moves::before {
    content: '';
    position: absolute;
    inset: 6px 6px 6px 8px;
    background: #fff;
    clip-path: polygon(0 0, 100% 50%, 0 100%);
  }
  .over {
    inset: 0;
    width: 100%;
    height: 100%;
  }
`;

/** The slide as the film opens on it, small: its frame of the picture on the film's own ground, its words in the film's shape. */
export function ComposedSlide({
  scene,
  ratio,
  picture,
  words,
}: {
  scene: Scene;
  /** Width over height of the film. */
  ratio: number;
  /** What the picture and the words are called to who cannot see them. */
  picture: string;
  words: string;
}) {
  const { id } = useActs();
  // All the words of a slide are said once.
  const first = scene.layers.find((layer) => layer.kind === 'words');
  const said = (layer: PlannedLayer) => (layer.kind === 'picture' ? picture : layer === first ? words : '');
  return (
    <Box className="composed" style={{ aspectRatio: ratio, background: scene.ground }}>
      {scene.layers.map((layer) => {
        const Still = performerOf(layer).still;
        return <Still key={layer.id} story={id} layer={layer} said={said(layer)} />;
      })}
    </Box>
  );
}
