import { Switch } from 'react-aria-components';
import styled from 'styled-components';

/** On or off. */
export const Toggle = styled(Switch)`
  display: inline-flex;
  gap: 10px;
  align-items: center;
  min-height: 40px;
  cursor: pointer;
  &::before {
    content: '';
    width: 40px;
    height: 22px;
    border-radius: 11px;
    border: 2px solid var(--edge);
    background: radial-gradient(circle at 10px 50%, var(--edge) 6px, transparent 7px);
  }
  &[data-selected]::before {
    border-color: var(--indigo);
    background: radial-gradient(circle at 26px 50%, #fff 6px, transparent 7px), var(--indigo);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--indigo);
    outline-offset: 3px;
  }
`;
