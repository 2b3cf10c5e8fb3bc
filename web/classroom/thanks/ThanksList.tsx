import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { Thanks } from '../../api/types';

const List = styled.ul`
  display: grid;
  gap: 6px;
  li {
    display: flex;
    gap: 8px;
    align-items: center;
    justify-content: space-between;
  }
`;

/** Who said thank you, and with which sentence. */
export function ThanksList({ thanks, act }: { thanks: Thanks[]; act?: (one: Thanks) => ReactNode }) {
  return (
    <List>
      {thanks.map((one) => (
        <li key={one.person}>
          <span>
            <strong>{one.name}</strong> {one.words}
          </span>
          {act?.(one)}
        </li>
      ))}
    </List>
  );
}
