import react from '@vitejs/plugin-react';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { defineConfig, type Plugin } from 'vite';

/** Parts of libraries that no page ever asks for, and that come along with what is asked for. */
const unused = [
  // A file of the repository holds the JSON Schema.
  /zod\/v4\/core\/(json-schema-processors|to-json-schema|json-schema-generator)\.js$/,
  // Fields here keep their own state; those of the components know of a form all the same.
  /@rc-component\/form\/es\/(Field|Form|List|hooks\/useForm|hooks\/useWatch)\.js$/,
];
const ASKS_FOR_FORM = /import\s*{[^}]*\bForm\b[^}]*}\s*from\s*'antd'/;

/** Leaves them out of the pages: what they export is there, and does nothing. */
const withoutUnused: Plugin = {
  name: 'without-unused',
  apply: 'build',
  enforce: 'pre',
  transform(code, id) {
    if (ASKS_FOR_FORM.test(code))
      this.error(`${id} asks for a form of the components, whose parts are left out of the pages`);
    if (!unused.some((file) => file.test(id))) return null;
    const names = [...code.matchAll(/^export (?:const|function|class) (\w+)/gm)].map((m) => m[1]);
    const renamed = [...code.matchAll(/^export \{ (\w+) as (\w+) \};/gm)].map((m) => m[2]);
    const own = /^export default /m.test(code) ? ['default'] : [];
    const all = [...names, ...renamed, ...own].map((n) => `nothing as ${n}`);
    return { code: `function nothing() {}\nexport { ${all.join(', ')} };`, map: null };
  },
};

/** Which program it is, told from all it is made of: page and worker of one build say the same. */
function programName(): string {
  const made = createHash('sha256');
  const files = ['app', 'core'].flatMap((room) =>
    readdirSync(room, { recursive: true, encoding: 'utf8' }).map((file) => `${room}/${file}`),
  );
  for (const file of [...files.filter((f) => /\.(tsx?|css)$/.test(f)), 'package-lock.json'].sort())
    made.update(file).update(readFileSync(file));
  return made.digest('hex').slice(0, 12);
}

export default defineConfig(({ command }) => ({
  define: command === 'build' ? { 'import.meta.env.VITE_PROGRAM': JSON.stringify(programName()) } : {},
  plugins: [withoutUnused, react()],
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
        /(study|files)-worker|questions/.test(hostId) ? [] : deps.filter((d) => d.endsWith('.css')),
    },
    rollupOptions: {
      // The workers are built beside the page, so that all share their files.
      input: {
        index: 'index.html',
        'study-worker': 'app/workers/study-worker.ts',
        'files-worker': 'app/workers/files-worker.ts',
      },
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
              // What tells a kind's jobs from others is asked of every kind at once.
              name: 'jobs',
              test: /\/core\/kinds\/\w+\/jobs\.ts/,
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
              minShareCount: 12,
              priority: 1,
            },
          ],
        },
        entryFileNames: ({ name }) => (name.endsWith('-worker') ? '[name].js' : 'assets/[name]-[hash].js'),
      },
    },
  },
  server: { host: '127.0.0.1', port: 4181 },
}));
