import { say } from '../../../messages/say';
import { inOrder, secondOf } from '../framing';
import type { FramingInHand } from '../useFraming';
import { Knot } from './Knot';
import { ThreadStrip } from './ThreadStrip';

/** The thread of a slide, and when the look is at its stops. */
export function SlideThread({ framing }: { framing: FramingInHand }) {
  const { stops, spoken, seconds, onTop, take, time, takeAway } = framing;
  return (
    <ThreadStrip
      label={say('stop.thread')}
      spoken={spoken}
      seconds={seconds}
      reached={new Set(stops.map(({ word }) => word))}
      isDark
    >
      {(width) =>
        inOrder(stops, spoken).map((place, number) => {
          const stop = stops[place];
          return (
            stop && (
              <Knot
                key={place}
                name={say('stop.name', { stop: number + 1 })}
                className={onTop === place ? 'on-top' : ''}
                spoken={spoken}
                seconds={seconds}
                second={secondOf(stop, spoken)}
                word={stop.word}
                width={width}
                onTake={() => take(place)}
                onMove={(moment, isHeld) => time(place, moment, isHeld)}
                onTakeAway={() => takeAway(place)}
              >
                {number + 1}
              </Knot>
            )
          );
        })
      }
    </ThreadStrip>
  );
}
