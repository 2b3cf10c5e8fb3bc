import styled from 'styled-components';
import weights from '../../../schema/weights.json';
import type { Scene, Slide, WordsLayer } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { offered, Segments, Select } from '../../parts/Choice';
import { ColourField } from '../../parts/ColourField';
import { Button, Row } from '../../parts/controls';
import { useActs, useView } from '../../story/StoryContext';
import { wordsOnPicture, isWordsAlone } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { faces } from '../faces';
import type { Which } from './LookFields';
import { changesOf, useTellWords } from './useTell';

type Role = WordsLayer['role'];
type Face = NonNullable<WordsLayer['face']>;
type Weight = NonNullable<WordsLayer['weight']>;
/** What is told of how words look; null for what follows by itself. */
interface Told {
  size: WordsLayer['size'] | null;
  face: Face | null;
  weight: Weight | null;
  colour: string | null;
  backing: WordsLayer['backing'];
}

const Letter = styled.span<{ $at: number }>`
  font: 600 ${({ $at }) => 0.75 + $at * 0.2}rem / 1 var(--reading);
`;
const Pair = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
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
const weightNames: [Weight, Code][] = [
  ['regular', 'weight.regular'],
  ['semibold', 'weight.semibold'],
  ['bold', 'weight.bold'],
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
  ['label', 'role.label'],
  ['quotation', 'role.quotation'],
];
const colours: [string, Code][] = [
  [AUTO, 'place.auto'],
  ['#ffffff', 'icon.white'],
  ['#20242b', 'icon.ink'],
  [OWN, 'colour.own'],
];

/** What words are for, and their letters, size and colours. */
export function TypeFields({ slide, which }: { slide: Slide; scene: Scene | undefined; which: Which }) {
  const { role, layer } = which;
  const { story } = useView();
  const { edit } = useActs();
  const tell = useTellWords(slide, which);
  const told: Told = {
    size: layer?.size ?? null,
    face: layer?.face ?? null,
    weight: layer?.weight ?? null,
    colour: layer?.colour ?? null,
    backing: layer?.backing ?? AUTO,
  };
  const { value, set } = useInHand(told, (changes) => ({
    do: 'set layer',
    slide: slide.id,
    layer: which.id,
    kind: 'words',
    changes: changesOf(which, changes as Partial<WordsLayer>),
  }));
  const onPicture = !isWordsAlone(slide);
  const isOwn = value.colour !== null && !colours.some(([colour]) => colour === value.colour);
  const others = story.slides.filter((other) => other.id !== slide.id && wordsOnPicture(other).length > 0);
  const usual: Face = role === 'title' || role === 'quotation' ? 'reading' : 'plain';
  const [lightest, ...heavier] = (weights as Record<Face, Weight[]>)[value.face ?? usual];
  return (
    <>
      {onPicture && layer && (
        <Segments
          label={say('words.role')}
          value={role}
          options={offered(roles)}
          onChange={(to) => tell({ role: to })}
        />
      )}
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
          value={(value.face ?? AUTO) as Face | 'auto'}
          options={[[AUTO, say('place.auto')], ...offered(faces)]}
          onChange={(face) => set({ face: face === AUTO ? null : face })}
        />
        <Select
          label={say('words.weight')}
          value={value.weight ?? lightest ?? 'semibold'}
          options={offered(weightNames.filter(([one]) => one === lightest || heavier.includes(one)))}
          onChange={(weight) => set({ weight })}
          isDisabled={heavier.length === 0}
        />
      </Pair>
      <Pair>
        <Select
          label={say('words.colour')}
          value={isOwn ? OWN : (value.colour ?? AUTO)}
          options={offered(colours)}
          onChange={(colour) => set({ colour: colour === AUTO ? null : colour === OWN ? FIRST : colour })}
        />
        <Select
          label={say('words.backing')}
          value={value.backing}
          options={offered(onPicture ? backings : backings.filter(([backing]) => backing !== 'plate'))}
          onChange={(backing) => set({ backing })}
        />
      </Pair>
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
    </>
  );
}
