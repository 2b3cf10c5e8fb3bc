import optimizeLocales from '@react-aria/optimize-locales-plugin';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { messages } from './web/messages/compile.ts';

export default defineConfig({
  root: 'web',
  // Messages are parsed when the page is built.
  resolve: { alias: { '@formatjs/icu-messageformat-parser': '@formatjs/icu-messageformat-parser/no-parser.js' } },
  plugins: [messages(), react(), { ...optimizeLocales.vite({ locales: ['en-US'] }), enforce: 'pre' }],
  build: { outDir: '../public/app', emptyOutDir: true, target: 'es2022', assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
});
