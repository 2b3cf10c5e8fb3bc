import { useQuery, useQueryClient } from '@tanstack/react-query';
import styled from 'styled-components';
import { answer, api } from '../../api/client';
import { say } from '../../messages/say';
import { IconButton, Quiet, Row, Wrong } from '../../parts/controls';
import { BinIcon } from '../../parts/icons';
import { useTried } from '../../parts/useTried';

const Kept = styled.ul`
  display: grid;
  gap: 4px;
  max-height: 220px;
  overflow: auto;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
  }
  li > :first-child {
    justify-content: start;
    text-align: start;
    white-space: normal;
  }
`;

/** Sentences that somebody says again and again: kept once, taken by a press. */
export function Sentences({ text, onTake }: { text: string; onTake: (text: string) => void }) {
  const queries = useQueryClient();
  const queryKey = ['sentences'];
  const { data = [] } = useQuery({ queryKey, queryFn: () => answer(api.GET('/api/sentences')) });
  const { wrong, busy, tried } = useTried();
  const said = text.trim();
  const isKept = data.some((one) => one.text === said);
  const again = () => queries.invalidateQueries({ queryKey });
  const keep = async () => {
    await answer(api.POST('/api/sentences', { body: { text: said } }));
    await again();
  };
  const drop = async (id: string) => {
    await answer(api.DELETE('/api/sentences/{id}', { params: { path: { id } } }));
    await again();
  };
  return (
    <div role="group" aria-label={say('sentences.mine')} style={{ display: 'grid', gap: 4 }}>
      <Kept>
        {data.map((one) => (
          <li key={one.id}>
            <Quiet
              aria-label={say('sentences.take', { text: one.text })}
              onPress={() => onTake(said === '' ? one.text : `${text.trimEnd()} ${one.text}`)}
            >
              {one.text}
            </Quiet>
            <IconButton
              label={say('sentences.drop', { text: one.text })}
              isDisabled={busy}
              onPress={() => void tried(() => drop(one.id))}
            >
              <BinIcon />
            </IconButton>
          </li>
        ))}
      </Kept>
      {said !== '' && !isKept && (
        <Row>
          <Quiet isDisabled={busy} onPress={() => void tried(keep)}>
            {say('sentences.keep')}
          </Quiet>
        </Row>
      )}
      <Wrong text={wrong} />
    </div>
  );
}
