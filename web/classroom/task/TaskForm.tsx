import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import limits from '../../../schema/limits.json';
import { sentence } from '../../api/client';
import type { components } from '../../api/schema';
import { say } from '../../messages/say';
import { ASKED } from '../../parts/asked';
import { Picks } from '../../parts/Choice';
import { Act, Field, GoTo, Row, Soft, Wrong } from '../../parts/controls';
import { Toggle } from '../../parts/Toggle';
import { useOnce } from '../../parts/useOnce';

/** Told anew, all of it is told. */
export type Task = Required<components['schemas']['Task']>;

const Sheet = styled(Form)`
  display: grid;
  gap: 16px;
  max-width: 640px;
  .pair {
    display: grid;
    gap: 12px;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    max-width: 420px;
  }
  fieldset {
    border: 0;
    padding: 0;
    margin: 0;
    display: grid;
    gap: 4px;
  }
  legend {
    font-size: 0.875rem;
    color: var(--soft);
    padding: 0;
  }
`;
const MINUTE = 60;
/** How many films of others each may answer. */
const PEERS = Array.from({ length: limits.peers + 1 }, (_, i) => i);
/** How many may make one film. */
const SIZES = Array.from({ length: limits.together }, (_, i) => i + 1);
const number = (typed: string) => (typed === '' ? null : Number(typed));

interface Props {
  task: Task;
  /** What the one act is called. */
  act: string;
  /** Where one is without it. */
  back: string;
  onTell: (task: Task) => Promise<unknown>;
}

/** What a class is asked to do. */
export function TaskForm({ task, act, back, onTell }: Props) {
  const [told, setTold] = useState(task);
  const [least, setLeast] = useState(String(task.leastSeconds / MINUTE));
  const [most, setMost] = useState(String(task.mostSeconds / MINUTE));
  const [wrong, setWrong] = useState('');
  const { once } = useOnce((error) => setWrong(sentence(error)));
  const set = (some: Partial<Task>) => setTold((now) => ({ ...now, ...some }));
  const tell = () => {
    setWrong('');
    const seconds = (minutes: string) => Math.round(Number(minutes) * MINUTE);
    return onTell({ ...told, leastSeconds: seconds(least), mostSeconds: seconds(most) });
  };
  const asked = told.asked;
  return (
    <Sheet
      onSubmit={(event) => {
        event.preventDefault();
        void once(tell);
      }}
    >
      <Field
        label={say('task.title')}
        value={told.title}
        onChange={(title) => set({ title })}
        max={limits.title}
        autoFocus
        isRequired
      />
      <Field
        label={say('task.task')}
        value={told.task}
        onChange={(text) => set({ task: text })}
        max={limits.task}
        lines={5}
      />
      <div style={{ maxWidth: 200 }}>
        <Field label={say('task.due')} value={told.dueOn} onChange={(dueOn) => set({ dueOn })} type="date" isRequired />
      </div>
      <div className="pair">
        <Field label={say('task.shortest')} value={least} onChange={setLeast} type="number" step="any" isRequired />
        <Field label={say('task.longest')} value={most} onChange={setMost} type="number" step="any" isRequired />
        <Field
          label={say('task.fewest')}
          value={String(told.leastSlides ?? '')}
          onChange={(typed) => set({ leastSlides: number(typed) })}
          type="number"
        />
        <Field
          label={say('task.most')}
          value={String(told.mostSlides ?? '')}
          onChange={(typed) => set({ mostSlides: number(typed) })}
          type="number"
        />
      </div>
      <fieldset>
        <legend>{say('task.asks')}</legend>
        {ASKED.map(([one, code]) => (
          <Toggle
            key={one}
            isSelected={asked.includes(one)}
            onChange={(isAsked) => set({ asked: isAsked ? [...asked, one] : asked.filter((other) => other !== one) })}
          >
            {say(code)}
          </Toggle>
        ))}
        <Soft>{say('task.always')}</Soft>
      </fieldset>
      <Picks
        label={say('task.together')}
        value={String(told.together)}
        options={SIZES.map((size) => [String(size), say('task.up-to', { size })])}
        onChange={(size) => set({ together: Number(size) })}
      />
      <Picks
        label={say('task.peers')}
        value={String(told.peers)}
        options={PEERS.map((count) => [String(count), say('task.peers-of', { count })])}
        onChange={(count) => set({ peers: Number(count) })}
      />
      {told.peers > 0 && (
        <Toggle isSelected={told.peersHeld} onChange={(peersHeld) => set({ peersHeld })}>
          {say('task.peers-held')}
        </Toggle>
      )}
      <fieldset>
        <legend>{say('task.fair')}</legend>
        <Toggle isSelected={told.hidesNames} onChange={(hidesNames) => set({ hidesNames })}>
          {say('task.hides-names')}
        </Toggle>
      </fieldset>
      <fieldset>
        <legend>{say('task.afterwards')}</legend>
        <Toggle isSelected={told.classSees} onChange={(classSees) => set({ classSees })}>
          {say('task.class-sees')}
        </Toggle>
      </fieldset>
      <Wrong text={wrong} />
      <Row>
        <Act type="submit">{act}</Act>
        <GoTo to={back}>{say('page.not-now')}</GoTo>
      </Row>
    </Sheet>
  );
}
