import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { sentence } from '../../api/client';
import type { Slide } from '../../api/types';
import { clipFiles, isClip, pictureFiles } from '../../assets/kinds';
import { useSendIn } from '../../assets/useSendIn';
import { say } from '../../messages/say';
import { Button, IconButton, Row } from '../../parts/controls';
import { BinIcon } from '../../parts/icons';
import { useTell } from '../../parts/notices';
import { useActs, useView } from '../../story/StoryContext';
import { newId } from '../../story/useStory';
import { inCell, pictureOf } from '../../story/slides';
import { calledIn } from './called';

const List = styled.ol`
  display: grid;
  gap: 2px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: 24px minmax(0, 1fr) auto;
    align-items: center;
    gap: 4px;
    min-height: 40px;
    border-bottom: 1px solid var(--line);
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
        {(empty >= 0 || cells.length < 4) && pictureOf(slide) && <PictureBeside slide={slide} />}
        {empty >= 0 && <Button onPress={() => add('words')}>{say('cells.add-words')}</Button>}
        {empty >= 0 && <Button onPress={() => add('icon')}>{say('cells.add-icon')}</Button>}
      </Row>
    </>
  );
}

/** One more picture, beside what is there. */
function PictureBeside({ slide }: { slide: Slide }) {
  const { id } = useActs();
  const sendIn = useSendIn(id);
  const tell = useTell();
  const [busy, setBusy] = useState(false);
  const take = (files: FileList | null) => {
    const file = files?.[0];
    if (!file) return;
    setBusy(true);
    sendIn(isClip(file) ? 'clip' : 'picture', file, { slide: slide.id, beside: true })
      .catch((error: unknown) =>
        tell(say('page.of-a-file', { file: file.name, said: sentence(error) }), { tone: 'trouble' }),
      )
      .finally(() => setBusy(false));
  };
  return (
    <FileTrigger acceptedFileTypes={[...pictureFiles, ...clipFiles]} onSelect={take}>
      <Button isPending={busy}>{say(busy ? 'voice.being-brought-in' : 'cells.add-picture')}</Button>
    </FileTrigger>
  );
}
