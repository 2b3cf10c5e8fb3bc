import { useEffect, useRef } from 'react';
import { Navigate, useLocation } from 'react-router';
import { ActGoTo, Soft } from '../parts/controls';
import { Page } from '../parts/Page';
import { say } from '../messages/say';
import { loadAnew, useComingIn } from './useComingIn';

/**
 * Where a card leads to that a camera read: whoever holds it is in at once, also where somebody else was. All is loaded anew then,
 * so that nothing of anybody else is left in the page, and the code is left neither in the address nor in the way back.
 */
export function CardPage() {
  const { hash } = useLocation();
  const code = hash.slice(1);
  const { comeIn, wrong } = useComingIn(loadAnew);
  const isTried = useRef(false);
  useEffect(() => {
    if (isTried.current || code === '') return;
    isTried.current = true;
    comeIn({ code });
  }, [code, comeIn]);
  if (code === '') return <Navigate to="/" replace />;
  return (
    <Page title={say('account.card')}>
      <h1>{say('account.card')}</h1>
      <div role="alert">{wrong !== '' && <p>{wrong}</p>}</div>
      {wrong === '' ? (
        <Soft>{say('page.one-moment')}</Soft>
      ) : (
        <div>
          <ActGoTo to="/" replace>
            {say('account.to-the-door')}
          </ActGoTo>
        </div>
      )}
    </Page>
  );
}
