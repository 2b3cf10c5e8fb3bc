import { useState } from 'react';
import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import type { Scene, Slide, WordsLayer } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { offered, Segments } from '../../parts/Choice';
import { Button, Row } from '../../parts/controls';
import { useActs } from '../../story/StoryContext';
import { wordsOnPicture, wordsOf, isWordsAlone } from '../../story/slides';
import { newId } from '../../story/useStory';
import { PlaceFields } from './PlaceFields';
import { TimeFields } from './TimeFields';
import { TypeFields } from './TypeFields';

type Role = WordsLayer['role'];

const Fields = styled.section`
  display: grid;
  gap: 12px;
  border-block-start: 1px solid var(--line);
  padding-block-start: 12px;
`;
const Ways = styled(Row)`
  &:empty {
    display: none;
  }
`;
type Tab = 'look' | 'place' | 'time';
const tabs: [Tab, Code][] = [
  ['look', 'words.tab-look'],
  ['place', 'words.tab-place'],
  ['time', 'words.tab-time'],
];

/** One of a slide's words: its role and, once it is there, its layer. */
export interface Which {
  id: string;
  role: Role;
  name: string;
  layer: WordsLayer | undefined;
}

export function wordsIn(slide: Slide): Which[] {
  const one = (role: Role, name: string, layer = wordsOf(slide, role)): Which => ({
    id: layer?.id ?? role,
    role,
    name,
    layer,
  });
  if (isWordsAlone(slide)) return [one('title', say('words.title')), one('subtitle', say('words.subtitle'))];
  const captions = wordsOnPicture(slide);
  if (captions.length === 0) return [one('caption', '1')];
  return captions.map((layer, n) => one(layer.role, String(n + 1), layer));
}

interface Props {
  slide: Slide;
  scene: Scene | undefined;
  /** The words that are chosen; the first where they are not there. */
  chosen: string | undefined;
  onChoose: (id: string) => void;
}

/** How the words of a slide look, one after the other: those on its picture, or its title and what stands below. */
export function LookFields({ slide, scene, chosen, onChoose }: Props) {
  const { edit } = useActs();
  const [tab, setTab] = useState<Tab>('look');
  const all = wordsIn(slide);
  const which = all.find(({ id }) => id === chosen) ?? all[0];
  if (!which) return null;
  const add = () => {
    const id = newId();
    onChoose(id);
    void edit({ do: 'set layer', slide: slide.id, layer: id, kind: 'words', changes: { role: 'caption', text: '' } });
  };
  const hasMore = !isWordsAlone(slide);
  // A title stands where its slide has it.
  const shown = offered(tabs.filter(([one]) => one !== 'place' || hasMore));
  const on = shown.some(([one]) => one === tab) ? tab : 'look';
  const Settings = { look: TypeFields, place: PlaceFields, time: TimeFields }[on];
  return (
    <>
      <Ways>
        {all.length > 1 && (
          <Segments
            label={say('words.which')}
            value={which.id}
            options={all.map(({ id, name }) => [id, name])}
            onChange={onChoose}
          />
        )}
        {hasMore && all.length < limits.wordsOnPicture && which.layer && (
          <Button onPress={add}>{say('words.add')}</Button>
        )}
        {hasMore && all.length > 1 && (
          <Button onPress={() => void edit({ do: 'delete layer', slide: slide.id, layer: which.id })}>
            {say('words.take-off')}
          </Button>
        )}
      </Ways>
      <Fields aria-label={say('words.look')}>
        <Segments label={say('words.what')} value={on} options={shown} onChange={setTab} />
        <Settings key={which.id} slide={slide} scene={scene} which={which} />
      </Fields>
    </>
  );
}
