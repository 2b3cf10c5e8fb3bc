import { Popover } from 'react-aria-components';
import styled from 'styled-components';

/** What opens over the dark room. */
export const Above = styled(Popover)`
  background: #242935;
  color: #f1eee6;
  border: 1px solid #6f788c;
  border-radius: var(--radius);
  padding: 16px;
  max-width: 420px;
  button,
  label[data-rac] {
    background: #2f3646;
    color: #f1eee6;
    border-color: #6f788c;
  }
  button[data-disabled] {
    color: #8b93a3;
    border-color: #3a4150;
  }
  label[data-selected] {
    background: #f1eee6;
    color: #16181f;
    border-color: #f1eee6;
  }
  ul {
    margin: 8px 0 0;
    padding-inline-start: 1.2em;
    display: grid;
    gap: 6px;
  }
`;
