import styled from 'styled-components';
import { answer, api } from '../../api/client';
import type { ClassView } from '../../api/types';
import { say } from '../../messages/say';
import { JOIN } from '../../parts/addresses';
import { Button, Card, Quiet, Row, Soft } from '../../parts/controls';
import { timeOfDay } from '../../parts/time';
import type { Act } from './useRoll';

/** Read from the last row of a classroom. */
const Code = styled.output`
  font: 600 2.5rem/1.2 var(--reading);
  letter-spacing: 0.12em;
`;

/** A code by which children put themselves into the class, for as long as it stands on the board. */
export function OnTheBoard({ classroom, busy, act }: { classroom: ClassView; busy: boolean; act: Act }) {
  const { id, joinCode, joinUntil } = classroom;
  const params = { path: { id } };
  const open = () => void act(() => answer(api.POST('/api/classes/{id}/code', { params })));
  const close = () => void act(() => answer(api.DELETE('/api/classes/{id}/code', { params })));
  return (
    <Card aria-labelledby="board">
      <h2 id="board">{say('class.board')}</h2>
      {joinCode && joinUntil ? (
        <>
          <Code aria-label={say('class.code')}>
            {joinCode.slice(0, 3)} {joinCode.slice(3)}
          </Code>
          <Soft>
            {say('class.code-where', { where: `${window.location.host}${JOIN}`, time: timeOfDay(joinUntil) })}
          </Soft>
          <Row>
            <Button isDisabled={busy} onPress={close}>
              {say('class.close')}
            </Button>
            <Quiet isDisabled={busy} onPress={open}>
              {say('class.another-code')}
            </Quiet>
          </Row>
        </>
      ) : (
        <>
          <Soft>{say('class.board-hint')}</Soft>
          <div>
            <Button isDisabled={busy} onPress={open}>
              {say('class.open')}
            </Button>
          </div>
        </>
      )}
    </Card>
  );
}
