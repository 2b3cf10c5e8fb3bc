import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Form } from 'react-aria-components';
import limits from '../../../schema/limits.json';
import { answer, api } from '../../api/client';
import type { components } from '../../api/schema';
import { say, type Code } from '../../messages/say';
import { Act, Button, Field, Row, Soft, Wrong } from '../../parts/controls';
import { useTried } from '../../parts/useTried';

export type Platform = components['schemas']['Platform'];
type Told = components['schemas']['PlatformTold'];

const EMPTY: Told = { name: '', issuer: '', client: '', deployments: [], authorisation: '', tokens: '', keys: '' };
const fields: [keyof Omit<Told, 'deployments'>, Code, number | undefined][] = [
  ['name', 'platforms.name', limits.classroom],
  ['issuer', 'platforms.issuer', limits.platformId],
  ['client', 'platforms.client', limits.platformId],
  ['authorisation', 'platforms.authorisation', undefined],
  ['tokens', 'platforms.tokens', undefined],
  ['keys', 'platforms.keys', undefined],
];

/** What a platform says of itself, copied from its own page; null for one that is not known yet. */
export function PlatformForm({ platform, onLeave }: { platform: Platform | null; onLeave: () => void }) {
  const queries = useQueryClient();
  const { wrong, busy, tried } = useTried();
  const [told, setTold] = useState<Told>(platform ?? EMPTY);
  const [deployments, setDeployments] = useState((platform?.deployments ?? []).join('\n'));
  const save = async () => {
    const body: Told = {
      ...Object.fromEntries(fields.map(([key]) => [key, told[key].trim()])),
      deployments: deployments.split('\n').filter((one) => one.trim() !== ''),
    } as Told;
    await answer(
      platform
        ? api.PUT('/api/school/platforms/{id}', { params: { path: { id: platform.id } }, body })
        : api.POST('/api/school/platforms', { body }),
    );
    await queries.invalidateQueries({ queryKey: ['platforms'] });
    onLeave();
  };
  return (
    <Form
      aria-label={say(platform ? 'platforms.change-it' : 'platforms.add')}
      style={{ display: 'grid', gap: 16 }}
      onSubmit={(event) => {
        event.preventDefault();
        void tried(save);
      }}
    >
      {fields.map(([key, label, max]) => (
        <Field
          key={key}
          label={say(label)}
          value={told[key]}
          onChange={(text) => setTold({ ...told, [key]: text })}
          max={max}
          autoComplete="off"
          autoFocus={key === 'name'}
          isRequired
        />
      ))}
      <Field
        label={say('platforms.deployments')}
        value={deployments}
        onChange={setDeployments}
        lines={2}
        autoComplete="off"
        isRequired
      />
      <Soft>{say('platforms.deployments-hint')}</Soft>
      <Wrong text={wrong} />
      <Row>
        <Act type="submit" isDisabled={busy}>
          {say('platforms.save')}
        </Act>
        <Button onPress={onLeave}>{say('page.not-now')}</Button>
      </Row>
    </Form>
  );
}
