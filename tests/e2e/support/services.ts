import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect } from './test';

/** Where the started instance keeps the process ids of what it runs. */
const RUN = process.env.RHAPSODE_RUN ?? 'var/app/run';
/** Ends what runs under that name; it is begun again by whoever watches over it. */
export const signal = (name: string, kind: 'TERM' | 'KILL') => {
  const supervisor = readFileSync(`${RUN}/${name}.started`, 'utf8').trim();
  // All below the supervisor, the program itself last: runuser and nice stand between.
  const below = execFileSync('bash', [
    '-c',
    `below() { for child in $(pgrep -P "$1"); do echo "$child"; below "$child"; done; }; below ${supervisor}`,
  ]);
  const all = below.toString().trim().split('\n').filter(Boolean);
  expect(all.length, `${name} runs`).toBeGreaterThan(0);
  for (const pid of name.startsWith('worker') ? all : all.slice(0, 1)) {
    try {
      process.kill(Number(pid), kind);
    } catch {
      // It ended together with the one above it.
    }
  }
};
export const restartDatabase = () =>
  execFileSync('bash', ['-c', 'source bin/parts/common.sh; source bin/parts/services.sh; restart_postgres immediate']);
