import { Button as Press } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import { Quiet, Row, Soft } from '../../parts/controls';
import { easyPictures, picturesOf } from '../../parts/easyPictures';
import { say } from '../../messages/say';

/** Large enough for a small hand. */
const Grid = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(52px, 1fr));
  gap: 6px;
  button {
    display: grid;
    place-items: center;
    aspect-ratio: 1;
    min-width: 0;
    padding: 4px;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: var(--raised);
    cursor: pointer;
  }
  button[data-hovered] {
    border-color: var(--indigo);
  }
  button[data-disabled] {
    opacity: 0.45;
    cursor: default;
  }
  button[data-focus-visible] {
    outline: 3px solid var(--indigo);
    outline-offset: 1px;
  }
  img {
    width: 100%;
    height: 100%;
    display: block;
  }
`;
const Chosen = styled.ol`
  display: grid;
  grid-template-columns: repeat(3, 64px);
  gap: 8px;
  li {
    aspect-ratio: 1;
    border: 2px dashed var(--edge);
    border-radius: var(--radius);
    background: var(--raised);
  }
  li[data-is] {
    border: 2px solid var(--indigo);
  }
  img {
    width: 100%;
    height: 100%;
    display: block;
  }
`;

/** Three pictures in a row, as they stand on a card: by hand, by keyboard, or heard by name. */
export function ThreePictures({ value, onChange }: { value: string; onChange: (next: string) => void }) {
  const chosen = picturesOf(value);
  const isFull = chosen.length === limits.secretSigns;
  const told =
    chosen.length === 0
      ? say('account.chosen-none')
      : say('account.chosen', { pictures: chosen.map(({ name }) => name).join(', ') });
  return (
    <div role="group" aria-label={say('account.three-pictures')} style={{ display: 'grid', gap: 10 }}>
      <Soft as="span">{say('account.three-pictures')}</Soft>
      <Row style={{ justifyContent: 'space-between' }}>
        <Chosen aria-hidden>
          {Array.from({ length: limits.secretSigns }, (_, n) => (
            <li key={n} data-is={chosen[n] ? true : undefined}>
              {chosen[n] && <img src={chosen[n].url} alt="" />}
            </li>
          ))}
        </Chosen>
        <Quiet
          isDisabled={chosen.length === 0}
          onPress={() =>
            onChange(
              chosen
                .slice(0, -1)
                .map(({ picture }) => picture)
                .join(' '),
            )
          }
        >
          {say('account.take-picture-back')}
        </Quiet>
      </Row>
      <span role="status" className="unseen">
        {told}
      </span>
      <Grid data-many={say('account.three-pictures')}>
        {easyPictures().map(({ picture, name, url }) => (
          <Press
            key={picture}
            aria-label={name}
            isDisabled={isFull || chosen.some((one) => one.picture === picture)}
            onPress={() => onChange([...chosen.map((one) => one.picture), picture].join(' '))}
          >
            <img src={url} alt="" draggable={false} />
          </Press>
        ))}
      </Grid>
      <Soft>{say('account.pictures-from')}</Soft>
    </div>
  );
}
