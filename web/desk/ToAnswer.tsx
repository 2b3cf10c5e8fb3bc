import type { Desk } from '../api/types';
import { say } from '../messages/say';
import { GoTo, Mark, Row, Soft } from '../parts/controls';
import { Due } from './Due';

/** Films of others that a student watches by lot, and says something to. */
export function ToAnswer({ films }: { films: Desk['toAnswer'] }) {
  if (films.length === 0) return null;
  return (
    <Due aria-labelledby="to-answer">
      <h2 id="to-answer">{say('peer.to-watch')}</h2>
      <ul style={{ display: 'grid', gap: 8 }}>
        {films.map(({ id, title, task, isWritten }) => (
          <li key={id}>
            <Row>
              <GoTo to={`/handins/${id}`}>{say('peer.watch', { title })}</GoTo>
              {isWritten && <Mark $tone="accepted">{say('peer.written')}</Mark>}
              <Soft as="span">{say('peer.of-task', { task })}</Soft>
            </Row>
          </li>
        ))}
      </ul>
    </Due>
  );
}
