import { configure } from '@testing-library/react';
import 'fake-indexeddb/auto';
import { cleanup } from '@testing-library/react';
import { afterEach, vi } from 'vitest';
import { learn } from '../../web/messages/reader';

await learn(['en-GB']);

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

// However busy the machine is.
configure({ asyncUtilTimeout: 20_000 });
