import { Suspense, useEffect } from 'react';
import { I18nProvider } from 'react-aria-components';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { useSession } from './api/session';
import { ArrivePage } from './arrive/ArrivePage';
import { CardPage } from './account/CardPage';
import { InvitedPage } from './account/InvitedPage';
import { JoinPage } from './account/JoinPage';
import { SignIn } from './account/SignIn';
import { Unsent } from './booth/Unsent';
import { Desk } from './desk/Desk';
import { EveningPage } from './evening/EveningPage';
import { Told } from './news/Told';
import { Boundary } from './parts/Boundary';
import { Soft } from './parts/controls';
import { Page } from './parts/Page';
import { fetchPlacesAhead } from './parts/place';
import { places } from './places';
import { ARRIVE, CARD, EVENING, INVITED, JOIN } from './parts/addresses';
import { useUnsaved } from './story/useUnsaved';
import { reader, say } from './messages/say';

export function App() {
  const { person } = useSession();
  const { pathname } = useLocation();
  useUnsaved();
  useEffect(fetchPlacesAhead, []);
  if (person === undefined) return null;
  if (pathname === CARD) return <CardPage />;
  if (pathname === INVITED) return <InvitedPage />;
  if (pathname === JOIN) return <JoinPage />;
  if (pathname === ARRIVE) return <ArrivePage />;
  if (pathname === EVENING) return <EveningPage />;
  if (person === null) return <SignIn />;
  return (
    <I18nProvider locale={reader()}>
      <Unsent person={person.id} />
      <Told key={person.id} />
      <Suspense
        fallback={
          <Page title="">
            <Soft>{say('page.one-moment')}</Soft>
          </Page>
        }
      >
        <Boundary place={say('page.this-page')} resetOn={[pathname]}>
          <Routes>
            <Route path="/" element={<Desk />} />
            {Object.entries(places).map(([way, Place]) => (
              <Route key={way} path={way} element={<Place />} />
            ))}
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Boundary>
      </Suspense>
    </I18nProvider>
  );
}
