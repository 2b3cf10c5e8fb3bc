import limits from '../../../schema/limits.json';
import { percent } from '../../parts/boxes';
import type { PlannedClip } from './clip';

interface Props {
  story: string;
  asset: string;
  clip: PlannedClip;
  frame: number;
}

/** One small frame of a clip, or the nearest that there is, from the strip of all (studio/Prepare/PreparedClip); it fills what it lies in. */
export function StripFrame({ story, asset, clip: { frames, every }, frame }: Props) {
  const rows = Math.ceil(Math.ceil(frames / every) / limits.stripAcross);
  const cell = Math.floor(frame / every);
  return (
    <img
      src={`/api/stories/${story}/assets/${asset}/strip.jpg`}
      alt=""
      loading="lazy"
      draggable={false}
      style={{
        position: 'absolute',
        maxWidth: 'none',
        width: percent(limits.stripAcross),
        height: percent(rows),
        left: percent(-(cell % limits.stripAcross)),
        top: percent(-Math.floor(cell / limits.stripAcross)),
      }}
    />
  );
}
