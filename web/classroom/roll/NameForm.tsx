import { useState } from 'react';
import { Form } from 'react-aria-components';
import { say } from '../../messages/say';
import { Button, Field, Quiet, Row } from '../../parts/controls';

interface Props {
  label: string;
  /** What it is called now. */
  called: string;
  most: number;
  busy: boolean;
  /** What the one act is called, where it is not saving the name. */
  act?: string;
  /** Tells whether it is called that now. */
  onSave: (name: string) => Promise<boolean>;
  onLeave: () => void;
}

/** Another name for a class or for somebody in it. */
export function NameForm({ label, called, most, busy, act, onSave, onLeave }: Props) {
  const [name, setName] = useState(called);
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        void onSave(name).then((isDone) => isDone && onLeave());
      }}
    >
      <Row style={{ alignItems: 'end' }}>
        <Field label={label} value={name} onChange={setName} max={most} autoFocus isRequired />
        <Button type="submit" isDisabled={busy}>
          {act ?? say('class.call-so')}
        </Button>
        <Quiet onPress={onLeave}>{say('page.not-now')}</Quiet>
      </Row>
    </Form>
  );
}
