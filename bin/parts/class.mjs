// The pages of a teacher with thirty classes and two thousand hand-ins, and of a student in one of them: what each asks of the server.
import { ask, at, begin, row, timed } from './bench-client.mjs';

const ASKED_MS = 100;
const TIMES = 40;

await begin();
const pages = async (name, places) => {
  await ask('POST', '/api/session/begin', { name, password: 'tide-mill' });
  for (const [what, path] of await places()) {
    const times = [];
    // The first one fills what is kept in memory.
    for (let n = 0; n <= TIMES; n += 1) times.push(await timed(() => ask('GET', path)));
    const median = at(times.slice(1), 0.5);
    row(what, `${(median / ASKED_MS).toFixed(2)} ×`, `${ASKED_MS} ms, the median of ${TIMES}`, '1 at most');
  }
};
console.log('\nA teacher of 30 classes of 40, with 2,000 hand-ins');
await pages('maren', async () => {
  const { classrooms } = await ask('GET', '/api/desk');
  const crowd = classrooms.find(({ name }) => name.startsWith('Crowd'));
  const [{ id }] = crowd.assignments;
  const { handIns } = await ask('GET', `/api/assignments/${id}`);
  return [
    ['the desk', '/api/desk'],
    ['what has come', '/api/news'],
    ['a class', `/api/classes/${crowd.id}`],
    ['what was handed in to a task', `/api/assignments/${id}`],
    ['one hand-in', `/api/handins/${handIns[0].id}`],
    ['rubrics to copy', '/api/rubrics'],
  ];
});
console.log('\nA student of such a class');
await pages('crowd-3', async () => [
  ['the desk', '/api/desk'],
  ['what has come', '/api/news'],
]);
