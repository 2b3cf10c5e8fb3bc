import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import { answer, api, sentence } from '../../api/client';
import { told } from '../../api/told';
import { say, type Code } from '../../messages/say';
import { Button, Card, Quiet, Row, Soft } from '../../parts/controls';
import { useTell } from '../../parts/notices';
import { ago, day } from '../../parts/time';
import { AddressToCopy } from '../../parts/ToCopy';
import { useOnce } from '../../parts/useOnce';
import { PlatformForm, type Platform } from './PlatformForm';

const List = styled.ul`
  && li {
    display: grid;
    gap: 4px;
    padding: 10px 0;
    border-block-end: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
`;

/** What is to be mended, by what was wrong with the last message. */
const mended: Partial<Record<string, Code>> = {
  issuer: 'platforms.fault-told',
  audience: 'platforms.fault-told',
  'authorised-party': 'platforms.fault-told',
  deployment: 'platforms.fault-deployment',
  'key-unknown': 'platforms.fault-keys',
  'key-unnamed': 'platforms.fault-keys',
  signature: 'platforms.fault-keys',
  algorithm: 'platforms.fault-keys',
  time: 'platforms.fault-time',
};

/** The learning platforms that people come from: an administrator tells us of each, and each of us. */
export function PlatformsPanel() {
  const queries = useQueryClient();
  const tell = useTell();
  const { data } = useQuery({ queryKey: ['platforms'], queryFn: () => answer(api.GET('/api/school/platforms')) });
  const { busy, once } = useOnce((error) => tell(sentence(error), { tone: 'trouble' }));
  const [changed, setChanged] = useState<Platform | 'new' | null>(null);
  const [leaves, setLeaves] = useState<string | null>(null);
  if (!data) return null;
  const drop = (id: string) =>
    void once(async () => {
      const path = { params: { path: { id } } };
      await told(queries, ['platforms'], await answer(api.DELETE('/api/school/platforms/{id}', path)));
      setLeaves(null);
    });
  const { platforms, own } = data;
  return (
    <Card aria-labelledby="platforms">
      <h2 id="platforms">{say('platforms.title')}</h2>
      <Soft>{say('platforms.hint')}</Soft>
      {platforms.length > 0 && (
        <List>
          {platforms.map((one) => (
            <li key={one.id}>
              <strong>{one.name}</strong>
              <Soft>{one.cameAt ? say('platforms.came', { ago: ago(one.cameAt) }) : say('platforms.nobody-came')}</Soft>
              {one.fault && <p role="status">{say(mended[one.fault] ?? 'platforms.fault')}</p>}
              {one.scoreFailedAt && (
                <p role="status">{say('platforms.score-failed', { day: day(one.scoreFailedAt) })}</p>
              )}
              {leaves === one.id ? (
                <Row>
                  <span>{say('platforms.sure')}</span>
                  <Button isDisabled={busy} onPress={() => drop(one.id)}>
                    {say('platforms.drop')}
                  </Button>
                  <Button onPress={() => setLeaves(null)}>{say('page.not-now')}</Button>
                </Row>
              ) : (
                <Row>
                  <Quiet onPress={() => setChanged(one)}>{say('platforms.change', { name: one.name })}</Quiet>
                  <Quiet onPress={() => setLeaves(one.id)}>{say('platforms.drop-one', { name: one.name })}</Quiet>
                </Row>
              )}
            </li>
          ))}
        </List>
      )}
      {changed ? (
        <>
          <Soft>{say('platforms.own-hint')}</Soft>
          {(
            [
              ['platforms.own-login', own.login],
              ['platforms.own-launch', own.launch],
              ['platforms.own-keys', own.keys],
            ] as const
          ).map(([label, value]) => (
            <AddressToCopy key={label} label={say(label)} address={value} />
          ))}
          <PlatformForm
            key={changed === 'new' ? 'new' : changed.id}
            platform={changed === 'new' ? null : changed}
            onLeave={() => setChanged(null)}
          />
        </>
      ) : (
        <div>
          <Button onPress={() => setChanged('new')}>{say('platforms.add')}</Button>
        </div>
      )}
    </Card>
  );
}
