import { Suspense, useEffect } from 'react';
import { I18nProvider } from 'react-aria-components';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { useSession } from './api/session';
import { SignIn } from './account/SignIn';
import { Unsent } from './booth/Unsent';
import { Desk } from './desk/Desk';
import { Boundary } from './parts/Boundary';
import { Soft } from './parts/controls';
import { Page } from './parts/Page';
import { fetchPlacesAhead, place } from './parts/place';
import { useUnsaved } from './story/useUnsaved';
import { reader, say } from './messages/say';

const ScriptPage = place(() => import('./script/ScriptPage'));
const BoothPage = place(() => import('./booth/BoothPage'));
const FilmPage = place(() => import('./film/FilmPage'));
const AssignmentPage = place(() => import('./classroom/AssignmentPage'));
const ReviewPage = place(() => import('./classroom/ReviewPage'));

export function App() {
  const { person } = useSession();
  const { pathname } = useLocation();
  useUnsaved();
  useEffect(fetchPlacesAhead, []);
  if (person === undefined) return null;
  if (person === null) return <SignIn />;
  return (
    <I18nProvider locale={reader()}>
      <Unsent person={person.id} />
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
            <Route path="/stories/:id" element={<ScriptPage />} />
            <Route path="/stories/:id/booth" element={<BoothPage />} />
            <Route path="/stories/:id/film" element={<FilmPage />} />
            <Route path="/assignments/:id" element={<AssignmentPage />} />
            <Route path="/handins/:id" element={<ReviewPage />} />
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Boundary>
      </Suspense>
    </I18nProvider>
  );
}
