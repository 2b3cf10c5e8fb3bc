import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { say } from '../messages/say';
import { Card, Quiet, Soft, Wrong } from '../parts/controls';
import { Drawer } from '../parts/Drawer';
import { names } from '../parts/names';
import { useTell } from '../parts/notices';
import { useTried } from '../parts/useTried';
import { useActs, useView } from '../story/StoryContext';
import { MakersList } from './MakersList';
import { join, leave, useMakers } from './useMakers';

/** Whoever makes a story sees with whom; where its task lets several make one, others come to it. */
export function Together() {
  const { id } = useActs();
  const { makers, assignment } = useView();
  if (makers.length < 2 && (assignment?.together ?? 1) < 2) return null;
  const label = makers.length < 2 ? say('together.make-it') : say('together.by', { names: names(makers) });
  return (
    <Drawer label={label}>
      <Makers story={id} />
    </Drawer>
  );
}

function Makers({ story }: { story: string }) {
  const { makers, keep } = useMakers(story);
  const { title } = useView().story;
  const { wrong, busy, tried } = useTried();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const tell = useTell();
  const goAway = async (me: string) => {
    await leave(story, me);
    await navigate('/');
    queries.removeQueries({ queryKey: ['story', story] });
    tell(say('together.left', { title }));
  };
  return (
    <Card aria-labelledby="together">
      <h2 id="together">{say('together.title')}</h2>
      {makers ? (
        <>
          <Soft>{say('together.hint', { most: makers.most })}</Soft>
          <MakersList
            told={makers}
            onJoin={(maker) => tried(async () => keep(await join(story, maker)))}
            act={({ id }) =>
              id === makers.me &&
              makers.makers.length > 1 && (
                <Quiet isDisabled={busy} onPress={() => void tried(() => goAway(id))}>
                  {say('together.leave')}
                </Quiet>
              )
            }
          />
        </>
      ) : (
        <Soft>{say('page.one-moment')}</Soft>
      )}
      <Wrong text={wrong} />
    </Card>
  );
}
