import { memo } from 'react';
import styled from 'styled-components';
import { say } from '../../messages/say';
import { LengthThread } from '../../parts/Thread';
import { secondsText } from '../../parts/time';
import { writtenOn } from '../../story/slides';
import { ComposedSlide } from '../../stage/ComposedSlide';
import { NoHandle } from '../NoHandle';
import type { Row } from '../rows';

/** What stands over and under the picture of a small slide, in pixels. */
export const AROUND = 48;
/** Between a small slide's edge and its picture. */
export const EDGE = 6;

const Box = styled.div`
  display: grid;
  gap: 4px;
  padding: ${EDGE}px;
  height: 100%;
  align-content: start;
  .composed {
    width: 100%;
    outline: 1px solid var(--line);
  }
`;
const Under = styled.div`
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 22px;
  font-size: 0.875rem;
  color: var(--soft);
  white-space: nowrap;
  overflow: hidden;
  strong {
    color: var(--ink);
    font: 600 1rem var(--reading);
  }
  .loose {
    margin-inline-start: auto;
    color: var(--madder);
    overflow: hidden;
    text-overflow: ellipsis;
  }
`;
/** A slide from far: its length of thread, what the film opens on, its number, how long it stays, and whether Proof found something. */
export const SmallSlide = memo(function SmallSlide({ row, width }: { row: Row; width: number }) {
  const { slide, scene, thread, index, loose, fps } = row;
  return (
    <Box>
      {thread && <LengthThread slide={thread} fps={fps} width={width} loose={loose} />}
      {scene && (
        <ComposedSlide scene={scene} ratio={row.ratio} picture={row.picture} words={writtenOn(slide, row.title)} />
      )}
      <Under>
        <strong>{index + 1}</strong>
        <span>{secondsText((thread?.stay ?? 0) / fps)}</span>
        {loose && <span className="unseen">{say('slide.proof')}</span>}
      </Under>
      <NoHandle />
    </Box>
  );
});
