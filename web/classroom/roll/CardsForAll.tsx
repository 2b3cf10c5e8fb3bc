import { useState } from 'react';
import { answer, api } from '../../api/client';
import type { ClassView } from '../../api/types';
import { say } from '../../messages/say';
import { Button, Card, Row } from '../../parts/controls';
import { keepCards } from './cards';
import type { Act } from './useRoll';

/** New cards for a whole class. What everybody holds works no longer then, which nothing brings back: it is said before. */
export function CardsForAll({
  classroom: { id, students },
  busy,
  act,
}: {
  classroom: ClassView;
  busy: boolean;
  act: Act;
}) {
  const [asks, setAsks] = useState(false);
  const make = async () => {
    const isMade = await act(async () => {
      const asked = { params: { path: { id } }, body: { students: students.map((one) => one.id) } };
      keepCards(id, await answer(api.POST('/api/classes/{id}/cards', asked)));
      return undefined;
    });
    if (isMade) setAsks(false);
  };
  if (!asks)
    return (
      <div>
        <Button onPress={() => setAsks(true)}>{say('class.cards-for-all')}</Button>
      </div>
    );
  return (
    <Card aria-label={say('class.cards-for-all')}>
      <p>{say('class.cards-for-all-hint')}</p>
      <Row>
        <Button isDisabled={busy} onPress={() => void make()}>
          {say('class.make-cards', { count: students.length })}
        </Button>
        <Button onPress={() => setAsks(false)}>{say('page.not-now')}</Button>
      </Row>
    </Card>
  );
}
