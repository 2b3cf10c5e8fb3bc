import { useState } from 'react';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { Button, Row, Soft } from '../parts/controls';
import type { Together } from './useMakers';

interface Props {
  told: Together;
  /** What may be done with one who makes it; nothing where that is not one's own. */
  act: (maker: { id: string; name: string }) => React.ReactNode;
  onJoin: (maker: string) => Promise<unknown>;
}

/** Who makes a story, and who of the class comes to it. */
export function MakersList({ told, act, onJoin }: Props) {
  const [who, setWho] = useState<string>();
  const chosen = told.others.find(({ id }) => id === who) ?? told.others[0];
  const hasRoom = told.makers.length < told.most;
  return (
    <>
      <ul>
        {told.makers.map((maker) => (
          <li key={maker.id}>
            <Row style={{ justifyContent: 'space-between' }}>
              <strong>{maker.name}</strong>
              {act(maker)}
            </Row>
          </li>
        ))}
      </ul>
      {hasRoom && chosen ? (
        <Row style={{ alignItems: 'end' }}>
          <Select
            label={say('together.who')}
            value={chosen.id}
            options={told.others.map(({ id, name }): [string, string] => [id, name])}
            onChange={setWho}
          />
          <Button onPress={() => void onJoin(chosen.id)}>{say('together.add')}</Button>
        </Row>
      ) : (
        <Soft>{say('together.full', { most: told.most })}</Soft>
      )}
    </>
  );
}
