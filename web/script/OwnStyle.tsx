import styled from 'styled-components';
import { say, type Code } from '../messages/say';
import { offered, Select } from '../parts/Choice';
import { ColourField } from '../parts/ColourField';
import { Button, Row, Soft } from '../parts/controls';
import { useActs, useView } from '../story/StoryContext';
import { useInHand } from '../story/useInHand';
import { faces } from './faces';

const Own = styled.details`
  summary {
    min-height: 40px;
    align-content: center;
    cursor: pointer;
    color: var(--indigo);
  }
  .fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px 12px;
    padding-block-end: 8px;
  }
  .fields label {
    justify-content: space-between;
  }
  [role='status'] {
    border-inline-start: 4px solid var(--ochre);
    background: var(--ochre-wash);
    padding: 6px 10px;
    border-radius: 0 4px 4px 0;
    margin-block-end: 8px;
  }
`;
const colours: ['ground' | 'ink' | 'accent' | 'words', Code][] = [
  ['ground', 'style.ground'],
  ['ink', 'style.ink'],
  ['accent', 'style.accent'],
  ['words', 'style.words'],
];

/** No asset is called so. */
const NONE = '';

/** Faces, colours and ground of the maker's own, on the style that is chosen. */
export function OwnStyle() {
  const { edit } = useActs();
  const { story, plan } = useView();
  const { heading, text, ground, ink, accent, words, picture } = plan.scheme;
  const { value, set } = useInHand({ heading, text, ground, ink, accent, words, picture }, (changes) => ({
    do: 'set style',
    own: changes,
  }));
  const pictures = Object.entries(story.assets).flatMap(([id, asset]): [string, string][] =>
    asset.kind === 'picture' ? [[id, asset.file]] : [],
  );
  const own = Object.keys(story.style?.own ?? {});
  return (
    <Own>
      <summary>{say('style.own')}</summary>
      <div className="fields">
        <Select
          label={say('style.heading')}
          value={value.heading}
          options={offered(faces)}
          onChange={(to) => set({ heading: to })}
        />
        <Select
          label={say('style.text')}
          value={value.text}
          options={offered(faces)}
          onChange={(to) => set({ text: to })}
        />
        {colours.map(([part, name]) => (
          <ColourField key={part} label={say(name)} value={value[part]} onChange={(to) => set({ [part]: to })} />
        ))}
        {pictures.length > 0 && (
          <Select
            label={say('style.picture')}
            value={value.picture ?? NONE}
            options={[[NONE, say('style.no-picture')], ...pictures]}
            onChange={(to) => set({ picture: to === NONE ? null : to })}
          />
        )}
      </div>
      {value.picture !== null && <Soft>{say('style.picture-seen')}</Soft>}
      {!plan.scheme.isClear && <p role="status">{say('style.too-alike')}</p>}
      {own.length > 0 && (
        <Row>
          <Button
            onPress={() => void edit({ do: 'set style', own: Object.fromEntries(own.map((part) => [part, null])) })}
          >
            {say('style.as-it-was')}
          </Button>
        </Row>
      )}
    </Own>
  );
}
