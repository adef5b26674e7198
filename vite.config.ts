import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  worker: { format: 'es' },
  build: {
    outDir: 'dist/app',
    target: 'es2022',
    chunkSizeWarningLimit: 1200,
    modulePreload: {
      polyfill: false,
      // A worker has no page to put the links of what it will need into.
      resolveDependencies: (_, deps, { hostId }) => (/study-worker|questions/.test(hostId) ? [] : deps),
    },
    rollupOptions: {
      // The worker is built beside the page, so that the two share their files.
      input: { index: 'index.html', 'study-worker': 'app/workers/study-worker.ts' },
      output: {
        entryFileNames: ({ name }) => (name === 'study-worker' ? '[name].js' : 'assets/[name]-[hash].js'),
      },
    },
  },
  server: { host: '127.0.0.1', port: 4181 },
});
