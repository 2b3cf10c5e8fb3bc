import type { ReactNode } from 'react';
import styled from 'styled-components';

const Room = styled.div`
  position: absolute;
  inset: 0;
  container-type: size;
  display: grid;
  place-items: center;
  pointer-events: none;
`;

/** What lies over a film's picture, and not over the black beside it. */
export function OverPicture({ ratio, children }: { ratio: number; children: ReactNode }) {
  return (
    <Room>
      <div style={{ position: 'relative', width: `min(100cqw, ${ratio * 100}cqh)`, aspectRatio: ratio }}>
        {children}
      </div>
    </Room>
  );
}
