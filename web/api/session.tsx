import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useCallback, useContext, useMemo, type ReactNode } from 'react';
import { answer, api, pause } from './client';
import { forgetCopied } from './copied';
import type { Person } from './types';

interface Session {
  /** Who is signed in; null for nobody, undefined while that is being asked. */
  person: Person | null | undefined;
  signIn: (name: string, password: string) => Promise<void>;
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
    queryFn: async () => (await answer(api.GET('/api/session'))) ?? null,
    staleTime: Infinity,
  });
  const signIn = useCallback(
    async (name: string, password: string) => {
      const person = await answer(api.POST('/api/session/begin', { body: { name, password } }));
      queries.setQueryData(['session'], person);
    },
    [queries],
  );
  const signOut = useCallback(() => {
    void (async () => {
      // What was written last is sent under its writer's name, if that can be done soon.
      for (let tries = 0; queries.isMutating() > 0 && tries < 20; tries += 1) await pause(0.25);
      await api.POST('/api/session/end').catch(() => undefined);
      queries.clear();
      forgetCopied();
      window.location.assign('/');
    })();
  }, [queries]);
  const value = useMemo(() => ({ person: data, signIn, signOut }), [data, signIn, signOut]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}
