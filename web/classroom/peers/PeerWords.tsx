import styled from 'styled-components';
import type { HandInView } from '../../api/types';
import { say } from '../../messages/say';

const Words = styled.dl`
  display: grid;
  gap: 2px 10px;
  grid-template-columns: auto minmax(0, 1fr);
  dt {
    color: var(--soft);
  }
  dd {
    margin: 0;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
`;

/** What one said who watched a film by lot. */
export function PeerWords({ said: { liked, wondered } }: { said: HandInView['peers'][number] }) {
  return (
    <Words>
      <dt>{say('peer.liked')}</dt>
      <dd>{liked}</dd>
      <dt>{say('peer.wondered')}</dt>
      <dd>{wondered}</dd>
    </Words>
  );
}
