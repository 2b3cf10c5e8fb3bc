import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';
import { messages } from './web/messages/compile.ts';

// The page's own machines, without a server and without a browser.
export default defineConfig({
  plugins: [messages(), react()],
  test: {
    include: ['tests/web/**/*.test.{ts,tsx}'],
    // However busy the machine is.
    testTimeout: 60_000,
    environment: 'happy-dom',
    environmentOptions: { happyDOM: { settings: { enableImageFileLoading: false } } },
    setupFiles: ['tests/web/setup.ts'],
  },
});
