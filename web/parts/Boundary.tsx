import { useEffect, useState, type ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { report } from '../api/trouble';
import { Button, Card, Row, Soft } from './controls';
import { say } from '../messages/say';

/** Keeps the rest of the page when one place of it breaks, says what happened, and offers to go on. */
export function Boundary({
  place,
  resetOn = [],
  children,
}: {
  /** What it is called to the person at the screen: “The preview”. */
  place: string;
  /** When one of these changes, the place is tried again by itself. */
  resetOn?: unknown[];
  children: ReactNode;
}) {
  const [told, setTold] = useState<string | null>(null);
  return (
    <ErrorBoundary
      resetKeys={resetOn}
      onError={(error, info) => void report(place, error, info.componentStack ?? '').then(setTold)}
      onReset={() => setTold(null)}
      fallbackRender={(props) => <Broken place={place} told={told} {...props} />}
    >
      {children}
    </ErrorBoundary>
  );
}

function Broken({ place, told, resetErrorBoundary }: FallbackProps & { place: string; told: string | null }) {
  const [again, setAgain] = useState(0);
  useEffect(() => {
    if (again > 0) resetErrorBoundary();
  }, [again, resetErrorBoundary]);
  return (
    <Card role="alert">
      <p>
        <strong>{say('page.stopped', { place })}</strong> {say('page.stopped.what-now')}
      </p>
      <Row>
        <Button onPress={() => setAgain((n) => n + 1)}>{say('page.try-again')}</Button>
        <Button onPress={() => window.location.reload()}>{say('page.load-again')}</Button>
        {told !== null && <Soft as="span">{say('page.number', { number: told.slice(0, 8) })}</Soft>}
      </Row>
    </Card>
  );
}
