import styled from 'styled-components';
import type { PlannedLayer, Scene } from '../api/types';
import { pictureUrl } from '../stage/layers/picture';
import { wordsUrl } from '../stage/layers/words';
import { useActs } from '../story/StoryContext';

const Box = styled.div`
  position: relative;
  overflow: hidden;
  border-radius: 3px;
  max-width: 100%;
  > * {
    position: absolute;
    max-width: none;
  }
  .over {
    inset: 0;
    width: 100%;
    height: 100%;
  }
`;
const share = (part: number) => `${100 * part}%`;

/** A layer as the film opens on it, small. */
function Small({ layer, picture, words }: { layer: PlannedLayer; picture: string; words: string }) {
  const { id } = useActs();
  switch (layer.kind) {
    case 'picture': {
      const { opensOn: frame, rendition } = layer;
      const small = rendition.name.replace(/^full/, 'thumb').replace(/^whole/, 'whole-thumb');
      return (
        <img
          src={pictureUrl(id, { ...rendition, name: small })}
          alt={picture}
          loading="lazy"
          draggable={false}
          style={{
            left: share(-frame.x / frame.width),
            top: share(-frame.y / frame.height),
            width: share(1 / frame.width),
            height: share(1 / frame.height),
          }}
        />
      );
    }
    case 'words':
      return <img className="over" src={wordsUrl(id, layer.hash)} alt={words} loading="lazy" draggable={false} />;
  }
}

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
  const first = scene.layers.find((layer) => layer.kind === 'words');
  return (
    <Box className="composed" style={{ aspectRatio: ratio, background: scene.ground }}>
      {scene.layers.map((layer) => (
        // All the words of a slide are said once.
        <Small key={layer.id} layer={layer} picture={picture} words={layer === first ? words : ''} />
      ))}
    </Box>
  );
}
