import { ProgressBar } from 'react-aria-components';
import styled from 'styled-components';
import { Button, Card, Row, Soft } from '../parts/controls';
import type { Arrival } from './usePicturesIn';

const List = styled.ul`
  display: grid;
  gap: 6px;
  max-height: 220px;
  overflow: auto;
  li {
    display: grid;
    grid-template-columns: minmax(120px, 1fr) minmax(140px, 2fr);
    gap: 12px;
    align-items: center;
  }
  .name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`;
const Bar = styled(ProgressBar)`
  height: 8px;
  background: var(--line);
  border-radius: 4px;
  overflow: hidden;
  div {
    height: 100%;
    background: var(--indigo);
  }
`;
const said = { waiting: 'waits', sending: 'is being sent', preparing: 'is being prepared', done: 'is here' };

/** What is on its way in, file by file. */
export function Arrivals({
  arrivals,
  onAgain,
  onPutAway,
}: {
  arrivals: Arrival[];
  onAgain: (arrival: Arrival) => void;
  onPutAway: (id?: string) => void;
}) {
  if (arrivals.length === 0) return null;
  const done = arrivals.filter((a) => a.state === 'done').length;
  const over = arrivals.every((a) => ['done', 'failed', 'same'].includes(a.state));
  return (
    <Card aria-label="Pictures on their way in">
      <Row style={{ justifyContent: 'space-between' }}>
        <p role="status">
          {done} of {arrivals.length} pictures are here
        </p>
        {over && <Button onPress={() => onPutAway()}>Put this list away</Button>}
      </Row>
      <List>
        {arrivals.map((arrival) => (
          <li key={arrival.id}>
            <span className="name" title={arrival.name}>
              {arrival.name}
            </span>
            {arrival.state === 'failed' && <span>{arrival.problem}</span>}
            {arrival.state === 'same' && (
              <Row>
                <span>This picture is in the story already.</span>
                <Button onPress={() => onAgain(arrival)}>Use it again</Button>
                <Button onPress={() => onPutAway(arrival.id)}>Leave it</Button>
              </Row>
            )}
            {arrival.state !== 'failed' && arrival.state !== 'same' && (
              <Bar
                aria-label={`${arrival.name} ${said[arrival.state]}`}
                value={arrival.share * 100}
                isIndeterminate={arrival.state === 'preparing'}
              >
                <div style={{ width: `${arrival.share * 100}%` }} />
              </Bar>
            )}
          </li>
        ))}
      </List>
      <Soft>You can go on working meanwhile.</Soft>
    </Card>
  );
}
