import { defineConfig } from 'vite';

/** The programs that run in Node: the terminal and the server. Their packages are bundled in, but Express's. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    emptyOutDir: false,
    minify: false,
    rollupOptions: {
      input: { 'cli/hazel': 'cli/hazel.ts', 'server/main': 'server/main.ts', 'bench/main': 'bench/main.ts' },
      output: { entryFileNames: '[name].mjs', chunkFileNames: 'shared/[name]-[hash].mjs' },
    },
  },
  ssr: { noExternal: ['zod', 'immer', 'culori'] },
});
