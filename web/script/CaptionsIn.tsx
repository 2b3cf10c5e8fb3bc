import { FileTrigger } from 'react-aria-components';
import { sentence } from '../api/client';
import { useSendIn } from '../assets/useSendIn';
import { Button, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { useActs, useView } from '../story/StoryContext';
import { say } from '../messages/say';

/** Where the captions come from: the scripts, or a file. */
export function CaptionsIn() {
  const view = useView();
  const { edit, undo } = useActs();
  const sendIn = useSendIn(view.id);
  const tell = useTell();
  const count = view.story.captions?.length ?? null;
  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    try {
      await sendIn('captions', file);
      tell(say('captions-in.shown'), {
        action: { label: say('story.undo'), run: () => void edit({ do: 'drop captions' }) },
      });
    } catch (error) {
      tell(sentence(error), { tone: 'trouble' });
    }
  };
  return (
    <>
      <h3>{say('play.captions')}</h3>
      <Soft>{count === null ? say('captions-in.made') : say('captions-in.of-a-file', { count })}</Soft>
      <Row>
        <FileTrigger
          acceptedFileTypes={['.vtt', '.srt', '.txt', 'text/vtt', 'text/plain', 'application/x-subrip']}
          onSelect={(files) => void bringIn(files?.[0])}
        >
          <Button>{say('captions-in.bring-in')}</Button>
        </FileTrigger>
        {count !== null && (
          <Button
            onPress={() =>
              void edit({ do: 'scripts from captions' }).then(
                (done) =>
                  done &&
                  tell(say('captions-in.are-scripts'), {
                    action: { label: say('story.undo'), run: () => void undo() },
                  }),
              )
            }
          >
            {say('captions-in.to-scripts')}
          </Button>
        )}
        {count !== null && (
          <Button onPress={() => void edit({ do: 'drop captions' })}>{say('captions-in.make-again')}</Button>
        )}
      </Row>
    </>
  );
}
