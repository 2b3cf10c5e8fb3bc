import { useState } from 'react';
import { Checkbox, CheckboxGroup, Form, Label } from 'react-aria-components';
import styled from 'styled-components';
import { answer, api } from '../../api/client';
import { say } from '../../messages/say';
import { optionLook } from '../../parts/Choice';
import { Button, Soft, Wrong } from '../../parts/controls';
import { useTried } from '../../parts/useTried';
import type { Named } from '../../together/useMakers';

const Some = styled(CheckboxGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  > .label {
    flex: 1 0 100%;
    font-size: 0.875rem;
    color: var(--soft);
  }
`;
const One = styled(Checkbox)`
  ${optionLook}
  &[data-disabled] {
    opacity: 0.5;
    cursor: default;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--indigo);
    outline-offset: 2px;
  }
`;

interface Props {
  assignment: string;
  /** Of the class who are in no group. */
  alone: Named[];
  /** That make one story. */
  most: number;
  onMade: () => Promise<unknown>;
}

/** Some who are in no group yet are put into one: a story is begun for them. */
export function MakeGroup({ assignment, alone, most, onMade }: Props) {
  const [some, setSome] = useState<string[]>([]);
  const { wrong, busy, tried } = useTried();
  // Somebody else may have put them into one meanwhile.
  const chosen = some.filter((id) => alone.some((one) => one.id === id));
  const make = async () => {
    const params = { path: { id: assignment } };
    await answer(api.POST('/api/assignments/{id}/groups', { params, body: { students: chosen } }));
    setSome([]);
    await onMade();
  };
  if (alone.length === 0) return <Soft>{say('together.all-in-groups')}</Soft>;
  return (
    <Form
      style={{ display: 'grid', gap: 10 }}
      onSubmit={(event) => {
        event.preventDefault();
        void tried(make);
      }}
    >
      <Some value={chosen} onChange={setSome} data-many="a student">
        <Label className="label">{say('together.put', { most })}</Label>
        {alone.map(({ id, name }) => (
          <One key={id} value={id} isDisabled={chosen.length >= most && !chosen.includes(id)}>
            {name}
          </One>
        ))}
      </Some>
      <div>
        <Button type="submit" isDisabled={busy || chosen.length < 2}>
          {say('together.make-group')}
        </Button>
      </div>
      <Wrong text={wrong} />
    </Form>
  );
}
