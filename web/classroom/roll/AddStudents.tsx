import { useState } from 'react';
import { Form } from 'react-aria-components';
import limits from '../../../schema/limits.json';
import { answer, api } from '../../api/client';
import { say } from '../../messages/say';
import { Act, Button, Card, Field, Soft } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { keepCards } from './cards';
import type { Act as Do } from './useRoll';

interface Props {
  id: string;
  busy: boolean;
  /** It is what is to be done next. */
  isNext: boolean;
  act: Do;
}

/** A list of first names, pasted as it lies. */
export function AddStudents({ id, busy, isNext, act }: Props) {
  const Add = isNext ? Act : Button;
  const [list, setList] = useState('');
  const tell = useTell();
  const add = async () => {
    let came = 0;
    const isDone = await act(async () => {
      const asked = { params: { path: { id } }, body: { list } };
      const { classroom, cards } = await answer(api.POST('/api/classes/{id}/students', asked));
      keepCards(id, cards);
      came = cards.length;
      return classroom;
    });
    if (!isDone) return;
    setList('');
    tell(say('class.came', { count: came }));
  };
  return (
    <Card aria-labelledby="add">
      <h2 id="add">{say('class.add')}</h2>
      <Form
        style={{ display: 'grid', gap: 12 }}
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        <Field
          label={say('class.first-names')}
          value={list}
          onChange={setList}
          lines={5}
          max={limits.names}
          isRequired
        />
        <Soft>{say('class.first-names-hint')}</Soft>
        <div>
          <Add type="submit" isDisabled={busy}>
            {say('class.add-them')}
          </Add>
        </div>
      </Form>
    </Card>
  );
}
