import { FileTrigger } from 'react-aria-components';
import { sentence } from '../api/client';
import { useSendIn } from '../assets/useSendIn';
import { Button, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { useActs, useView } from '../story/StoryContext';

/** Where the captions come from: the scripts, or a file. */
export function CaptionsIn() {
  const view = useView();
  const { edit } = useActs();
  const sendIn = useSendIn(view.id);
  const tell = useTell();
  const count = view.story.captions?.length ?? null;
  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    try {
      await sendIn('captions', file);
      tell('These captions are shown now instead of those made from the scripts.', {
        action: { label: 'Undo', run: () => void edit({ do: 'drop captions' }) },
      });
    } catch (error) {
      tell(sentence(error), { tone: 'trouble' });
    }
  };
  return (
    <>
      <h3>Captions</h3>
      <Soft>
        {count === null
          ? 'Made from the scripts and timed to the voices.'
          : `${count} captions from a file are shown, instead of those made from the scripts.`}
      </Soft>
      <Row>
        <FileTrigger
          acceptedFileTypes={['.vtt', '.srt', '.txt', 'text/vtt', 'text/plain', 'application/x-subrip']}
          onSelect={(files) => void bringIn(files?.[0])}
        >
          <Button>Bring in captions</Button>
        </FileTrigger>
        {count !== null && (
          <Button onPress={() => void edit({ do: 'drop captions' })}>Make them from the scripts again</Button>
        )}
      </Row>
    </>
  );
}
