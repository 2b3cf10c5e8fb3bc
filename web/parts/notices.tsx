import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { Button } from './controls';
import { say } from '../messages/say';

interface Notice {
  id: number;
  text: string;
  tone: 'plain' | 'trouble';
  action?: { label: string; run: () => void };
}

type Tell = (text: string, options?: { tone?: Notice['tone']; action?: Notice['action'] }) => void;

const Context = createContext<Tell>(() => undefined);
/** Says something in passing, with an offer to undo it. */
export const useTell = (): Tell => useContext(Context);

const Place = styled.div`
  position: fixed;
  inset-inline-start: 16px;
  bottom: 16px;
  display: grid;
  gap: 8px;
  z-index: 50;
  max-width: min(560px, calc(100vw - 32px));
  @media print {
    display: none;
  }
`;
const Slip = styled.div<{ $trouble: boolean }>`
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 8px 8px 16px;
  border-radius: var(--radius);
  background: var(--ink);
  color: #fff;
  border-inline-start: 5px solid ${({ $trouble }) => ($trouble ? '#e58a7d' : '#9fb0f5')};
  box-shadow: var(--floating);
  p {
    flex: 1;
  }
`;

export function Notices({ children }: { children: ReactNode }) {
  const [notices, setNotices] = useState<Notice[]>([]);
  const next = useRef(1);
  const drop = useCallback((id: number) => setNotices((all) => all.filter((n) => n.id !== id)), []);
  const tell = useCallback<Tell>(
    (text, options = {}) => {
      const notice: Notice = { id: next.current++, text, tone: options.tone ?? 'plain', action: options.action };
      setNotices((all) => [...all.slice(-2), notice]);
      // Long enough to read and to reach; trouble stays until it is put away.
      if (notice.tone === 'plain') setTimeout(() => drop(notice.id), 9000);
    },
    [drop],
  );
  const value = useMemo(() => tell, [tell]);
  return (
    <Context.Provider value={value}>
      {children}
      <Place role="status" aria-live="polite" data-react-aria-top-layer="true">
        {notices.map((notice) => (
          <Slip key={notice.id} $trouble={notice.tone === 'trouble'}>
            <p>{notice.text}</p>
            {notice.action && (
              <Button
                onPress={() => {
                  notice.action?.run();
                  drop(notice.id);
                }}
              >
                {notice.action.label}
              </Button>
            )}
            <Button aria-label={say('page.close-notice')} onPress={() => drop(notice.id)}>
              ✕
            </Button>
          </Slip>
        ))}
      </Place>
    </Context.Provider>
  );
}
