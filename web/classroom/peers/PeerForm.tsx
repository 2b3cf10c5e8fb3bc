import { useState } from 'react';
import { Form } from 'react-aria-components';
import limits from '../../../schema/limits.json';
import { answer, api } from '../../api/client';
import { useQueryClient } from '@tanstack/react-query';
import { told } from '../../api/told';
import type { HandInView } from '../../api/types';
import { say } from '../../messages/say';
import { Act, Button, Card, Field, Soft, Wrong } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { useDraft } from '../../parts/useDraft';
import { useTried } from '../../parts/useTried';
import { PeerWords } from './PeerWords';

/** One thing that was liked, and one that was wondered about: what a student says of somebody's film. */
export function PeerForm({ data, peer }: { data: HandInView; peer: NonNullable<HandInView['peer']> }) {
  const queries = useQueryClient();
  const tell = useTell();
  const { wrong, busy, tried } = useTried();
  const [isOpen, setOpen] = useState(!peer.isWritten);
  const [liked, setLiked] = useDraft(`liked-${data.id}`, peer.liked);
  const [wondered, setWondered] = useDraft(`wondered-${data.id}`, peer.wondered);
  const send = async () => {
    const params = { path: { id: data.id } };
    const now = await answer(api.PUT('/api/handins/{id}/peer', { params, body: { liked, wondered } }));
    await told<HandInView>(queries, ['handin', data.id], now);
    await queries.invalidateQueries({ queryKey: ['desk'] });
    setOpen(false);
    tell(say('peer.sent'));
  };
  return (
    <Card aria-labelledby="peer">
      <h2 id="peer">{say('peer.your-words')}</h2>
      {isOpen && !peer.isShown ? (
        <Form
          style={{ display: 'grid', gap: 12 }}
          onSubmit={(event) => {
            event.preventDefault();
            void tried(send);
          }}
        >
          <Soft>{say('peer.hint')}</Soft>
          <Field label={say('peer.liked')} value={liked} onChange={setLiked} lines={2} max={limits.remark} isRequired />
          <Field
            label={say('peer.wondered')}
            value={wondered}
            onChange={setWondered}
            lines={2}
            max={limits.remark}
            isRequired
          />
          <Soft>{say('peer.held', { held: String(data.assignment.peersHeld) })}</Soft>
          <div>
            <Act type="submit" isDisabled={busy}>
              {say('peer.send')}
            </Act>
          </div>
          <Wrong text={wrong} />
        </Form>
      ) : (
        <>
          <PeerWords said={peer} />
          {peer.isShown ? (
            <Soft>{say('peer.is-read')}</Soft>
          ) : (
            <div>
              <Button onPress={() => setOpen(true)}>{say('peer.change')}</Button>
            </div>
          )}
        </>
      )}
    </Card>
  );
}
