import { useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { told } from '../../api/told';
import type { AssignmentView } from '../../api/types';
import { say } from '../../messages/say';
import { eveningAddress } from '../../parts/addresses';
import { Button, Card, Quiet, Soft, Wrong } from '../../parts/controls';
import { LinkToCopy } from '../../parts/ToCopy';
import { useTell } from '../../parts/notices';
import { day } from '../../parts/time';
import { useTried } from '../../parts/useTried';

/** A link by which parents watch what the class watches, without names; it is taken back at any time. */
export function ForParents({ id, evening }: { id: string; evening: AssignmentView['evening'] }) {
  const queries = useQueryClient();
  const tell = useTell();
  const { wrong, busy, tried } = useTried();
  const params = { path: { id } };
  const keep = (now: AssignmentView['evening']) =>
    told<AssignmentView>(queries, ['assignment', id], (old) => old && { ...old, evening: now });
  const open = async () => keep(await answer(api.PUT('/api/assignments/{id}/evening', { params })));
  const close = async () => {
    await answer(api.DELETE('/api/assignments/{id}/evening', { params }));
    await keep(null);
    tell(say('evening.closed'));
  };
  return (
    <Card aria-labelledby="evening">
      <h2 id="evening">{say('evening.title')}</h2>
      {evening ? (
        <LinkToCopy address={eveningAddress(evening.code)} hint={say('evening.until', { day: day(evening.until) })}>
          <Quiet isDisabled={busy} onPress={() => void tried(close)}>
            {say('evening.close')}
          </Quiet>
        </LinkToCopy>
      ) : (
        <>
          <Soft>{say('evening.hint')}</Soft>
          <div>
            <Button isDisabled={busy} onPress={() => void tried(open)}>
              {say('evening.open')}
            </Button>
          </div>
        </>
      )}
      <Wrong text={wrong} />
    </Card>
  );
}
