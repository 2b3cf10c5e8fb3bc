import { Button as DragButton, GridList, GridListItem, useDragAndDrop } from 'react-aria-components';
import styled from 'styled-components';
import type { AssignmentView } from '../../api/types';
import { say } from '../../messages/say';
import { IconButton, Quiet, Soft } from '../../parts/controls';
import { BinIcon } from '../../parts/icons';
import { names } from '../../parts/names';
import { clock } from '../../parts/time';

export type Shown = AssignmentView['handIns'][number];

const List = styled(GridList)`
  display: grid;
  gap: 8px;
` as typeof GridList;
const Item = styled(GridListItem)`
  display: grid;
  grid-template-columns: auto 96px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 6px 10px;
  background: var(--raised);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  &[data-focus-visible] {
    outline: 3px solid var(--indigo);
  }
  &[data-dragging] {
    opacity: 0.5;
  }
  img {
    width: 96px;
    aspect-ratio: 16 / 9;
    object-fit: cover;
    border-radius: 4px;
  }
  strong {
    font: 600 1.05rem var(--reading);
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    justify-content: end;
  }
  .grip {
    border: 0;
    background: none;
    padding: 8px;
    cursor: grab;
    font: inherit;
    color: var(--soft);
    min-width: 40px;
    min-height: 40px;
  }
  @media (max-width: 600px) {
    grid-template-columns: auto 64px minmax(0, 1fr);
    img {
      width: 64px;
    }
    .acts {
      grid-column: 1 / -1;
    }
  }
` as typeof GridListItem;

/** The films in their order: dragged, moved by keys, left out. */
export function Programme({ films, onOrder }: { films: Shown[]; onOrder: (order: string[]) => void }) {
  const order = films.map(({ id }) => id);
  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) => [...keys].map((key) => ({ 'text/plain': films.find(({ id }) => id === key)?.title ?? '' })),
    onReorder: ({ keys, target }) => {
      const moving = order.filter((id) => keys.has(id));
      const staying = order.filter((id) => !keys.has(id));
      const at = staying.indexOf(String(target.key)) + (target.dropPosition === 'before' ? 0 : 1);
      onOrder([...staying.slice(0, at), ...moving, ...staying.slice(at)]);
    },
  });
  const move = (id: string, by: -1 | 1) => {
    const at = order.indexOf(id);
    const next = order.filter((one) => one !== id);
    next.splice(at + by, 0, id);
    onOrder(next);
  };
  if (films.length === 0) return null;
  return (
    <List aria-label={say('screening.order')} items={films} dragAndDropHooks={dragAndDropHooks}>
      {films.map(({ id, title, makers, seconds }, n) => (
        <Item key={id} id={id} textValue={title}>
          <DragButton slot="drag" className="grip" aria-label={say('screening.drag', { title })}>
            {n + 1}
          </DragButton>
          <img src={`/api/handins/${id}/cover.jpg`} alt="" />
          <div>
            <strong>{title}</strong>
            <Soft>
              {makers.length > 0 && `${names(makers)} · `}
              {clock(seconds)}
            </Soft>
          </div>
          <div className="acts">
            <Quiet isDisabled={n === 0} aria-label={say('screening.earlier', { title })} onPress={() => move(id, -1)}>
              {say('screening.earlier-short')}
            </Quiet>
            <Quiet
              isDisabled={n === films.length - 1}
              aria-label={say('screening.later', { title })}
              onPress={() => move(id, 1)}
            >
              {say('screening.later-short')}
            </Quiet>
            <IconButton
              label={say('screening.leave-out', { title })}
              onPress={() => onOrder(order.filter((one) => one !== id))}
            >
              <BinIcon />
            </IconButton>
          </div>
        </Item>
      ))}
    </List>
  );
}
