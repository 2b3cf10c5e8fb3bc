import { useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, sentence } from '../../api/client';
import { say } from '../../messages/say';
import { Button, Card, Soft } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { useOnce } from '../../parts/useOnce';

/** The students of the course that the class is on a learning platform: they come in before any of them has been here. */
export function FromPlatform({ id }: { id: string }) {
  const queries = useQueryClient();
  const tell = useTell();
  const path = { params: { path: { id } } };
  const { data } = useQuery({
    queryKey: ['class-platform', id],
    queryFn: () => answer(api.GET('/api/classes/{id}/platform', path)),
  });
  const { busy, once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  if (!data?.platform) return null;
  const bring = () =>
    void once(async () => {
      const { came } = await answer(api.POST('/api/classes/{id}/platform', path));
      await queries.invalidateQueries({ queryKey: ['class', id] });
      tell(came > 0 ? say('class.came', { count: came }) : say('class.all-there'));
    });
  return (
    <Card aria-labelledby="platform">
      <h2 id="platform">{data.platform}</h2>
      <Soft>{say('class.platform-hint')}</Soft>
      <div>
        <Button isDisabled={busy} onPress={bring}>
          {say('class.bring-from-platform')}
        </Button>
      </div>
    </Card>
  );
}
