import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Form } from 'react-aria-components';
import limits from '../../../schema/limits.json';
import { answer, api } from '../../api/client';
import { say } from '../../messages/say';
import { cardAddress } from '../../parts/addresses';
import { Button, Card, Field, Quiet, Row, Soft, Wrong } from '../../parts/controls';
import { MadeLink } from '../../parts/Invite';
import { day } from '../../parts/time';
import { useTried } from '../../parts/useTried';

/** Who is asked to watch a film from outside the class: asked by a link, and asked no longer. */
export function Guests({ handIn }: { handIn: string }) {
  const queries = useQueryClient();
  const queryKey = ['guests', handIn];
  const params = { path: { id: handIn } };
  const { data = [] } = useQuery({
    queryKey,
    queryFn: () => answer(api.GET('/api/handins/{id}/guests', { params })),
    refetchOnMount: 'always',
  });
  const { wrong, busy, tried } = useTried();
  const [name, setName] = useState('');
  const [made, setMade] = useState<{ name: string; code: string; until: string } | null>(null);
  const again = () => queries.invalidateQueries({ queryKey });
  const ask = async () => {
    setMade({ name, ...(await answer(api.POST('/api/handins/{id}/guests', { params, body: { name } }))) });
    setName('');
    await again();
  };
  const drop = async (guest: string) => {
    await answer(api.DELETE('/api/handins/{id}/guests/{guest}', { params: { path: { id: handIn, guest } } }));
    setMade(null);
    await again();
  };
  return (
    <Card aria-labelledby="guests">
      <h2 id="guests">{say('guest.title')}</h2>
      <Soft>{say('guest.hint')}</Soft>
      <ul>
        {data.map((guest) => (
          <li key={guest.id}>
            <Row style={{ justifyContent: 'space-between' }}>
              <span>
                <strong>{guest.name}</strong>{' '}
                <Soft as="span">{say('guest.good-until', { day: day(guest.until) })}</Soft>
              </span>
              <Quiet
                isDisabled={busy}
                aria-label={say('guest.drop', { name: guest.name })}
                onPress={() => void tried(() => drop(guest.id))}
              >
                {say('guest.drop-short')}
              </Quiet>
            </Row>
          </li>
        ))}
      </ul>
      {made ? (
        <MadeLink
          label={say('guest.link-of', { name: made.name })}
          address={cardAddress(made.code)}
          hint={say('guest.until', { name: made.name, day: day(made.until) })}
          onDone={() => setMade(null)}
        />
      ) : (
        <Form
          style={{ display: 'grid', gap: 12 }}
          onSubmit={(event) => {
            event.preventDefault();
            void tried(ask);
          }}
        >
          <Field
            label={say('guest.name')}
            value={name}
            onChange={setName}
            max={limits.firstName}
            autoComplete="off"
            isRequired
          />
          <div>
            <Button type="submit" isDisabled={busy}>
              {say('guest.ask')}
            </Button>
          </div>
        </Form>
      )}
      <Wrong text={wrong} />
    </Card>
  );
}
