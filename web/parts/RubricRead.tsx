import styled from 'styled-components';
import type { Marks, Rubric } from '../api/types';
import { say } from '../messages/say';
import { Soft } from './controls';

const List = styled.dl`
  display: grid;
  gap: 12px;
  margin: 0;
  dt {
    font-weight: 600;
  }
  dd {
    margin: 2px 0 0;
  }
  li {
    display: flex;
    gap: 10px;
    align-items: baseline;
  }
  .points {
    flex: none;
    min-width: 2ch;
    text-align: end;
    font-variant-numeric: tabular-nums;
    color: var(--soft);
  }
`;

/** A rubric as whoever is marked by it reads it: before, with all its levels; afterwards, with those that were given. */
export function RubricRead({ rubric, levels }: { rubric: Rubric; levels?: Marks['levels'] }) {
  return (
    <List>
      {rubric.criteria.map((one) => {
        const given = levels?.[one.id];
        const shown = levels ? one.levels.filter((_, n) => n === given) : one.levels;
        return (
          <div key={one.id}>
            <dt>
              {one.name} {one.weight > 1 && <Soft as="span">{say('rubric.counts', { count: one.weight })}</Soft>}
            </dt>
            <dd>
              {shown.length === 0 && <Soft as="span">{say('rubric.not-filled')}</Soft>}
              <ul>
                {shown.map(({ sentence, points }) => (
                  <li key={sentence}>
                    <span className="points">{points}</span> {sentence}
                  </li>
                ))}
              </ul>
            </dd>
          </div>
        );
      })}
    </List>
  );
}
