import { matchPath } from 'react-router';
import { place } from './parts/place';

/** The way to each place of the page. */
export const places = {
  '/stories/:id': place(() => import('./script/ScriptPage')),
  '/stories/:id/booth': place(() => import('./booth/BoothPage')),
  '/stories/:id/split': place(() => import('./booth/split/SplitPage')),
  '/stories/:id/film': place(() => import('./film/FilmPage')),
  '/stories/:id/print': place(() => import('./print/PrintPage')),
  '/classes/:id': place(() => import('./classroom/ClassPage')),
  '/classes/:id/cards': place(() => import('./classroom/CardsPage')),
  '/classes/:id/task': place(() => import('./classroom/task/NewTaskPage')),
  '/assignments/:id/task': place(() => import('./classroom/task/ChangeTaskPage')),
  '/account': place(() => import('./account/mine/AccountPage')),
  '/assignments/:id/rubric': place(() => import('./classroom/rubric/RubricPage')),
  '/assignments/:id/screening': place(() => import('./classroom/screening/ScreeningPage')),
  '/assignments/:id/watched': place(() => import('./classroom/thanks/WatchedPage')),
  '/school': place(() => import('./school/SchoolPage')),
  '/assignments/:id': place(() => import('./classroom/AssignmentPage')),
  '/handins/:id': place(() => import('./classroom/ReviewPage')),
};

/** Fetches the place that the page is opened at. Where that fails it is fetched again, with patience, when it is shown. */
export async function fetchOpened(path: string): Promise<void> {
  const opened = Object.entries(places).find(([way]) => matchPath(way, path));
  await opened?.[1].ahead().catch(() => undefined);
}
