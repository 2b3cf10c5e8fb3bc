import { useEffect, useState, type ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { report } from '../api/trouble';
import { Button, Card, Row, Soft } from './controls';

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
        <strong>{place} stopped working.</strong> What you made is saved. Try it again; if it stops again, load the page
        again, and tell your teacher.
      </p>
      <Row>
        <Button onPress={() => setAgain((n) => n + 1)}>Try again</Button>
        <Button onPress={() => window.location.reload()}>Load the page again</Button>
        {told !== null && <Soft as="span">Number for your teacher: {told.slice(0, 8)}</Soft>}
      </Row>
    </Card>
  );
}
