import { NavLink } from 'react-router';
import styled from 'styled-components';
import limits from '../../schema/limits.json';
import { IconButton } from '../parts/controls';
import { RedoIcon, UndoIcon } from '../parts/icons';
import type { StoryHold } from './useStory';
import { useSavedText } from './useSavedText';
import { say } from '../messages/say';

const Title = styled.input`
  font: 600 1.15rem var(--reading);
  border: 1px solid transparent;
  background: transparent;
  border-radius: var(--radius);
  padding: 4px 8px;
  min-height: 40px;
  width: min(420px, 60vw);
  field-sizing: content;
  min-width: 120px;
  max-width: 34vw;
  &:hover {
    border-color: var(--line);
  }
  &:focus {
    background: var(--raised);
    border-color: var(--indigo);
  }
  @media (max-width: 600px) {
    flex: 1 1 calc(100% - 130px);
    min-width: 0;
    max-width: none;
    field-sizing: fixed;
    padding: 4px;
  }
`;
const Places = styled.nav`
  display: flex;
  gap: 4px;
  @media (max-width: 600px) {
    order: 2;
    gap: 0;
    a {
      padding: 0 10px;
    }
  }
  a {
    display: inline-flex;
    align-items: center;
    min-height: 40px;
    padding: 0 14px;
    color: var(--ink);
    text-decoration: none;
    border-bottom: 3px solid transparent;
  }
  a:hover {
    border-color: var(--line);
  }
  a.active {
    border-color: var(--indigo);
    font-weight: 650;
  }
`;

const Steps = styled.span`
  display: flex;
  @media (max-width: 600px) {
    order: 3;
    margin-inline-start: auto;
  }
`;
const State = styled.span`
  color: var(--soft);
  @media (max-width: 600px) {
    order: 4;
    font-size: 0.875rem;
  }
`;

const words = { saved: 'story.saved', saving: 'story.saving', waiting: 'story.waiting' } as const;

/** A story's own head: its title, its places, undo and redo, and whether the server has it all. */
export function StoryHead({ id, hold }: { id: string; hold: StoryHold }) {
  const { view, saving, edit, undo, redo } = hold;
  const title = useSavedText(view?.story.title ?? '', (text) => {
    if (text.trim() !== '') void edit({ do: 'rename', title: text.trim() });
  });
  return (
    <>
      <Title
        aria-label={say('story.title')}
        maxLength={limits.title}
        value={title.value}
        onChange={(event) => title.onChange(event.target.value)}
        onBlur={title.onBlur}
      />
      <Places aria-label={say('story.places')}>
        <NavLink to={`/stories/${id}`} end>
          {say('script.title')}
        </NavLink>
        <NavLink to={`/stories/${id}/booth`}>{say('booth.title')}</NavLink>
        <NavLink to={`/stories/${id}/film`}>{say('making.film')}</NavLink>
      </Places>
      <Steps>
        <IconButton label={say('story.undo')} onPress={() => void undo()} isDisabled={!view?.canUndo}>
          <UndoIcon />
        </IconButton>
        <IconButton label={say('story.redo')} onPress={() => void redo()} isDisabled={!view?.canRedo}>
          <RedoIcon />
        </IconButton>
      </Steps>
      <State role="status">{say(words[saving])}</State>
    </>
  );
}
