import { say } from '../messages/say';
import { GoTo, Soft } from '../parts/controls';
import { useActs } from '../story/StoryContext';

/** All of the story as one file: what is made here stays with whoever made it. */
export function TakeHome() {
  const { id } = useActs();
  return (
    <>
      <h3>{say('take-home.title')}</h3>
      <div>
        <GoTo as="a" href={`/api/stories/${id}/story.zip`} to="" download>
          {say('take-home.story')}
        </GoTo>
      </div>
      <Soft>{say('take-home.hint')}</Soft>
    </>
  );
}
