import { answer, api, pause, Refusal } from '../../../api/client';
import { putPart } from '../../../assets/putPart';

/** Seconds from one question whether it is ready to the next. */
const ASKED = 0.4;

/** Sends what was spoken of a film, and waits until it is ready. @returns what it is called by then */
export async function sendSpoken(handIn: string, sound: Blob): Promise<string> {
  const { id } = await answer(api.POST('/api/handins/{id}/spoken', { params: { path: { id: handIn } } }));
  await putPart(id, 0, await sound.arrayBuffer());
  const params = { path: { id } };
  await answer(api.POST('/api/assets/{id}/finish', { params, body: { parts: 1 } }));
  for (;;) {
    const { state, problem } = await answer(api.GET('/api/assets/{id}', { params }));
    if (state === 'ready') return id;
    if (state === 'refused') throw new Refusal(422, problem ?? { code: 'file.not-prepared' });
    await pause(ASKED);
  }
}
