import { Suspense, useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { sentence } from '../api/client';
import { soundFiles } from '../assets/kinds';
import { useSendIn } from '../assets/useSendIn';
import { say } from '../messages/say';
import { Button, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { place } from '../parts/place';
import { musicOf } from '../story/styles';
import { useView } from '../story/StoryContext';

const BedSettings = place(() => import('./BedSettings'));

/** The music under the story: brought in, laid under slides, made louder and quieter, credited. */
export function Beds() {
  const view = useView();
  const sendIn = useSendIn(view.id);
  const tell = useTell();
  const [busy, setBusy] = useState(false);
  const { beds } = view.story;
  const bringIn = (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    sendIn('music', file)
      .then(() => {
        tell(say('bed.laid'));
      })
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }))
      .finally(() => setBusy(false));
  };
  return (
    <>
      <h3>{say('bed.title')}</h3>
      {beds.length === 0 && <Soft>{say('bed.none')}</Soft>}
      <Soft>{say(musicOf[view.story.style.name ?? 'thread'])}</Soft>
      {beds.map((bed) => (
        <Suspense key={bed.id} fallback={<Soft>{say('page.one-moment')}</Soft>}>
          <BedSettings bed={bed} />
        </Suspense>
      ))}
      <Row>
        <FileTrigger acceptedFileTypes={soundFiles} onSelect={(files) => bringIn(files?.[0])}>
          <Button isPending={busy}>{say(busy ? 'bed.on-its-way' : 'bed.bring-in')}</Button>
        </FileTrigger>
      </Row>
    </>
  );
}
