import { useRef, useState } from 'react';
import limits from '../../schema/limits.json';
import { say, type Code } from '../messages/say';
import { offered, Picks, Select } from '../parts/Choice';
import { Act, Field, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { clock } from '../parts/time';
import { isWordsAlone } from '../story/slides';
import { useActs, useView } from '../story/StoryContext';
import { useRehearsal } from '../story/useRehearsal';

type Way = 'meant' | 'parts' | 'evenly';
const ways: [Way, Code][] = [
  ['meant', 'deal.as-meant'],
  ['parts', 'deal.parts'],
  ['evenly', 'deal.evenly'],
];

/** A whole text becomes the scripts of the slides. */
export function DealText() {
  const { edit, undo } = useActs();
  const { id, revision, story } = useView();
  const rehearsal = useRehearsal(id, revision);
  const tell = useTell();
  const [text, setText] = useState('');
  const [way, setWay] = useState<Way>('meant');
  const [chosen, setChosen] = useState<string | null>(null);
  const from = story.slides.find(({ id }) => id === chosen) ?? story.slides.find((slide) => !isWordsAlone(slide));
  const first = from ?? story.slides[0];
  const words = text.trim() === '' ? 0 : text.trim().split(/\s+/).length;
  const isDealing = useRef(false);
  const deal = async () => {
    // Pressed twice it is dealt once, also before the page is drawn again.
    if (!first || isDealing.current) return;
    isDealing.current = true;
    const before = new Map(story.slides.map(({ id, script }) => [id, script]));
    const done = await edit({ do: 'deal script', from: first.id, text, ...(way === 'meant' ? {} : { way }) });
    isDealing.current = false;
    if (!done) return;
    setText('');
    const count = done.story.slides.filter(({ id, script }) => script !== before.get(id)).length;
    tell(say('deal.done', { count }), { action: { label: say('story.undo'), run: () => void undo() } });
  };
  return (
    <>
      <h3>{say('deal.title')}</h3>
      <Soft>{say('deal.hint')}</Soft>
      <Field label={say('deal.text')} lines={5} max={limits.wholeScript} value={text} onChange={setText} />
      {words > 0 && (
        <>
          {rehearsal && (
            <Soft>{say('deal.long', { words, length: clock((60 * words) / rehearsal.wordsPerMinute) })}</Soft>
          )}
          <Select
            label={say('deal.from')}
            value={first?.id ?? ''}
            options={story.slides.map(({ id }, i) => [id, say('slide.number', { slide: i + 1 })])}
            onChange={setChosen}
          />
          <Picks label={say('deal.way')} value={way} options={offered(ways)} onChange={setWay} />
          <Act onPress={() => void deal()} style={{ justifySelf: 'start' }}>
            {say('deal.do')}
          </Act>
        </>
      )}
    </>
  );
}
