import { useState } from 'react';
import limits from '../../../schema/limits.json';
import { answer, api } from '../../api/client';
import type { ClassView } from '../../api/types';
import { say } from '../../messages/say';
import { Quiet, Row } from '../../parts/controls';
import { NameForm } from './NameForm';
import type { Act } from './useRoll';

/** What a class is called, here and where its students come in. */
export function ClassHead({ classroom, busy, act }: { classroom: ClassView; busy: boolean; act: Act }) {
  const [isRenamed, setRenamed] = useState(false);
  const { id, name, word, mayChange } = classroom;
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <Row>
        <h1 className={isRenamed ? 'unseen' : ''}>{name}</h1>
        {mayChange && !isRenamed && <Quiet onPress={() => setRenamed(true)}>{say('class.rename-class')}</Quiet>}
      </Row>
      {isRenamed && (
        <NameForm
          label={say('class.name')}
          called={name}
          most={limits.classroom}
          busy={busy}
          onSave={(to) =>
            act(() => answer(api.PUT('/api/classes/{id}', { params: { path: { id } }, body: { name: to } })))
          }
          onLeave={() => setRenamed(false)}
        />
      )}
      <p>
        {say('class.word')} <strong>{word}</strong>
      </p>
    </div>
  );
}
