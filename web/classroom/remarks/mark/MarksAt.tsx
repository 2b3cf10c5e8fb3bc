import type { Remark } from '../../../api/types';
import { MarkDrawn } from './MarkDrawn';

/** Seconds for which what is drawn about one moment is seen: as long as it takes to look there. */
const SEEN = 3;
/** A film that was put to a moment may stand a little before it. */
const EARLY = 0.1;

/** What was drawn on the picture as it is at a moment. */
export function MarksAt({ remarks, at, ratio }: { remarks: Remark[]; at: number; ratio: number }) {
  return remarks
    .filter(({ seconds, until }) => at >= seconds - EARLY && at < (until ?? seconds + SEEN))
    .map(({ id, mark }) => mark && <MarkDrawn key={id} mark={mark} ratio={ratio} />);
}
