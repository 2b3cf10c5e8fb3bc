import { useQueryClient } from '@tanstack/react-query';
import { answer, api, sentence } from '../../api/client';
import type { AssignmentView } from '../../api/types';
import { say } from '../../messages/say';
import { Button, Soft } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { useOnce } from '../../parts/useOnce';

/** Films are dealt to the students, and how far what they say of them is. */
export function Dealing({ data: { assignment, peers } }: { data: AssignmentView }) {
  const { dealt, written, held } = peers;
  const queries = useQueryClient();
  const tell = useTell();
  const { busy, once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  const deal = async () => {
    await answer(api.POST('/api/assignments/{id}/peers', { params: { path: { id: assignment.id } } }));
    await queries.invalidateQueries({ queryKey: ['assignment', assignment.id] });
    tell(say('peer.dealt'));
  };
  return (
    <section aria-labelledby="dealing" style={{ display: 'grid', gap: 8 }}>
      <h2 id="dealing">{say('peer.title')}</h2>
      <Soft role="status">{say('peer.how-far', { dealt, written, held })}</Soft>
      <div>
        <Button isDisabled={busy} onPress={() => void once(deal)}>
          {say(dealt === 0 ? 'peer.deal' : 'peer.deal-more')}
        </Button>
      </div>
    </section>
  );
}
