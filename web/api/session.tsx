import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useCallback, useContext, useMemo, type ReactNode } from 'react';
import { answer, api, isItsOwn, pause, Unreachable } from './client';
import { forget } from '../offline/kept';
import { forgetCopied } from './copied';
import type { Person } from './types';

/** What somebody comes in with: a name and a password, with a code where there is a second step, a child's class, name and three words, or the code of a card. */
export type Key =
  { name: string; password: string; code?: string } | { class: string; name: string; words: string } | { code: string };

const comeIn = (key: Key) => {
  if ('password' in key) return api.POST('/api/session/begin', { body: key });
  if ('words' in key) return api.POST('/api/session/class', { body: key });
  return api.POST('/api/session/card', { body: key });
};

interface Session {
  /** Who is signed in; null for nobody, undefined while that is being asked. */
  person: Person | null | undefined;
  signIn: (key: Key) => Promise<void>;
  signOut: () => void;
}

const Context = createContext<Session>({
  person: undefined,
  signIn: () => Promise.resolve(),
  signOut: () => undefined,
});
export const useSession = (): Session => useContext(Context);

export function SessionProvider({ children }: { children: ReactNode }) {
  const queries = useQueryClient();
  const { data } = useQuery({
    queryKey: ['session'],
    queryFn: async () => {
      const person = (await answer(api.GET('/api/session'))) ?? null;
      await forget(person?.id ?? null).catch(() => undefined);
      return person;
    },
    staleTime: Infinity,
    // Without it there is no page: it is asked until it is known.
    retry: (_, problem) => problem instanceof Unreachable || isItsOwn(problem),
    retryDelay: (count) => Math.min(1000 * 1.6 ** count, 5000),
  });
  const signIn = useCallback(
    async (key: Key) => {
      const person = await answer<Person>(comeIn(key));
      await forget(person.id).catch(() => undefined);
      queries.setQueryData(['session'], person);
    },
    [queries],
  );
  const signOut = useCallback(() => {
    void (async () => {
      // What was written last is sent under its writer's name, if that can be done soon.
      for (let tries = 0; queries.isMutating() > 0 && tries < 20; tries += 1) await pause(0.25);
      await api.POST('/api/session/end').catch(() => undefined);
      await forget().catch(() => undefined);
      forgetCopied();
      // What the page holds goes with it. Emptied before, it would show the door for a moment, and lose what is typed there.
      window.location.assign('/');
    })();
  }, [queries]);
  const value = useMemo(() => ({ person: data, signIn, signOut }), [data, signIn, signOut]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}
