import { Suspense } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { HandIn, Remark } from '../api/types';
import { say } from '../messages/say';
import { Button, Card, Soft } from '../parts/controls';
import { Drawer } from '../parts/Drawer';
import { place } from '../parts/place';
import { slidesAsked } from '../parts/asked';
import { clock } from '../parts/time';
import { ProofList } from '../story/ProofList';
import { useView } from '../story/StoryContext';

const WholePanel = place(() => import('./WholePanel'));

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-inline-start: auto;
  .facts {
    color: var(--soft);
    font-size: 0.94rem;
    strong {
      color: var(--ink);
    }
    @media (max-width: 1150px) {
      display: none;
    }
  }
`;
const Pill = styled(Button)<{ $ready: boolean }>`
  border-radius: 20px;
  border-color: transparent;
  font-weight: 650;
  background: ${({ $ready }) => ($ready ? 'var(--moss-wash)' : 'var(--ochre-wash)')};
  color: ${({ $ready }) => ($ready ? 'var(--moss)' : 'var(--ochre)')};
`;
const Loud = styled.p`
  border-inline-start: 4px solid var(--ochre);
  background: var(--ochre-wash);
  padding: 8px 12px;
  border-radius: 0 4px 4px 0;
`;

/** How long the story is, and its two sheets: what Proof says, and what concerns the whole of it. */
export function StorySheets({ onPick }: { onPick: (slide: string) => void }) {
  const { story, plan, assignment, proof } = useView();
  const label = proof.length === 0 ? say('proof.is-ready') : say('proof.to-mend', { count: proof.length });
  return (
    <Line>
      <span className="facts">
        {say('whole.slides', { count: story.slides.length })} · <strong>{clock(plan.frames / plan.fps)}</strong>
        {assignment &&
          say('whole.task', {
            least: clock(assignment.leastSeconds),
            most: clock(assignment.mostSeconds),
          })}
        {assignment && slidesAsked(assignment) !== '' && <> · {slidesAsked(assignment)}</>}
      </span>
      <Drawer label={say('proof.title')} button={<Pill $ready={proof.length === 0}>{label}</Pill>}>
        {(close) => (
          <Card aria-label={say('proof.title')}>
            <h2>{say('proof.title')}</h2>
            <ProofList
              onPick={(slide) => {
                close();
                onPick(slide);
              }}
            />
          </Card>
        )}
      </Drawer>
      <Drawer label={say('whole.title')}>
        <Suspense fallback={<Soft>{say('page.one-moment')}</Soft>}>
          <WholePanel />
        </Suspense>
      </Drawer>
    </Line>
  );
}

/** What the teacher answered, until it is handed in again. */
export function Returned({ answer, remarks }: { answer: HandIn | undefined; remarks: Remark[] }) {
  if (answer?.state !== 'returned') return null;
  return (
    <Loud>
      <strong>{say('whole.returned')}</strong> {answer.answer}{' '}
      {remarks.length > 0 && say('whole.remarks', { count: remarks.length })}{' '}
      <Link to={`/handins/${answer.id}`}>{say('whole.watch')}</Link>
    </Loud>
  );
}
