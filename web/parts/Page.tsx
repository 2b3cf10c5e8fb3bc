import { useEffect, type ReactNode } from 'react';
import { Link } from 'react-router';
import styled, { css } from 'styled-components';
import { useSession } from '../api/session';
import { Quiet } from './controls';
import { LeaveIcon } from './icons';
import { say } from '../messages/say';

const Top = styled.header`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 8px 24px;
  border-bottom: 1px solid var(--line);
  background: var(--paper);
  min-height: 56px;
  @media print {
    display: none;
  }
  @media (max-width: 600px) {
    padding: 4px 12px;
    gap: 0 8px;
    min-height: 48px;
  }
`;
const Name = styled(Link)`
  font: 600 1.15rem var(--reading);
  color: var(--ink);
  text-decoration: none;
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 40px;
  svg {
    flex: none;
  }
  @media (max-width: 600px) {
    min-width: 40px;
    &.small .word {
      display: none;
    }
  }
`;
/** On a phone: whose page it is at the right of the first line, before what the page brings. */
const Who = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  margin-inline-start: auto;
  @media (max-width: 600px) {
    order: 1;
    .word {
      display: none;
    }
  }
`;
const Whole = styled.div<{ $fills: boolean }>`
  ${({ $fills }) =>
    $fills &&
    css`
      display: flex;
      flex-direction: column;
      height: 100dvh;
      min-height: 560px;
      > main {
        /* What is hidden from sight in it scrolls with it. */
        position: relative;
        flex: 1;
        min-height: 0;
        overflow: auto;
        width: 100%;
        grid-template-rows: auto minmax(360px, 1fr);
        gap: 12px;
      }
    `}
`;
export const Main = styled.main<{ $wide?: boolean }>`
  max-width: ${({ $wide }) => ($wide ? 'none' : '1120px')};
  margin: 0 auto;
  padding: ${({ $wide }) => ($wide ? '12px 24px' : '24px')};
  display: grid;
  gap: 24px;
  grid-template-columns: minmax(0, 1fr);
  @media (max-width: 600px) {
    padding: 16px 12px;
  }
`;

function Thread() {
  return (
    <svg width="30" height="22" viewBox="0 0 30 22" aria-hidden focusable="false">
      <path
        d="M3 16C9 0 13 21 17 9S25 1 27 6"
        fill="none"
        stroke="var(--indigo)"
        strokeWidth="2.600"
        strokeDasharray="4.500 2.800"
        strokeLinecap="round"
      />
      <circle cx="3.500" cy="16" r="3" fill="var(--madder)" />
    </svg>
  );
}

/** What stands at the head of every page: the way back to the desk, the page's own matters, who is signed in. */
export function Page({
  title,
  head,
  wide = false,
  fills = false,
  children,
}: {
  title: string;
  head?: ReactNode;
  wide?: boolean;
  /** It is as high as the window, and what lies in it scrolls. */
  fills?: boolean;
  children: ReactNode;
}) {
  const { person, signOut } = useSession();
  useEffect(() => {
    document.title = title === '' ? 'Rhapsode' : `${title} · Rhapsode`;
  }, [title]);
  return (
    <Whole $fills={fills}>
      <Top>
        <Name to="/" aria-label={say('page.to-the-desk')} className={head ? 'small' : ''}>
          <Thread />
          <span className="word">Rhapsode</span>
        </Name>
        {head}
        {person && (
          <Who>
            <span className="word">{person.firstName}</span>
            <Quiet onPress={signOut} aria-label={say('page.sign-out')}>
              <LeaveIcon />
              <span className="word">{say('page.sign-out')}</span>
            </Quiet>
          </Who>
        )}
      </Top>
      <Main $wide={wide}>{children}</Main>
    </Whole>
  );
}
