import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import styled from 'styled-components';
import { answer, api, sentence } from '../api/client';
import { told } from '../api/told';
import type { HandInView } from '../api/types';
import { say } from '../messages/say';
import { RemarkVoice } from '../parts/Hear';
import { Button, Card, Row, Soft } from '../parts/controls';
import { useTell } from '../parts/notices';
import { Toggle } from '../parts/Toggle';

type Before = NonNullable<HandInView['before']>;
type Change = Before['changes'][number];

const Changes = styled.ul`
  display: grid;
  gap: 6px;
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 10px;
    align-items: center;
  }
`;

/** What is another than in the hand-in before, slide by slide; and what was said of that one, to be ticked off. */
export function Since({ data, before, onJump }: { data: HandInView; before: Before; onJump: (to: number) => void }) {
  const jump = (slide: string) => {
    const start = data.slides.find(({ id }) => id === slide)?.start;
    if (start !== undefined) onJump(start);
  };
  return (
    <Card aria-labelledby="since">
      <Row style={{ justifyContent: 'space-between' }}>
        <h2 id="since">{say('since.title', { number: before.number })}</h2>
        <Link to={`/handins/${before.id}`}>{say('since.see-before', { number: before.number })}</Link>
      </Row>
      {before.changes.length === 0 && <Soft>{say('since.nothing')}</Soft>}
      <Changes>
        {before.changes.map((change) => (
          <li key={change.slide}>
            {change.is === null ? (
              <span>{say('since.was', { slide: change.was ?? 0 })}</span>
            ) : (
              <Button aria-label={say('since.jump', { slide: change.is })} onPress={() => jump(change.slide)}>
                {say('since.slide', { slide: change.is })}
              </Button>
            )}
            <Soft as="span">{change.kinds.map((kind) => kindText(kind, change)).join(' · ')}</Soft>
          </li>
        ))}
      </Changes>
      {before.remarks.length > 0 && (
        <>
          <h3>{say('since.remarks')}</h3>
          {before.remarks.map((remark) => (
            <Tick key={remark.id} handIn={data.id} before={before.id} remark={remark} />
          ))}
        </>
      )}
    </Card>
  );
}

function kindText(kind: Change['kinds'][number], { was }: Change): string {
  const texts: Record<typeof kind, string> = {
    added: say('since.added'),
    removed: say('since.removed'),
    moved: say('since.moved', { was: was ?? 0 }),
    picture: say('since.picture'),
    words: say('since.words'),
    voice: say('since.voice'),
    script: say('since.script'),
    look: say('since.look'),
  };
  return texts[kind];
}

function Tick({ handIn, before, remark }: { handIn: string; before: string; remark: Before['remarks'][number] }) {
  const queries = useQueryClient();
  const tell = useTell();
  const { mutate, isPending, variables } = useMutation({
    networkMode: 'always',
    scope: { id: `tick-${remark.id}` },
    mutationFn: (isDone: boolean) => {
      const params = { path: { id: before, remark: remark.id } };
      return answer(api.PUT('/api/handins/{id}/remarks/{remark}/done', { params, body: { isDone } }));
    },
    onSuccess: (now) =>
      told<HandInView>(queries, ['handin', handIn], (old) =>
        old?.before
          ? {
              ...old,
              before: { ...old.before, remarks: old.before.remarks.map((one) => (one.id === now.id ? now : one)) },
            }
          : old,
      ),
    onError: (error) => tell(sentence(error), { tone: 'trouble' }),
  });
  const said = remark.text || say('spoken.is');
  return (
    <div>
      <Toggle
        isSelected={isPending ? variables : remark.isDone}
        onChange={mutate}
        aria-label={say('since.done', { remark: said })}
      >
        {said}
      </Toggle>{' '}
      <RemarkVoice remark={remark} />
    </div>
  );
}
