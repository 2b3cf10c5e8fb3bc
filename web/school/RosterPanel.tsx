import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { answer, api, sentence } from '../api/client';
import type { components } from '../api/schema';
import { say } from '../messages/say';
import { invitedAddress } from '../parts/addresses';
import { Button, Card, Row, Soft, Wrong } from '../parts/controls';
import { useOnce } from '../parts/useOnce';
import { packed, tablesOf } from './roster';

type Brought = { classes: number; students: number; teachers: components['schemas']['Invited'][] };

const Links = styled.ul`
  display: grid;
  gap: 8px;
  li {
    display: grid;
    gap: 2px;
    overflow-wrap: anywhere;
  }
  code {
    font: inherit;
    user-select: all;
  }
`;

/** Classes and people from the school's own system, and as files for one. */
export function RosterPanel({ name }: { name: string }) {
  const queries = useQueryClient();
  const [brought, setBrought] = useState<Brought | null>(null);
  const [wrong, setWrong] = useState('');
  const { busy, once } = useOnce((error) => setWrong(sentence(error)));
  const bring = async (chosen: File[]) => {
    setWrong('');
    const files = await tablesOf(chosen).catch(() => null);
    if (!files) return setWrong(say('roster.not-read'));
    setBrought(await answer(api.POST('/api/school/roster', { body: { files } })));
    await queries.invalidateQueries({ queryKey: ['school'] });
  };
  const take = async () => {
    setWrong('');
    const { files } = await answer(api.GET('/api/school/roster'));
    const address = URL.createObjectURL(await packed(files));
    const link = Object.assign(document.createElement('a'), { href: address, download: `${name}.zip` });
    link.click();
    setTimeout(() => URL.revokeObjectURL(address), 60_000);
  };
  return (
    <Card aria-labelledby="roster">
      <h2 id="roster">{say('roster.title')}</h2>
      <Soft>{say('roster.hint')}</Soft>
      <Row>
        <FileTrigger
          acceptedFileTypes={['.zip', '.csv', 'text/csv', 'application/zip']}
          allowsMultiple
          onSelect={(list) => list && list.length > 0 && void once(() => bring([...list]))}
        >
          <Button isDisabled={busy}>{say('roster.bring')}</Button>
        </FileTrigger>
        <Button isDisabled={busy} onPress={() => void once(take)}>
          {say('roster.take')}
        </Button>
      </Row>
      <Wrong text={wrong} />
      {brought && (
        <div role="status" style={{ display: 'grid', gap: 12 }}>
          <p>{say('roster.brought', { classes: brought.classes, students: brought.students })}</p>
          {brought.teachers.length > 0 && (
            <>
              <Soft>{say('roster.links')}</Soft>
              <Links>
                {brought.teachers.map((one) => (
                  <li key={one.code}>
                    <span>
                      <strong>{one.name}</strong> · {one.classes.join(', ')}
                    </span>
                    <code>{invitedAddress(one.code)}</code>
                  </li>
                ))}
              </Links>
            </>
          )}
        </div>
      )}
    </Card>
  );
}
