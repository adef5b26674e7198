import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/** Parts of the schema library that write JSON Schema: a file of the repository holds it, no page ever asks. */
const WRITES_SCHEMA = /zod\/v4\/core\/(json-schema-processors|to-json-schema|json-schema-generator)\.js$/;

/** Leaves them out of the pages: what they export is there, and does nothing. */
const withoutSchemaWriter: Plugin = {
  name: 'without-schema-writer',
  apply: 'build',
  enforce: 'pre',
  transform(code, id) {
    if (!WRITES_SCHEMA.test(id)) return null;
    const names = [...code.matchAll(/^export (?:const|function|class) (\w+)/gm)].map((m) => m[1]);
    const renamed = [...code.matchAll(/^export \{ (\w+) as (\w+) \};/gm)].map((m) => m[2]);
    const none = 'function nothing() {}';
    const all = [...names.map((n) => `nothing as ${n}`), ...renamed.map((n) => `nothing as ${n}`)];
    return { code: `${none}\nexport { ${all.join(', ')} };`, map: null };
  },
};

export default defineConfig({
  plugins: [withoutSchemaWriter, react()],
  worker: { format: 'es' },
  build: {
    outDir: 'dist/app',
    target: 'es2022',
    chunkSizeWarningLimit: 1200,
    modulePreload: {
      polyfill: false,
      // A worker has no page to put the links of what it will need into; in a page each piece names its own
      // pieces, and lists of all of them beside every import weigh more than they save in one house.
      resolveDependencies: (_, deps, { hostId }) =>
        /study-worker|questions/.test(hostId) ? [] : deps.filter((d) => d.endsWith('.css')),
    },
    rollupOptions: {
      // The worker is built beside the page, so that the two share their files.
      input: { index: 'index.html', 'study-worker': 'app/workers/study-worker.ts' },
      output: {
        // What most pages share comes in one file: many small ones weigh more.
        codeSplitting: {
          groups: [
            // The line shows every kind: its small pictures come together, what they share beside them.
            {
              name: 'on-line',
              test: /\/kinds\/\w+\/on-line/,
              includeDependenciesRecursively: false,
              priority: 2,
            },
            {
              // Nothing of it may be what the worker uses too, which has no document.
              name: 'house',
              test: /node_modules.(?:antd|@rc-component|@ant-design|react)|\/app\/(?!workers|kinds|store|storage)/,
              minShareCount: 45,
            },
            {
              name: 'core',
              test: /\/core\/(?!kinds|build|feed|overhead|part\/rail|part\/feed-wire)/,
              minShareCount: 5,
              priority: 1,
            },
          ],
        },
        entryFileNames: ({ name }) => (name === 'study-worker' ? '[name].js' : 'assets/[name]-[hash].js'),
      },
    },
  },
  server: { host: '127.0.0.1', port: 4181 },
});
