import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { SessionProvider } from './api/session';
import { Refusal } from './api/client';
import { reportTheRest } from './api/trouble';
import { App } from './App';
import { learn } from './messages/reader';
import { say } from './messages/say';
import { Boundary } from './parts/Boundary';
import { Notices } from './parts/notices';
import { keepPressesOffDisabledButtons } from './parts/presses';
import { forgetEarlier } from './offline/kept';
import { fetchOpened } from './places';
import { GlobalStyle } from './theme/global';

const queries = new QueryClient({
  defaultOptions: {
    queries: { retry: (count, error) => !(error instanceof Refusal) && count < 4, refetchOnWindowFocus: false },
  },
});

reportTheRest();
keepPressesOffDisabledButtons();
void Promise.all([learn(), fetchOpened(window.location.pathname), forgetEarlier().catch(() => undefined)]).then(() =>
  createRoot(document.getElementById('root') as HTMLElement).render(
    <StrictMode>
      <GlobalStyle />
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <SessionProvider>
            <Notices>
              <Boundary place={say('page.the-page')}>
                <App />
              </Boundary>
            </Notices>
          </SessionProvider>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  ),
);
