import { useState } from 'react';
import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import type { Slide, WordsLayer } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { offered, Segments, Select } from '../../parts/Choice';
import { ColourField } from '../../parts/ColourField';
import { Button, Row } from '../../parts/controls';
import { useActs, useView } from '../../story/StoryContext';
import { wordsOnPicture, wordsOf } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { newId } from '../../story/useStory';
import { SecondsField } from '../SecondsField';
import { WordsSpot } from './WordsSpot';

type Role = WordsLayer['role'];
/** What is told of how words look; null for what follows by itself. */
interface Told {
  size: WordsLayer['size'] | null;
  face: WordsLayer['face'] | null;
  colour: string | null;
  backing: WordsLayer['backing'];
}

const Fields = styled.section`
  display: grid;
  gap: 12px;
  border-block-start: 1px solid var(--line);
  padding-block-start: 12px;
`;
const Letter = styled.span<{ $at: number }>`
  font: 600 ${({ $at }) => 0.75 + $at * 0.2}rem / 1 var(--reading);
`;
const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
`;
const Three = styled(Pair)`
  grid-template-columns: 1fr 1fr 1fr;
`;
const Ways = styled(Row)`
  &:empty {
    display: none;
  }
`;
const AUTO = 'auto';
const OWN = 'own';
/** What is offered first where a colour of one's own is wanted. */
const FIRST = '#ffd34d';
const sizes: [NonNullable<Told['size']>, Code][] = [
  ['smallest', 'words.smallest'],
  ['small', 'words.small'],
  ['medium', 'words.medium'],
  ['large', 'words.large'],
  ['largest', 'words.largest'],
];
const faces: [NonNullable<Told['face']> | 'auto', Code][] = [
  [AUTO, 'place.auto'],
  ['reading', 'face.reading'],
  ['plain', 'face.plain'],
];
const backings: [Told['backing'], Code][] = [
  ['auto', 'place.auto'],
  ['plate', 'backing.plate'],
  ['outline', 'backing.outline'],
  ['shadow', 'backing.shadow'],
  ['none', 'backing.none'],
];
const roles: [Role, Code][] = [
  ['caption', 'role.caption'],
  ['name', 'role.name'],
  ['quotation', 'role.quotation'],
];
const colours: [string, Code][] = [
  [AUTO, 'place.auto'],
  ['#ffffff', 'icon.white'],
  ['#20242b', 'icon.ink'],
  [OWN, 'colour.own'],
];

/** One of a slide's words: its role and, once it is there, its layer. */
interface Which {
  id: string;
  role: Role;
  name: string;
  layer: WordsLayer | undefined;
}

function wordsIn(slide: Slide): Which[] {
  const one = (role: Role, name: string, layer = wordsOf(slide, role)): Which => ({
    id: layer?.id ?? role,
    role,
    name,
    layer,
  });
  if (slide.layout === 'title') return [one('title', say('words.title')), one('subtitle', say('words.subtitle'))];
  const captions = wordsOnPicture(slide);
  if (captions.length === 0) return [one('caption', '1')];
  return captions.map((layer, n) => one(layer.role, String(n + 1), layer));
}

/** How the words of a slide look, one after the other: those on its picture, or its title and what stands below. */
export function LookFields({ slide }: { slide: Slide }) {
  const { edit } = useActs();
  const [chosen, setChosen] = useState('');
  const all = wordsIn(slide);
  const which = all.find(({ id }) => id === chosen) ?? all[0];
  if (!which) return null;
  const add = () => {
    const id = newId();
    setChosen(id);
    void edit({ do: 'set layer', slide: slide.id, layer: id, kind: 'words', changes: { role: 'caption', text: '' } });
  };
  const hasMore = slide.layout !== 'title';
  return (
    <>
      <Ways>
        {all.length > 1 && (
          <Segments
            label={say('words.which')}
            value={which.id}
            options={all.map(({ id, name }) => [id, name])}
            onChange={setChosen}
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
      <Look key={which.id} slide={slide} which={which} />
    </>
  );
}

function Look({ slide, which: { id, role, layer } }: { slide: Slide; which: Which }) {
  const { story } = useView();
  const { edit } = useActs();
  const told: Told = {
    size: layer?.size ?? null,
    face: layer?.face ?? null,
    colour: layer?.colour ?? null,
    backing: layer?.backing ?? AUTO,
  };
  const { value, set } = useInHand(told, (changes) => ({
    do: 'set layer',
    slide: slide.id,
    layer: id,
    kind: 'words',
    changes: layer ? changes : { role, ...changes },
  }));
  const tell = (changes: Partial<WordsLayer>) =>
    void edit({
      do: 'set layer',
      slide: slide.id,
      layer: id,
      kind: 'words',
      changes: layer ? changes : { role, ...changes },
    });
  const onPicture = slide.layout !== 'title';
  const isOwn = value.colour !== null && !colours.some(([colour]) => colour === value.colour);
  const others = story.slides.filter((other) => other.id !== slide.id && wordsOnPicture(other).length > 0);
  return (
    <Fields aria-label={say('words.look')}>
      {onPicture && layer && (
        <Segments
          label={say('words.role')}
          value={role}
          options={offered(roles)}
          onChange={(to) => tell({ role: to })}
        />
      )}
      {onPicture && <WordsSpot slide={slide} words={layer} />}
      <Segments
        label={say('words.size')}
        value={value.size ?? AUTO}
        options={[
          [AUTO, say('place.auto')],
          ...sizes.map(([size, name], at): [string, React.ReactNode] => [
            size,
            <Letter key={size} $at={at} role="img" aria-label={say(name)}>
              A
            </Letter>,
          ]),
        ]}
        onChange={(size) => set({ size: size === AUTO ? null : (size as Told['size']) })}
      />
      <Pair>
        <Select
          label={say('words.face')}
          value={value.face ?? AUTO}
          options={offered(faces)}
          onChange={(face) => set({ face: face === AUTO ? null : face })}
        />
        <Select
          label={say('words.backing')}
          value={value.backing}
          options={offered(onPicture ? backings : backings.filter(([backing]) => backing !== 'plate'))}
          onChange={(backing) => set({ backing })}
        />
      </Pair>
      <Three>
        <Select
          label={say('words.colour')}
          value={isOwn ? OWN : (value.colour ?? AUTO)}
          options={offered(colours)}
          onChange={(colour) => set({ colour: colour === AUTO ? null : colour === OWN ? FIRST : colour })}
        />
        <SecondsField label={say('words.comes')} value={layer?.comes ?? null} onChange={(comes) => tell({ comes })} />
        <SecondsField label={say('words.goes')} value={layer?.goes ?? null} onChange={(goes) => tell({ goes })} />
      </Three>
      {isOwn && (
        <ColourField label={say('colour.which')} value={value.colour ?? FIRST} onChange={(colour) => set({ colour })} />
      )}
      {onPicture && others.length > 0 && (
        <Row>
          <Button
            onPress={() =>
              void edit({
                do: 'set layers',
                slides: others.map((other) => other.id),
                kind: 'words',
                changes: { ...value },
              })
            }
          >
            {say('words.same-on-all', { count: others.length })}
          </Button>
        </Row>
      )}
    </Fields>
  );
}
