import type { News } from '../api/types';
import { say } from '../messages/say';
import { ActGoTo, Row } from '../parts/controls';
import { Due } from './Due';

/** That a class watches films just now, for who sits in it. */
export function Watching({ news }: { news: News[] }) {
  const watched = news.filter(({ kind }) => kind === 'watched');
  if (watched.length === 0) return null;
  return (
    <Due aria-labelledby="watching">
      <h2 id="watching">{say('thanks.watching')}</h2>
      <Row>
        {watched.map(({ id, title }) => (
          <ActGoTo key={id} to={`/assignments/${id}/watched`}>
            {say('thanks.go', { title })}
          </ActGoTo>
        ))}
      </Row>
    </Due>
  );
}
