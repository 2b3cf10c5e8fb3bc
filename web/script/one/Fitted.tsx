import type { ReactNode } from 'react';
import styled from 'styled-components';
import { useView } from '../../story/StoryContext';

const Ground = styled.div`
  container-type: size;
  height: 100%;
  display: grid;
  place-items: center;
  > figure {
    width: min(100cqw, (100cqh - 56px) * var(--around));
  }
`;

/** The whole slide, as large as there is room for it. */
export function Fitted({ children }: { children: ReactNode }) {
  const { plan } = useView();
  return <Ground style={{ '--around': plan.width / plan.height } as React.CSSProperties}>{children}</Ground>;
}
