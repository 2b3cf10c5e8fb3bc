import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { say, type Code } from '../messages/say';
import { GOOD, judge, room, SILENT, type Heard, type Verdict } from './level';
import type { Microphone } from './microphone';

const Bar = styled.div`
  display: grid;
  gap: 6px;
  .rail {
    position: relative;
    height: 16px;
    border-radius: 8px;
    background: #2b303b;
    overflow: hidden;
  }
  .good {
    position: absolute;
    inset-block: 0;
    border-inline-start: 2px solid #97a0b3;
    border-inline-end: 2px solid #97a0b3;
    z-index: 1;
  }
  .level {
    position: absolute;
    inset: 0 auto 0 0;
    background: #8f9cc9;
  }
  .level.good-level {
    background: #7fbf87;
  }
  .level.loud {
    background: #ef8f80;
  }
  .figures {
    color: #b9c0ce;
    font-variant-numeric: tabular-nums;
    font-size: 0.875rem;
  }
  .room {
    color: #f0d9a8;
  }
`;
/** Decibels that the rail shows. */
const LOWEST = -60;
const words: Record<Verdict, Code> = {
  silent: 'level.silent',
  'too-quiet': 'level.too-quiet',
  quiet: 'level.quiet',
  good: 'level.good',
  loud: 'level.loud',
  'too-loud': 'level.too-loud',
};
const rooms: Record<NonNullable<ReturnType<typeof room>>, Code> = { hums: 'level.hums', noisy: 'level.noisy' };
const share = (level: number) => Math.max(0, Math.min(100, ((level - LOWEST) / -LOWEST) * 100));

/** A level that can be trusted: its bar rises at once, and it is judged by the loudest of the last three seconds. */
export function Meter({ microphone }: { microphone: Microphone | null }) {
  const [heard, setHeard] = useState<Heard | null>(SILENT);
  useEffect(() => {
    if (!microphone) return undefined;
    setHeard(SILENT);
    const timer = setInterval(() => setHeard(microphone.hears()), 75);
    return () => clearInterval(timer);
  }, [microphone]);
  if (microphone && !heard) return <span>{say('level.not-shown')}</span>;
  const { now, peak, voice } = heard ?? SILENT;
  const verdict = judge(heard ?? SILENT);
  const noise = microphone && room(heard ?? SILENT);
  return (
    <Bar>
      <div
        className="rail"
        role="meter"
        aria-label={say('level.title')}
        aria-valuemin={LOWEST}
        aria-valuemax={0}
        aria-valuenow={Math.round(Math.max(LOWEST, peak))}
        aria-valuetext={say(words[verdict])}
      >
        <div
          className="good"
          style={{ insetInlineStart: `${share(GOOD.from)}%`, insetInlineEnd: `${100 - share(GOOD.to)}%` }}
        />
        <div
          className={`level ${verdict === 'good' ? 'good-level' : verdict === 'too-loud' ? 'loud' : ''}`}
          style={{ width: `${share(now)}%` }}
        />
      </div>
      <span>
        <span>{say(microphone ? words[verdict] : 'level.off')}</span>{' '}
        {microphone && verdict !== 'silent' && (
          <span className="figures">
            {say(voice === null ? 'level.peak' : 'level.figures', {
              peak: Math.round(peak),
              voice: Math.round(voice ?? 0),
            })}
          </span>
        )}
      </span>
      {noise && <span className="room">{say(rooms[noise])}</span>}
    </Bar>
  );
}
