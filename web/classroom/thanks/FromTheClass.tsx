import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { told } from '../../api/told';
import type { ThanksView } from '../../api/types';
import { say } from '../../messages/say';
import { Button, Card, IconButton, Soft, Wrong } from '../../parts/controls';
import { BinIcon } from '../../parts/icons';
import { useTried } from '../../parts/useTried';
import { ThanksList } from './ThanksList';

/** Seconds from one look to the next, while thank-yous come in. */
const EVERY = 6;

/** Whether the class may say thank you, each from their own device; and what they said. */
export function FromTheClass({ id }: { id: string }) {
  const queries = useQueryClient();
  const { wrong, busy, tried } = useTried();
  const params = { path: { id } };
  const queryKey = ['thanks', id];
  const { data } = useQuery({
    queryKey,
    queryFn: () => answer(api.GET('/api/assignments/{id}/thanks', { params })),
    refetchOnMount: 'always',
    refetchInterval: (query) => (query.state.data?.isOpen ? EVERY * 1000 : false),
  });
  if (!data) return null;
  const keep = (now: ThanksView) => told<ThanksView>(queries, queryKey, now);
  const set = async () =>
    keep(
      await answer(
        data.isOpen
          ? api.DELETE('/api/assignments/{id}/thanks', { params })
          : api.PUT('/api/assignments/{id}/thanks', { params }),
      ),
    );
  const leaveOut = async (film: string, person: string) =>
    keep(await answer(api.DELETE('/api/handins/{id}/thanks/{person}', { params: { path: { id: film, person } } })));
  return (
    <Card aria-labelledby="from-class">
      <h2 id="from-class">{say('thanks.title')}</h2>
      <Soft>{say(data.isOpen ? 'thanks.is-open' : 'thanks.hint')}</Soft>
      <div>
        <Button isDisabled={busy} onPress={() => void tried(set)}>
          {say(data.isOpen ? 'thanks.close' : 'thanks.open')}
        </Button>
      </div>
      <Wrong text={wrong} />
      {data.films
        .filter(({ thanks }) => thanks.length > 0)
        .map((film) => (
          <section key={film.id} aria-label={film.title} style={{ display: 'grid', gap: 4 }}>
            <h3>{say('thanks.for', { title: film.title, count: film.thanks.length })}</h3>
            <ThanksList
              thanks={film.thanks}
              act={({ person, name }) => (
                <IconButton
                  label={say('thanks.leave-out', { name })}
                  isDisabled={busy}
                  onPress={() => void tried(() => leaveOut(film.id, person))}
                >
                  <BinIcon />
                </IconButton>
              )}
            />
          </section>
        ))}
    </Card>
  );
}
