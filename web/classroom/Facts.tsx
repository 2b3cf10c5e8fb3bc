import styled from 'styled-components';
import type { HandInView } from '../api/types';
import { say } from '../messages/say';
import { Card, SlideNumber, Soft } from '../parts/controls';
import { TickIcon } from '../parts/icons';
import { names } from '../parts/names';

const List = styled.ul`
  display: grid;
  gap: 8px 24px;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 290px), 1fr));
  > li {
    display: grid;
    grid-template-columns: 20px minmax(0, 1fr);
    gap: 4px 8px;
  }
  .right {
    color: var(--moss);
  }
  .look {
    color: var(--madder);
    font-weight: 700;
    text-align: center;
  }
  .slides {
    grid-column: 2;
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
  }
`;

interface Props {
  data: HandInView;
  onJump: (seconds: number) => void;
}

/** What of a film can be counted, and where it is not as it should be: for whoever judges the rest. */
export function Facts({ data: { facts, slides }, onJump }: Props) {
  if (facts.length === 0) return null;
  const numbers = new Map(slides.map(({ id }, n) => [id, n + 1]));
  const speakers = [...new Set(slides.flatMap(({ saidBy }) => saidBy))];
  const saidBy = (name: string) =>
    names(slides.flatMap((one, n) => (one.saidBy.includes(name) ? [String(n + 1)] : [])));
  return (
    <Card aria-labelledby="facts">
      <h2 id="facts">{say('fact.title')}</h2>
      <List>
        {facts.map(({ message, isRight, slides: where }) => (
          <li key={message.code}>
            {isRight ? (
              <span className="right" role="img" aria-label={say('fact.right')}>
                <TickIcon />
              </span>
            ) : (
              <span className="look" role="img" aria-label={say('fact.look')}>
                !
              </span>
            )}
            <span>{say(message)}</span>
            {!isRight && where.length > 0 && (
              <span className="slides">
                {where.map((id) => (
                  <SlideNumber
                    key={id}
                    aria-label={say('fact.go-to', { slide: numbers.get(id) ?? 0 })}
                    onPress={() => onJump(slides.find((one) => one.id === id)?.start ?? 0)}
                  >
                    {numbers.get(id)}
                  </SlideNumber>
                ))}
              </span>
            )}
          </li>
        ))}
      </List>
      {speakers.map((name) => (
        <Soft key={name}>{say('fact.said-by', { name, slides: saidBy(name) })}</Soft>
      ))}
    </Card>
  );
}
