import { FileTrigger } from 'react-aria-components';
import { answer, api, sentence } from '../api/client';
import { Button, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { useActs, useView } from '../story/StoryContext';

/** Files come in whatever letters their programs write: UTF-8 mostly, else what Windows used to. */
async function textOf(file: File): Promise<string> {
  const bytes = await file.arrayBuffer();
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Where the captions come from: the scripts, or a file. */
export function CaptionsIn() {
  const view = useView();
  const { edit, receive } = useActs();
  const tell = useTell();
  const count = view.story.captions?.length ?? null;
  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    try {
      const text = await textOf(file);
      receive(
        await answer(api.POST('/api/stories/{id}/captions', { params: { path: { id: view.id } }, body: { text } })),
      );
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
