import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { ClipVideo } from '../../../stage/ClipVideo';

const Ground = styled.div`
  container-type: size;
  height: 100%;
  display: grid;
  place-items: center;
  padding: 16px;
  .clip {
    position: relative;
    width: min(100cqw - 32px, (100cqh - 32px) * var(--around));
    aspect-ratio: var(--around);
    background: #000;
  }
  video {
    width: 100%;
    height: 100%;
  }
`;

interface Props {
  url: string;
  name: string;
  /** Width over height of the clip. */
  ratio: number;
  frame: number;
}

/** One frame of a clip, as large as there is room for it, as it came. */
export function ClipStage({ url, name, ratio, frame }: Props) {
  const ground = useRef<HTMLDivElement>(null);
  const [clip] = useState(() => new ClipVideo());
  useEffect(() => {
    ground.current?.append(clip.element);
    return () => clip.element.remove();
  }, [clip]);
  useEffect(() => {
    clip.load(url);
    clip.still(frame);
  }, [clip, url, frame]);
  return (
    <Ground style={{ '--around': ratio } as React.CSSProperties}>
      <div className="clip" ref={ground} role="img" aria-label={name} data-frame={frame} />
    </Ground>
  );
}
