import { Link } from 'react-router';
import styled from 'styled-components';
import type { HandIn, Remark, StoryView } from '../api/types';
import { Picks, Select } from '../parts/Choice';
import { Card, Soft } from '../parts/controls';
import { clock } from '../parts/time';
import { Toggle } from '../parts/Toggle';
import { ProofList } from '../story/ProofList';
import { useActs, useView } from '../story/StoryContext';
import { Beds } from './Beds';
import { CaptionsIn } from './CaptionsIn';
import { languages } from './languages';
import { TransitionField } from './TransitionField';

const shapes: [StoryView['story']['shape'], string][] = [
  ['16:9', 'Wide 16:9'],
  ['4:3', 'Classic 4:3'],
  ['1:1', 'Square'],
  ['9:16', 'Upright 9:16'],
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
    <Card aria-label="The whole story">
      {answer?.state === 'returned' && (
        <Loud>
          <strong>Returned:</strong> {answer.answer}{' '}
          {remarks.length > 0 &&
            `${remarks.length === 1 ? 'One remark stands' : `${remarks.length} remarks stand`} beside the slides.`}{' '}
          <Link to={`/handins/${answer.id}`}>Watch it with the remarks</Link>
        </Loud>
      )}
      <h2>The whole story</h2>
      <p>
        {view.story.slides.length} slides, {clock(plan.frames / plan.fps)}
        {assignment && ` · ${assignment.title}: ${clock(assignment.leastSeconds)} to ${clock(assignment.mostSeconds)}`}
      </p>
      <h3>Proof</h3>
      <ProofList onPick={onPick} />
      <Toggle isSelected={view.story.credits} onChange={(credits) => void edit({ do: 'show credits', credits })}>
        Credits at the end, made from the sources
      </Toggle>
      <Picks
        label="Shape of the film"
        value={view.story.shape}
        options={shapes}
        onChange={(shape) => void edit({ do: 'set shape', shape })}
      />
      <TransitionField
        label="How slides give way to each other"
        value={view.story.style.transition}
        onChange={(transition) => void edit({ do: 'set style', transition })}
      />
      <Select
        label="Language"
        value={view.story.language}
        options={languages(view.story.language)}
        onChange={(language) => void edit({ do: 'set language', language })}
      />
      <Beds />
      <CaptionsIn />
      <Soft>Choose a slide to set how long it stays, how its picture is shown, and whose it is.</Soft>
    </Card>
  );
}
