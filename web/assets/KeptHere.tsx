import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { answer, api, sentence } from '../api/client';
import { useDesk } from '../api/useDesk';
import { Select } from '../parts/Choice';
import { Button, Row, Soft, Wrong } from '../parts/controls';
import { Drawer } from '../parts/Drawer';
import { Hear } from '../parts/Hear';
import { useTell } from '../parts/notices';
import { ago } from '../parts/time';
import { useOnce } from '../parts/useOnce';
import { say } from '../messages/say';
import type { Kept } from './keeper';
import { askAgain, soundFile, takeAway, useKeptHere } from './keptHere';
import { Sender } from './Sender';
import { useFetchStory } from './useSendIn';

const Line = styled(Row)`
  padding: 8px 8px 8px 16px;
  border: 1px solid var(--ochre);
  border-radius: var(--radius);
  background: var(--raised);
  > p {
    flex: 1 1 16rem;
  }
`;
const Inside = styled.div`
  padding: 0 20px 24px;
  display: grid;
  gap: 20px;
  li {
    display: grid;
    gap: 10px;
    padding-block-start: 16px;
    border-block-start: 1px solid var(--line);
  }
`;

/** Says that something spoken lies in this browser only, with the way to what can be done. */
export function KeptHere({ person }: { person: string }) {
  const here = useKeptHere(person);
  if (here.length === 0) return null;
  return (
    <Line role="region" aria-label={say('kept-here.title')}>
      <p>{say('kept-here.how-many', { count: here.length })}</p>
      <Drawer label={say('kept-here.title')} button={<Button>{say('kept-here.see')}</Button>}>
        <Inside>
          <h2>{say('kept-here.title')}</h2>
          <Soft>{say('kept-here.explain')}</Soft>
          <ul>
            {here.map((kept) => (
              <Recording key={kept.id} kept={kept} />
            ))}
          </ul>
        </Inside>
      </Drawer>
    </Line>
  );
}

/** Its sound, as a browser plays and saves it. */
function useSound(kept: Kept): { src: string; file: string } {
  const [sound, setSound] = useState({ src: '', file: '' });
  useEffect(() => {
    let src = '';
    let isGone = false;
    void soundFile(kept).then((file) => {
      if (isGone) return;
      src = URL.createObjectURL(file);
      setSound({ src, file: file.name });
    });
    return () => {
      isGone = true;
      URL.revokeObjectURL(src);
    };
  }, [kept]);
  return sound;
}

function Recording({ kept }: { kept: Kept }) {
  const tell = useTell();
  const fetchStory = useFetchStory();
  const [isPutting, setPutting] = useState(false);
  const { src, file } = useSound(kept);
  const { busy, once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  const when = ago(new Date(kept.begun).toISOString());
  const from = useDesk()?.stories.find(({ id }) => id === kept.story);
  const send = (elsewhere?: { story: string; slide: string }) =>
    once(async () => {
      const anew = await askAgain(kept, elsewhere);
      await new Sender(anew).settle();
      tell(say('unsent.voice-safe'));
      await fetchStory(anew.story);
    });
  const remove = () =>
    once(async () => {
      const back = await takeAway(kept);
      tell(say('kept-here.deleted'), { action: { label: say('desk.bring-back'), run: () => void back() } });
    });
  return (
    <li>
      <p>
        <strong>{say('kept-here.spoken', { when })}</strong>
        {from && <Soft as="span"> · {from.title}</Soft>}
      </p>
      {kept.refused && <Wrong text={say(kept.refused)} />}
      <Row>
        <Hear src={src} label={say('kept-here.hear-this', { when })} text={say('kept-here.hear')} />
        <a href={src} download={file}>
          {say('kept-here.save')}
        </a>
      </Row>
      <Row>
        <Button isDisabled={busy} onPress={() => void send()}>
          {say('kept-here.again')}
        </Button>
        <Button isDisabled={busy} aria-expanded={isPutting} onPress={() => setPutting(!isPutting)}>
          {say('kept-here.put')}
        </Button>
        <Button isDisabled={busy} onPress={() => void remove()}>
          {say('kept-here.delete')}
        </Button>
      </Row>
      {isPutting && <Elsewhere from={from?.id ?? ''} onChosen={(story, slide) => void send({ story, slide })} />}
    </li>
  );
}

/** Any slide of one's own stories, of the one that it was spoken for to begin with. */
function Elsewhere({ from, onChosen }: { from: string; onChosen: (story: string, slide: string) => void }) {
  const desk = useDesk();
  const [story, setStory] = useState(from);
  const [slide, setSlide] = useState('');
  const { data: view } = useQuery({
    queryKey: ['slides to speak', story],
    queryFn: () => answer(api.GET('/api/stories/{id}', { params: { path: { id: story } } })),
    enabled: story !== '',
  });
  const slides = view?.story.slides ?? [];
  if (desk?.stories.length === 0) return <Soft>{say('kept-here.no-story')}</Soft>;
  return (
    <Row>
      <Select
        label={say('kept-here.story')}
        value={story}
        options={(desk?.stories ?? []).map(({ id, title }) => [id, title])}
        onChange={(id) => {
          setStory(id);
          setSlide('');
        }}
      />
      <Select
        label={say('kept-here.slide')}
        value={slide}
        options={slides.map(({ id }, n) => [id, String(n + 1)])}
        isDisabled={slides.length === 0}
        onChange={setSlide}
      />
      <Button isDisabled={slide === ''} onPress={() => onChosen(story, slide)}>
        {say('kept-here.put-there')}
      </Button>
    </Row>
  );
}
