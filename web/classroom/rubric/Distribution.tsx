import styled from 'styled-components';
import type { AssignmentView, Rubric } from '../../api/types';
import { say } from '../../messages/say';
import { Soft } from '../../parts/controls';

type Given = NonNullable<AssignmentView['distribution']>;

const Rows = styled.dl`
  display: grid;
  gap: 20px 32px;
  grid-template-columns: repeat(auto-fill, minmax(min(280px, 100%), 1fr));
  margin: 0;
  dt {
    font-weight: 600;
  }
  dd {
    margin: 4px 0 0;
  }
  ul {
    display: grid;
    gap: 3px;
  }
  li {
    display: grid;
    grid-template-columns: 2.5ch minmax(60px, 180px) minmax(0, 1fr);
    gap: 10px;
    align-items: center;
  }
  .points {
    text-align: end;
    font-variant-numeric: tabular-nums;
    color: var(--soft);
  }
  .rail {
    height: 14px;
    background: var(--line);
    border-radius: 3px;
    overflow: hidden;
  }
  .given {
    height: 100%;
    background: var(--indigo);
  }
`;

/** How often each level was given: whether one has been kinder to one than to another shows here first. */
export function Distribution({ rubric, given: { films, counts } }: { rubric: Rubric; given: Given }) {
  if (films === 0) return null;
  return (
    <section aria-labelledby="distribution" style={{ display: 'grid', gap: 12 }}>
      <h2 id="distribution">{say('rubric.distribution')}</h2>
      <Soft>{say('rubric.distribution-of', { count: films })}</Soft>
      <Rows>
        {rubric.criteria.map((one) => (
          <div key={one.id}>
            <dt>{one.name}</dt>
            <dd>
              <ul>
                {one.levels.map(({ points, sentence }, n) => {
                  const count = counts[one.id]?.[n] ?? 0;
                  return (
                    <li key={sentence}>
                      <span className="points">{points}</span>
                      <span className="rail" aria-hidden>
                        <span className="given" style={{ display: 'block', width: `${(count / films) * 100}%` }} />
                      </span>
                      <Soft as="span">
                        {say('rubric.given', { count })} <span className="unseen">{sentence}</span>
                      </Soft>
                    </li>
                  );
                })}
              </ul>
            </dd>
          </div>
        ))}
      </Rows>
    </section>
  );
}
