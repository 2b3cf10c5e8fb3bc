import { useState } from 'react';
import { useNavigate } from 'react-router';
import limits from '../../../schema/limits.json';
import { answer, api } from '../../api/client';
import type { ClassView } from '../../api/types';
import { say } from '../../messages/say';
import { Button, Card, Row, Soft } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { NameForm } from './NameForm';
import { dayOfYear } from '../../parts/time';
import type { Act } from './useRoll';

const ARCHIVE = '/api/classes/{id}/archive';

/** A class whose year is over: archived, or moved up to a new one with the students it has. */
export function YearsEnd({ classroom, busy, act }: { classroom: ClassView; busy: boolean; act: Act }) {
  const [moves, setMoves] = useState(false);
  const navigate = useNavigate();
  const tell = useTell();
  const { id, name } = classroom;
  const params = { path: { id } };
  const bringBack = () => void act(() => answer(api.DELETE(ARCHIVE, { params })));
  const archive = async () => {
    if (await act(() => answer(api.POST(ARCHIVE, { params }))))
      tell(say('class.archived', { name }), { action: { label: say('class.bring-back'), run: bringBack } });
  };
  const moveUp = (to: string) =>
    act(async () => {
      const next = await answer(api.POST('/api/classes/{id}/next', { params, body: { name: to } }));
      await navigate(`/classes/${next.id}`);
      return undefined;
    });
  return (
    <Card aria-labelledby="year">
      <h2 id="year">{say('class.year')}</h2>
      <Soft>{say('class.year-hint')}</Soft>
      {moves ? (
        <NameForm
          label={say('class.next-name')}
          called=""
          most={limits.classroom}
          busy={busy}
          act={say('class.moves-up')}
          onSave={moveUp}
          onLeave={() => setMoves(false)}
        />
      ) : (
        <Row>
          <Button onPress={() => setMoves(true)}>{say('class.move-up')}</Button>
          <Button isDisabled={busy} onPress={() => void archive()}>
            {say('class.archive')}
          </Button>
        </Row>
      )}
    </Card>
  );
}

/** What stands at the head of a class that is archived. */
export function Archived({
  classroom: { id, mayArchive, goesOn },
  busy,
  act,
}: {
  classroom: ClassView;
  busy: boolean;
  act: Act;
}) {
  const bringBack = () => void act(() => answer(api.DELETE(ARCHIVE, { params: { path: { id } } })));
  return (
    <Card aria-label={say('class.year')}>
      <Row style={{ justifyContent: 'space-between' }}>
        <div>
          <p>{say('class.is-archived')}</p>
          {goesOn && <p>{say('keeping.class-goes-on', { day: dayOfYear(goesOn) })}</p>}
        </div>
        {mayArchive && (
          <Button isDisabled={busy} onPress={bringBack}>
            {say('class.bring-back')}
          </Button>
        )}
      </Row>
    </Card>
  );
}
