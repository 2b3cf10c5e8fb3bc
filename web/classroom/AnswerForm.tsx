import limits from '../../schema/limits.json';
import { api } from '../api/client';
import type { HandInView } from '../api/types';
import { say } from '../messages/say';
import { Act, Button, Card, Field, Row } from '../parts/controls';
import { useDraft } from '../parts/useDraft';
import { useAnswered } from './useAnswered';

/** It is returned with a sentence, or accepted with or without one. */
export function AnswerForm({ data }: { data: HandInView }) {
  const { answered } = useAnswered(data.id);
  const [text, setText] = useDraft(`answer-${data.id}`);
  const send = async (state: 'returned' | 'accepted') => {
    const done = await answered(() =>
      api.POST('/api/handins/{id}/answer', { params: { path: { id: data.id } }, body: { state, answer: text } }),
    );
    if (done) setText('');
  };
  return (
    <Card>
      <h2>{say('review.your-answer')}</h2>
      <Field label={say('review.sentence')} value={text} onChange={setText} lines={3} max={limits.answer} />
      <Row>
        <Button onPress={() => void send('returned')}>{say('review.return')}</Button>
        <Act onPress={() => void send('accepted')}>{say('review.accept')}</Act>
      </Row>
    </Card>
  );
}
