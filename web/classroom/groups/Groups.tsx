import { useQuery, useQueryClient } from '@tanstack/react-query';
import styled from 'styled-components';
import { answer, api } from '../../api/client';
import type { Assignment } from '../../api/types';
import { say } from '../../messages/say';
import { Card, Quiet, Soft, Wrong } from '../../parts/controls';
import { names } from '../../parts/names';
import { useTried } from '../../parts/useTried';
import { MakersList } from '../../together/MakersList';
import { join, leave, type Together } from '../../together/useMakers';
import { MakeGroup } from './MakeGroup';

const List = styled.ul`
  display: grid;
  gap: 4px;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 280px), 1fr));
`;

/** Those of the class who make stories together: as they have found each other, or as who leads it puts them. */
export function Groups({ assignment: { id, together: most }, maySet }: { assignment: Assignment; maySet: boolean }) {
  const queries = useQueryClient();
  const queryKey = ['groups', id];
  const { data } = useQuery({
    queryKey,
    queryFn: () => answer(api.GET('/api/assignments/{id}/groups', { params: { path: { id } } })),
    refetchOnMount: 'always',
  });
  const again = () => queries.invalidateQueries({ queryKey });
  if (!data) return null;
  return (
    <section aria-labelledby="groups" style={{ display: 'grid', gap: 12 }}>
      <h2 id="groups">
        {say('together.groups')} <Soft as="span">· {data.groups.length}</Soft>
      </h2>
      {data.groups.length === 0 && <Soft>{say('together.no-groups')}</Soft>}
      <List>
        {data.groups.map((group) => (
          <li key={group.story}>
            {maySet ? <Group group={group} onChange={again} /> : names(group.makers.map(({ name }) => name))}
          </li>
        ))}
      </List>
      {maySet && <MakeGroup assignment={id} alone={data.alone} most={most} onMade={again} />}
    </section>
  );
}

function Group({ group, onChange }: { group: Together; onChange: () => Promise<unknown> }) {
  const { wrong, busy, tried } = useTried();
  const label = names(group.makers.map(({ name }) => name));
  return (
    <details>
      <summary aria-label={say('together.by', { names: label })}>{label}</summary>
      <Card aria-label={label}>
        <MakersList
          told={group}
          onJoin={(maker) => tried(() => join(group.story, maker).then(onChange))}
          act={({ id, name }) =>
            group.makers.length > 1 && (
              <Quiet
                isDisabled={busy}
                aria-label={say('together.take-out', { name })}
                onPress={() => void tried(() => leave(group.story, id).then(onChange))}
              >
                {say('together.take-out-short')}
              </Quiet>
            )
          }
        />
        <Wrong text={wrong} />
      </Card>
    </details>
  );
}
