import { useCallback, useState } from 'react';
import { Link, useParams } from 'react-router';
import { sentence } from '../../api/client';
import type { AssignmentView } from '../../api/types';
import { say } from '../../messages/say';
import { Act, Button, GoTo, Quiet, Row, Soft, StateMark } from '../../parts/controls';
import { names } from '../../parts/names';
import { Page } from '../../parts/Page';
import { clock } from '../../parts/time';
import { Toggle } from '../../parts/Toggle';
import { useAssignment } from '../useAssignment';
import { FromTheClass } from '../thanks/FromTheClass';
import { Programme } from './Programme';
import { ForParents } from './ForParents';
import { Show, type OnTheWall } from './Show';
import { useProgramme } from './useProgramme';

/** The class watches its films: which, in which order, and on the wall. */
export default function ScreeningPage() {
  const { id = '' } = useParams();
  const { data, error } = useAssignment(id);
  if (!data)
    return (
      <Page title={say('screening.screening')}>
        {error ? <p role="alert">{sentence(error)}</p> : <Soft>{say('page.one-moment')}</Soft>}
      </Page>
    );
  return <Prepared data={data} />;
}

const onTheWall = ({ id, title, makers, film }: AssignmentView['handIns'][number], withNames: boolean): OnTheWall => ({
  id,
  title,
  by: withNames && makers.length > 0 ? names(makers) : '',
  src: `/api/films/${film}/film.mp4`,
  captions: `/api/films/${film}/captions.vtt`,
});

function Prepared({ data }: { data: AssignmentView }) {
  const { id, title } = data.assignment;
  const { order, choose, draw } = useProgramme(id, data.screening);
  const [isShown, setShown] = useState(false);
  const end = useCallback(() => setShown(false), []);
  const [withNames, setWithNames] = useState(!data.areNamesHidden);
  const films = order.flatMap((one) => data.handIns.find((handIn) => handIn.id === one) ?? []);
  const others = data.handIns.filter((one) => !order.includes(one.id));
  const seconds = films.reduce((sum, one) => sum + one.seconds, 0);
  return (
    <Page title={say('screening.screening')}>
      <div style={{ display: 'grid', gap: 8 }}>
        <h1>{say('screening.screening')}</h1>
        <Soft>
          {title} · {say('screening.how-many', { count: films.length, length: clock(seconds) })}
        </Soft>
      </div>
      <Row>
        <Act isDisabled={films.length === 0} onPress={() => setShown(true)}>
          {say('screening.begin')}
        </Act>
        <Button isDisabled={films.length < 2} onPress={draw}>
          {say('screening.draw')}
        </Button>
        <GoTo to={`/assignments/${id}`}>{say('review.all')}</GoTo>
        {!data.areNamesHidden && (
          <Toggle isSelected={withNames} onChange={setWithNames}>
            {say('screening.with-names')}
          </Toggle>
        )}
      </Row>
      {films.length === 0 && <p>{say('screening.none')}</p>}
      <Programme films={films} onOrder={choose} />
      {others.length > 0 && (
        <section aria-labelledby="others" style={{ display: 'grid', gap: 8 }}>
          <h2 id="others">{say('screening.others')}</h2>
          <ul>
            {others.map((one) => (
              <li key={one.id}>
                <Row>
                  <Link to={`/handins/${one.id}`}>{one.title}</Link>
                  <Soft as="span">{one.makers.length > 0 && names(one.makers)}</Soft>
                  <StateMark state={one.state} />
                  <Quiet
                    aria-label={say('screening.add', { title: one.title })}
                    onPress={() => choose([...order, one.id])}
                  >
                    {say('screening.add-short')}
                  </Quiet>
                </Row>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Soft>{say('screening.keys')}</Soft>
      <FromTheClass id={id} />
      {data.maySet && <ForParents id={id} evening={data.evening} />}
      {isShown && <Show films={films.map((one) => onTheWall(one, withNames))} onEnd={end} />}
    </Page>
  );
}
