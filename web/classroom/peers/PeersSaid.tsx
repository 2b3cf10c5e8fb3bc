import { api } from '../../api/client';
import type { HandInView } from '../../api/types';
import { say } from '../../messages/say';
import { Button, Card, Row, Soft } from '../../parts/controls';
import { useAnswered } from '../useAnswered';
import { PeerWords } from './PeerWords';

const SHOWN = '/api/handins/{id}/peers/{reviewer}/shown';

/** What students said of a film: who teaches them lets it be read, who made it reads what may be. */
export function PeersSaid({ data }: { data: HandInView }) {
  const { answered } = useAnswered(data.id);
  if (data.peers.length === 0) return null;
  const set = (reviewer: string, isShown: boolean) => {
    const asked = { params: { path: { id: data.id, reviewer } } };
    void answered(() => (isShown ? api.PUT(SHOWN, asked) : api.DELETE(SHOWN, asked)));
  };
  return (
    <Card aria-labelledby="peers">
      <h2 id="peers">{say('peer.by-students')}</h2>
      <ul style={{ display: 'grid', gap: 14 }}>
        {data.peers.map((one) => (
          <li key={one.reviewer} style={{ display: 'grid', gap: 4 }}>
            <Row style={{ justifyContent: 'space-between' }}>
              <strong>{one.name}</strong>
              {data.mayAnswer && !one.isShown && <Soft as="span">{say('peer.is-held')}</Soft>}
            </Row>
            <PeerWords said={one} />
            {data.mayAnswer && <Reading one={one} onSet={(isShown) => set(one.reviewer, isShown)} />}
          </li>
        ))}
      </ul>
    </Card>
  );
}

/** Whether who made the film reads it. */
function Reading({
  one: { name, isShown },
  onSet,
}: {
  one: HandInView['peers'][number];
  onSet: (isShown: boolean) => void;
}) {
  return (
    <div>
      <Button aria-label={say(isShown ? 'peer.hide' : 'peer.show', { name })} onPress={() => onSet(!isShown)}>
        {say(isShown ? 'peer.hide-short' : 'peer.show-short')}
      </Button>
    </div>
  );
}
