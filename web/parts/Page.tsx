import { useEffect, type ReactNode } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useSession } from '../account/session';
import { Quiet } from './controls';

const Top = styled.header`
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 8px 24px;
  border-bottom: 1px solid var(--line);
  background: var(--paper);
  min-height: 56px;
  @media (max-width: 600px) {
    padding: 8px 12px;
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
`;
const Push = styled.div`
  flex: 1;
`;
export const Main = styled.main<{ $wide?: boolean }>`
  max-width: ${({ $wide }) => ($wide ? 'none' : '1120px')};
  margin: 0 auto;
  padding: 24px;
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
  children,
}: {
  title: string;
  head?: ReactNode;
  wide?: boolean;
  children: ReactNode;
}) {
  const { person, signOut } = useSession();
  useEffect(() => {
    document.title = title === '' ? 'Rhapsode' : `${title} · Rhapsode`;
  }, [title]);
  return (
    <>
      <Top>
        <Name to="/" aria-label="Rhapsode, to the desk">
          <Thread />
          Rhapsode
        </Name>
        {head}
        <Push />
        {person && (
          <>
            <span>{person.firstName}</span>
            <Quiet onPress={signOut}>Sign out</Quiet>
          </>
        )}
      </Top>
      <Main $wide={wide}>{children}</Main>
    </>
  );
}
