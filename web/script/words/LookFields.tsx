import { useState } from 'react';
import styled from 'styled-components';
import type { Slide, WordsLayer } from '../../api/types';
import { say, type Code } from '../../messages/say';
import { offered, Picks, Segments, Select } from '../../parts/Choice';
import { Button, Row } from '../../parts/controls';
import { useActs, useView } from '../../story/StoryContext';
import { wordsOf } from '../../story/slides';
import { useInHand } from '../../story/useInHand';
import { SecondsField } from '../SecondsField';
import { CaptionSpot } from './CaptionSpot';

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
const Swatch = styled.label`
  display: inline-flex;
  align-items: center;
  gap: 12px;
  input {
    width: 64px;
    height: 40px;
    padding: 2px;
    border: 1px solid var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
    cursor: pointer;
  }
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
const backings: [Told['backing'], Code][] = [
  ['auto', 'place.auto'],
  ['plate', 'backing.plate'],
  ['outline', 'backing.outline'],
  ['shadow', 'backing.shadow'],
  ['none', 'backing.none'],
];
const colours: [string, Code][] = [
  [AUTO, 'place.auto'],
  ['#ffffff', 'icon.white'],
  ['#20242b', 'icon.ink'],
  [OWN, 'colour.own'],
];

/** How the words of a slide look: those of its caption, or of its title and of what stands below. */
export function LookFields({ slide }: { slide: Slide }) {
  const [role, setRole] = useState<Role>('title');
  if (slide.layout !== 'title') return <Look key="caption" slide={slide} role="caption" />;
  return (
    <>
      <Segments
        label={say('words.which')}
        value={role}
        options={[
          ['title', say('words.title')],
          ['subtitle', say('words.subtitle')],
        ]}
        onChange={setRole}
      />
      <Look key={role} slide={slide} role={role} />
    </>
  );
}

function Look({ slide, role }: { slide: Slide; role: Role }) {
  const { story } = useView();
  const { edit } = useActs();
  const layer = wordsOf(slide, role);
  const told: Told = {
    size: layer?.size ?? null,
    face: layer?.face ?? null,
    colour: layer?.colour ?? null,
    backing: layer?.backing ?? AUTO,
  };
  const id = layer?.id ?? role;
  const { value, set } = useInHand(told, (changes) => ({
    do: 'set layer',
    slide: slide.id,
    layer: id,
    kind: 'words',
    changes: { role, ...changes },
  }));
  const tell = (changes: Partial<WordsLayer>) =>
    void edit({ do: 'set layer', slide: slide.id, layer: id, kind: 'words', changes: { role, ...changes } });
  const usual = role === 'title' ? 'reading' : 'plain';
  const isOwn = value.colour !== null && !colours.some(([colour]) => colour === value.colour);
  const others = story.slides.filter((other) => other.id !== slide.id && wordsOf(other, 'caption'));
  return (
    <Fields aria-label={say('words.look')}>
      {role === 'caption' && <CaptionSpot slide={slide} />}
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
          value={value.face ?? usual}
          options={[
            ['reading', say('face.reading')],
            ['plain', say('face.plain')],
          ]}
          onChange={(face) => set({ face: face === usual ? null : face })}
        />
        <Select
          label={say('words.backing')}
          value={value.backing}
          options={offered(role === 'caption' ? backings : backings.filter(([backing]) => backing !== 'plate'))}
          onChange={(backing) => set({ backing })}
        />
      </Pair>
      <Picks
        label={say('words.colour')}
        value={isOwn ? OWN : (value.colour ?? AUTO)}
        options={offered(colours)}
        onChange={(colour) => set({ colour: colour === AUTO ? null : colour === OWN ? FIRST : colour })}
      />
      {isOwn && (
        <Swatch>
          {say('colour.which')}
          <input type="color" value={value.colour ?? FIRST} onChange={(event) => set({ colour: event.target.value })} />
        </Swatch>
      )}
      <Pair>
        <SecondsField label={say('words.comes')} value={layer?.comes ?? null} onChange={(comes) => tell({ comes })} />
        <SecondsField label={say('words.goes')} value={layer?.goes ?? null} onChange={(goes) => tell({ goes })} />
      </Pair>
      {role === 'caption' && others.length > 0 && (
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
