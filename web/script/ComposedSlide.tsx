import styled from 'styled-components';
import type { PlannedSlide } from '../api/types';

const Box = styled.div`
  position: relative;
  overflow: hidden;
  border-radius: 3px;
  max-width: 100%;
  img {
    position: absolute;
    max-width: none;
  }
  .words {
    inset: 0;
    width: 100%;
    height: 100%;
  }
`;

/** The slide as the film opens on it, small: its frame of the picture on the film's own ground, its words in the film's shape. */
export function ComposedSlide({
  story,
  planned,
  ratio,
  picture,
  words,
}: {
  story: string;
  planned: PlannedSlide;
  /** Width over height of the film. */
  ratio: number;
  /** What the picture and the words are called to who cannot see them. */
  picture: string;
  words: string;
}) {
  const { image, opensOn: frame } = planned;
  const share = (part: number) => `${100 * part}%`;
  return (
    <Box className="composed" style={{ aspectRatio: ratio, background: image.colour }}>
      {image.picture !== null && (
        <img
          src={`/api/stories/${story}/pictures/${image.picture}/${image.rendition === 'whole' ? 'whole-thumb' : 'thumb'}.jpg`}
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
      )}
      {planned.words !== '' && (
        <img
          className="words"
          src={`/api/stories/${story}/words/${planned.words}.png`}
          alt={words}
          loading="lazy"
          draggable={false}
        />
      )}
    </Box>
  );
}
