import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { sentence } from '../api/client';
import { clipFiles, isClip, pictureFiles } from '../assets/kinds';
import { useSendIn, type Onto } from '../assets/useSendIn';
import { say } from '../messages/say';
import { Button } from '../parts/controls';
import { useTell } from '../parts/notices';
import { useActs } from '../story/StoryContext';

/** Brings one picture or clip in onto a slide. */
export function TakePicture({
  onto,
  label,
  name,
  isStill = false,
}: {
  onto: Onto;
  label: string;
  /** What it is called where its label alone does not say. */
  name?: string;
  /** No clip is meant. */
  isStill?: boolean;
}) {
  const { id } = useActs();
  const sendIn = useSendIn(id);
  const tell = useTell();
  const [busy, setBusy] = useState(false);
  const take = (files: FileList | null) => {
    const file = files?.[0];
    if (!file) return;
    setBusy(true);
    sendIn(isClip(file) ? 'clip' : 'picture', file, onto)
      .catch((error: unknown) =>
        tell(say('page.of-a-file', { file: file.name, said: sentence(error) }), { tone: 'trouble' }),
      )
      .finally(() => setBusy(false));
  };
  return (
    <FileTrigger acceptedFileTypes={isStill ? pictureFiles : [...pictureFiles, ...clipFiles]} onSelect={take}>
      <Button isPending={busy} aria-label={name}>
        {busy ? say('voice.being-brought-in') : label}
      </Button>
    </FileTrigger>
  );
}
