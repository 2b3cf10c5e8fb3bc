import { useState } from 'react';
import { Form } from 'react-aria-components';
import { useNavigate } from 'react-router';
import limits from '../../schema/limits.json';
import { answer, api, sentence } from '../api/client';
import { say } from '../messages/say';
import { Button, Field, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { useOnce } from '../parts/useOnce';

/** A new class asks for its name, and nothing else. */
export function NewClass({ isFirst }: { isFirst: boolean }) {
  const [name, setName] = useState<string | null>(null);
  const navigate = useNavigate();
  const tell = useTell();
  const { once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  const begin = (called: string) =>
    once(async () => {
      const { id } = await answer(api.POST('/api/classes', { body: { name: called } }));
      await navigate(`/classes/${id}`);
    });
  if (name === null)
    return (
      <Row>
        {isFirst && <Soft>{say('desk.no-class')}</Soft>}
        <Button onPress={() => setName('')}>{say('desk.new-class')}</Button>
      </Row>
    );
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        void begin(name);
      }}
    >
      <Row style={{ alignItems: 'end' }}>
        <Field
          label={say('desk.class-called')}
          value={name}
          onChange={setName}
          max={limits.classroom}
          autoFocus
          isRequired
        />
        <Button type="submit">{say('desk.make-class')}</Button>
        <Button onPress={() => setName(null)}>{say('page.not-now')}</Button>
      </Row>
    </Form>
  );
}
