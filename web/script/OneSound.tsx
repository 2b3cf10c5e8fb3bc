import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { useNavigate } from 'react-router';
import { sentence } from '../api/client';
import { soundFiles } from '../assets/kinds';
import { useSendIn } from '../assets/useSendIn';
import { say } from '../messages/say';
import { Button, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { useActs } from '../story/StoryContext';

/** One long recording for all slides, or several in the order of their names: brought in, then divided. */
export function OneSound() {
  const { id } = useActs();
  const sendIn = useSendIn(id);
  const navigate = useNavigate();
  const tell = useTell();
  const [isBusy, setBusy] = useState(false);
  const bring = async (list: FileList | null) => {
    const files = [...(list ?? [])].toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
    if (files.length === 0) return;
    setBusy(true);
    try {
      const voices: string[] = [];
      for (const file of files) voices.push((await sendIn('voice', file)).asset);
      void navigate(`/stories/${id}/split?voices=${voices.join(',')}`);
    } catch (error) {
      tell(sentence(error), { tone: 'trouble' });
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <h3>{say('split.title')}</h3>
      <Row>
        <FileTrigger allowsMultiple acceptedFileTypes={soundFiles} onSelect={(files) => void bring(files)}>
          <Button isPending={isBusy}>{say(isBusy ? 'voice.being-brought-in' : 'split.bring-in')}</Button>
        </FileTrigger>
      </Row>
      <Soft>{say('split.hint-bring')}</Soft>
    </>
  );
}
