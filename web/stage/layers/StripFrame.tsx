import limits from '../../../schema/limits.json';
import type { PlannedClip } from './clip';

const share = (part: number) => `${100 * part}%`;

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
        width: share(limits.stripAcross),
        height: share(rows),
        left: share(-(cell % limits.stripAcross)),
        top: share(-Math.floor(cell / limits.stripAcross)),
      }}
    />
  );
}
