import { useEffect } from 'react';
import { ProgressBar } from 'react-aria-components';
import styled from 'styled-components';
import { Button, IconButton, Row, Soft } from '../parts/controls';
import { CloseIcon, TickIcon } from '../parts/icons';
import type { Arrival } from './useArrivals';
import { say } from '../messages/say';

const Box = styled.section`
  display: grid;
  gap: 6px;
  padding: 4px 12px;
  border-inline-start: 4px solid var(--indigo);
  background: var(--raised);
  border-radius: 0 var(--radius) var(--radius) 0;
  &.over {
    border-color: var(--moss);
  }
  &.asks {
    border-color: var(--ochre);
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    align-items: center;
  }
  .name {
    font-weight: 600;
    overflow-wrap: anywhere;
  }
`;
const Bar = styled(ProgressBar)`
  flex: 1;
  min-width: 90px;
  height: 8px;
  background: var(--line);
  border-radius: 4px;
  overflow: hidden;
  div {
    height: 100%;
    background: var(--indigo);
  }
`;
/** Milliseconds that the line of a batch that went well is to be seen. */
const GLANCE = 12_000;
const asks = (a: Arrival) => a.state === 'same' || a.state === 'failed' || a.problem !== undefined;

/** What is on its way in: one line, and below it only what needs an answer. */
export function Arrivals({
  arrivals,
  onAgain,
  onPutAway,
  wanting = [],
  onShow,
}: {
  arrivals: Arrival[];
  onAgain: (arrival: Arrival) => void;
  onPutAway: (id?: string) => void;
  /** Slides of which something may be wrong with the picture. */
  wanting?: string[];
  onShow?: (slides: string[]) => void;
}) {
  const done = arrivals.filter((a) => a.state === 'done').length;
  const asking = arrivals.filter(asks);
  const under = arrivals.filter((a) => a.state !== 'done' && !asks(a));
  const came = wanting.filter((slide) => arrivals.some((a) => a.id === slide && a.state === 'done'));
  const isOver = arrivals.length > 0 && done === arrivals.length;
  useEffect(() => {
    if (!isOver) return undefined;
    const timer = setTimeout(() => onPutAway(), GLANCE);
    return () => clearTimeout(timer);
  }, [isOver, onPutAway]);
  if (arrivals.length === 0) return null;
  const share = (done + under.reduce((sum, a) => sum + a.share * 0.9, 0)) / Math.max(1, done + under.length);
  return (
    <Box aria-label={say('arrivals.on-their-way')} className={isOver ? 'over' : asking.length > 0 ? 'asks' : ''}>
      <Row style={{ minHeight: 40 }}>
        {isOver && <TickIcon />}
        <span role="status">
          {isOver ? say('arrivals.came', { count: done }) : say('arrivals.came-of', { done, count: arrivals.length })}
        </span>
        {under.length > 0 && (
          <Bar aria-label={say('arrivals.how-far')} value={share * 100}>
            <div style={{ width: `${share * 100}%` }} />
          </Bar>
        )}
        {under.length > 0 && <Soft as="span">{say('arrivals.go-on')}</Soft>}
        {under.length === 0 && (
          <>
            <span style={{ flex: 1 }} />
            <IconButton label={say('arrivals.close')} onPress={() => onPutAway()}>
              <CloseIcon />
            </IconButton>
          </>
        )}
      </Row>
      {came.length > 0 && (
        <Row>
          <Soft as="span">{say('arrivals.want-a-look', { count: came.length })}</Soft>
          <Button onPress={() => onShow?.(came)}>{say('arrivals.show')}</Button>
        </Row>
      )}
      {asking.length > 0 && (
        <ul>
          {asking.map((arrival) => (
            <li key={arrival.id}>
              <span className="name">{arrival.name}</span>
              <span>{arrival.state === 'same' ? say('arrivals.same') : arrival.problem}</span>
              {arrival.state === 'same' && (
                <Button onPress={() => onAgain(arrival)}>{say('arrivals.use-again')}</Button>
              )}
              <Button onPress={() => onPutAway(arrival.id)}>{say('arrivals.leave-out')}</Button>
            </li>
          ))}
        </ul>
      )}
    </Box>
  );
}
