import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { judge, type Microphone } from './microphone';
import { say } from '../messages/say';

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
    inset: 0 3.3% 0 50%;
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
`;
const words = {
  silent: 'level.silent',
  'too quiet': 'level.too-quiet',
  good: 'level.good',
  'too loud': 'level.too-loud',
} as const;

/** A level that can be trusted: it rises at once, and is judged by the loudest of the last second and a half. */
export function Meter({ microphone }: { microphone: Microphone | null }) {
  const [now, setNow] = useState({ level: -100, recent: -100 });
  useEffect(() => {
    if (!microphone) return undefined;
    const history: number[] = [];
    const timer = setInterval(() => {
      const level = microphone.level();
      history.push(level);
      if (history.length > 20) history.shift();
      setNow({ level, recent: Math.max(...history) });
    }, 75);
    return () => clearInterval(timer);
  }, [microphone]);
  const verdict = judge(now.recent);
  const share = Math.max(0, Math.min(100, ((now.level + 60) / 60) * 100));
  return (
    <Bar>
      <div
        className="rail"
        role="meter"
        aria-label={say('level.title')}
        aria-valuemin={-60}
        aria-valuemax={0}
        aria-valuenow={Math.round(Math.max(-60, now.recent))}
        aria-valuetext={say(words[verdict])}
      >
        <div className="good" />
        <div
          className={`level ${verdict === 'good' ? 'good-level' : verdict === 'too loud' ? 'loud' : ''}`}
          style={{ width: `${share}%` }}
        />
      </div>
      <span>{say(microphone ? words[verdict] : 'level.off')}</span>
    </Bar>
  );
}
