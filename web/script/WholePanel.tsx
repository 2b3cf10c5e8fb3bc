import { Link } from 'react-router';
import styled from 'styled-components';
import type { HandIn, Remark, StoryView } from '../api/types';
import { offered, Picks, Select } from '../parts/Choice';
import { Card, Soft } from '../parts/controls';
import { clock } from '../parts/time';
import { Toggle } from '../parts/Toggle';
import { ProofList } from '../story/ProofList';
import { useActs, useView } from '../story/StoryContext';
import { Beds } from './Beds';
import { CaptionsIn } from './CaptionsIn';
import { languages } from './languages';
import { TransitionField } from './TransitionField';
import { say, type Code } from '../messages/say';

const shapes: [StoryView['story']['shape'], Code][] = [
  ['16:9', 'shape.wide'],
  ['4:3', 'shape.classic'],
  ['1:1', 'shape.square'],
  ['9:16', 'shape.upright'],
];

const Loud = styled.p`
  border-inline-start: 4px solid var(--ochre);
  background: var(--ochre-wash);
  padding: 8px 12px;
  border-radius: 0 4px 4px 0;
`;

/** What concerns the whole story. */
export function WholePanel({
  remarks,
  answer,
  onPick,
}: {
  remarks: Remark[];
  answer: HandIn | undefined;
  onPick: (slide: string) => void;
}) {
  const view = useView();
  const { edit } = useActs();
  const { assignment, plan } = view;
  return (
    <Card aria-label={say('whole.title')}>
      {answer?.state === 'returned' && (
        <Loud>
          <strong>{say('whole.returned')}</strong> {answer.answer}{' '}
          {remarks.length > 0 && say('whole.remarks', { count: remarks.length })}{' '}
          <Link to={`/handins/${answer.id}`}>{say('whole.watch')}</Link>
        </Loud>
      )}
      <h2>{say('whole.title')}</h2>
      <p>
        {say('whole.about', { count: view.story.slides.length, length: clock(plan.frames / plan.fps) })}
        {assignment &&
          say('whole.task', {
            title: assignment.title,
            least: clock(assignment.leastSeconds),
            most: clock(assignment.mostSeconds),
          })}
      </p>
      <h3>{say('proof.title')}</h3>
      <ProofList onPick={onPick} />
      <Toggle isSelected={view.story.credits} onChange={(credits) => void edit({ do: 'show credits', credits })}>
        {say('whole.credits')}
      </Toggle>
      <Picks
        label={say('shape.title')}
        value={view.story.shape}
        options={offered(shapes)}
        onChange={(shape) => void edit({ do: 'set shape', shape })}
      />
      <TransitionField
        label={say('transition.of-the-story')}
        value={view.story.style.transition}
        onChange={(transition) => void edit({ do: 'set style', transition })}
      />
      <Select
        label={say('whole.language')}
        value={view.story.language}
        options={languages(view.story.language)}
        onChange={(language) => void edit({ do: 'set language', language })}
      />
      <Beds />
      <CaptionsIn />
      <Soft>{say('whole.choose')}</Soft>
    </Card>
  );
}
