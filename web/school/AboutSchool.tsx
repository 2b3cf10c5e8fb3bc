import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Form } from 'react-aria-components';
import limits from '../../schema/limits.json';
import { answer, api } from '../api/client';
import { told } from '../api/told';
import { say } from '../messages/say';
import { Select } from '../parts/Choice';
import { Act, Button, Card, Field, Quiet, Row, Soft, Wrong } from '../parts/controls';
import { useTried } from '../parts/useTried';

interface School {
  name: string;
  zone: string;
  keepsYears: number | null;
}

/** Years that may be chosen. */
const YEARS = [1, 2, 3, 5, limits.keptYears];

/** What a school is called, by whose clock its days end, and how long it keeps what was made. */
export function AboutSchool({ school }: { school: School }) {
  const [isChanged, setChanged] = useState(false);
  if (!isChanged) return <Quiet onPress={() => setChanged(true)}>{say('school.change')}</Quiet>;
  return <About school={school} onLeave={() => setChanged(false)} />;
}

function About({ school, onLeave }: { school: School; onLeave: () => void }) {
  const queries = useQueryClient();
  const { wrong, busy, tried } = useTried();
  const [name, setName] = useState(school.name);
  const [zone, setZone] = useState(school.zone);
  const [keeps, setKeeps] = useState(String(school.keepsYears ?? ''));
  const zones = [...new Set([school.zone, 'UTC', ...Intl.supportedValuesOf('timeZone')])].sort();
  const save = async () => {
    await told(
      queries,
      ['school'],
      await answer(api.PUT('/api/school', { body: { name, zone, keepsYears: keeps === '' ? null : Number(keeps) } })),
    );
    onLeave();
  };
  return (
    <Card aria-label={say('school.change')} style={{ maxWidth: 460 }}>
      <Form
        style={{ display: 'grid', gap: 16 }}
        onSubmit={(event) => {
          event.preventDefault();
          void tried(save);
        }}
      >
        <Field
          label={say('school.name')}
          value={name}
          onChange={setName}
          max={limits.classroom}
          autoComplete="off"
          autoFocus
          isRequired
        />
        <Select
          label={say('school.zone')}
          value={zone}
          options={zones.map((one): [string, string] => [one, one.replaceAll('_', ' ')])}
          onChange={setZone}
        />
        <Soft>{say('school.zone-hint')}</Soft>
        <Select
          label={say('school.keeps')}
          value={keeps}
          options={[
            ['', say('school.keeps-all')],
            ...[...new Set([...YEARS, ...(school.keepsYears === null ? [] : [school.keepsYears])])]
              .sort((a, b) => a - b)
              .map((years): [string, string] => [String(years), say('school.keeps-years', { years })]),
          ]}
          onChange={setKeeps}
        />
        {keeps !== '' && <Soft>{say('school.keeps-hint', { days: limits.keptNotice })}</Soft>}
        <Wrong text={wrong} />
        <Row>
          <Act type="submit" isDisabled={busy}>
            {say('school.save')}
          </Act>
          <Button onPress={onLeave}>{say('page.not-now')}</Button>
        </Row>
      </Form>
    </Card>
  );
}
