import { answer, api } from '../../api/client';
import type { ClassView } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { offered, Picks } from '../../parts/Choice';
import { Card, Soft } from '../../parts/controls';
import type { Act } from './useRoll';

const kinds: [ClassView['cards'], Code][] = [
  ['words', 'class.card-kind-words'],
  ['pictures', 'class.card-kind-pictures'],
];

/** What stands on the cards that are made from now on. */
export function CardKind({ classroom: { id, cards }, act }: { classroom: ClassView; act: Act }) {
  const choose = (kind: ClassView['cards']) =>
    void act(() => answer(api.PUT('/api/classes/{id}/cards', { params: { path: { id } }, body: { kind } })));
  return (
    <Card aria-label={say('class.card-kind')}>
      <Picks label={say('class.card-kind')} value={cards} options={offered(kinds)} onChange={choose} />
      <Soft>{say('class.card-kind-hint')}</Soft>
    </Card>
  );
}
