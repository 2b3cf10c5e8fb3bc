import { useState } from 'react';
import { useNavigate } from 'react-router';
import limits from '../../schema/limits.json';
import { answer, api, sentence } from '../api/client';
import { say } from '../messages/say';
import { Button, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { useActs, useView } from '../story/StoryContext';

/** The story once more: as it is, or to be told again. */
export function CopyStory() {
  const { id } = useActs();
  const { story } = useView();
  const navigate = useNavigate();
  const tell = useTell();
  const [isBusy, setBusy] = useState(false);
  const copy = (voices: boolean) => {
    // Pressed twice it is one copy.
    if (isBusy) return;
    setBusy(true);
    const title = say('copy.named', { title: story.title });
    answer(
      api.POST('/api/stories/{id}/copies', {
        params: { path: { id } },
        body: { title: title.length > limits.title ? story.title : title, voices },
      }),
    )
      .then((made) => {
        void navigate(`/stories/${made.id}`);
        tell(say('copy.made'));
      })
      .catch((error: unknown) => tell(sentence(error), { tone: 'trouble' }))
      .finally(() => setBusy(false));
  };
  return (
    <>
      <h3>{say('copy.title')}</h3>
      <Row>
        <Button isPending={isBusy} onPress={() => copy(true)}>
          {say('copy.with-voices')}
        </Button>
        <Button isPending={isBusy} onPress={() => copy(false)}>
          {say('copy.without-voices')}
        </Button>
      </Row>
      <Soft>
        {say('copy.without-hint')} {say('copy.hint')}
      </Soft>
    </>
  );
}
