import styled from 'styled-components';
import type { Slide } from '../../api/types';
import limits from '../../../schema/limits.json';
import { say } from '../../messages/say';
import { Button, IconButton, Row } from '../../parts/controls';
import { BinIcon } from '../../parts/icons';
import { useActs, useView } from '../../story/StoryContext';
import { newId } from '../../story/useStory';
import { inCell, pictureOf } from '../../story/slides';
import { TakePicture } from '../TakePicture';
import { calledIn } from './called';

const List = styled.ol`
  display: grid;
  gap: 2px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: 24px minmax(0, 1fr) repeat(2, auto);
    align-items: center;
    gap: 4px;
    min-height: 44px;
    border-bottom: 1px solid var(--line);
  }
  > li > button:last-child {
    grid-column: -2;
  }
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .empty {
    color: var(--soft);
  }
`;

/** What lies in the cells of a slide; and one more to lay there. */
export function Things({ slide }: { slide: Slide }) {
  const { edit } = useActs();
  const { plan, story } = useView();
  const cells = plan.layouts[slide.layout] ?? [];
  const empty = cells.findIndex((_, cell) => !inCell(slide, cell));
  const add = (kind: 'words' | 'icon') =>
    void edit({
      do: 'set layer',
      slide: slide.id,
      layer: newId(),
      kind,
      changes: kind === 'words' ? { cell: empty, role: 'caption' } : { cell: empty },
    });
  return (
    <>
      {cells.length > 0 && (
        <List aria-label={say('cells.title')}>
          {cells.map((_, cell) => {
            const layer = inCell(slide, cell);
            const number = cell + 1;
            return (
              <li key={layer?.id ?? `empty ${number}`}>
                <strong>{number}</strong>
                <span className={layer ? undefined : 'empty'}>
                  {layer ? calledIn(story, layer) : say('cells.nothing')}
                </span>
                {layer?.kind === 'picture' && (
                  <TakePicture
                    onto={{ slide: slide.id, layer: layer.id }}
                    label={say('cells.another')}
                    name={say('cells.another-in', { number })}
                  />
                )}
                {layer && (
                  <IconButton
                    label={say('cells.take-off', { number })}
                    onPress={() => void edit({ do: 'delete layer', slide: slide.id, layer: layer.id })}
                  >
                    <BinIcon />
                  </IconButton>
                )}
              </li>
            );
          })}
        </List>
      )}
      <Row>
        {(empty >= 0 || cells.length < limits.cells) && pictureOf(slide) && (
          <TakePicture onto={{ slide: slide.id, beside: true }} label={say('cells.add-picture')} />
        )}
        {empty >= 0 && <Button onPress={() => add('words')}>{say('cells.add-words')}</Button>}
        {empty >= 0 && <Button onPress={() => add('icon')}>{say('cells.add-icon')}</Button>}
      </Row>
    </>
  );
}
