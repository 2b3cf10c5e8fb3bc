import styled from 'styled-components';
import type { Assignment } from '../api/types';
import { say } from '../messages/say';
import { Card } from '../parts/controls';
import { clock } from '../parts/time';

/** A task and its day. */
export const Due = styled(Card)`
  border-inline-start: 5px solid var(--indigo);
`;
export const lengthOf = ({ leastSeconds, mostSeconds }: Assignment): string =>
  say('desk.length', { least: clock(leastSeconds), most: clock(mostSeconds) });
