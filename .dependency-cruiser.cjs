// The rooms of core stand in this order; each may import only from rooms above it.
const rooms = [
  'quantity',
  'part',
  'circuit',
  'supply',
  'light',
  'document',
  'assembly',
  'study',
  'feed',
  'finding',
  'build',
];
const path = (room) => `^core/${room}/`;

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...rooms.slice(0, -1).map((room, i) => ({
      name: `${room}-imports-only-from-above`,
      severity: 'error',
      from: { path: path(room), pathNot: '\\.test\\.ts$' },
      to: { path: rooms.slice(i + 1).map(path) },
    })),
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(app|cli|server|demo|tests)/' },
    },
    {
      name: 'core-has-no-interface-code',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-packages',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: {
        path: 'node_modules/',
        pathNot: 'node_modules/(zod|immer|culori|papaparse|@types/culori|ml-matrix)/',
      },
    },
    {
      name: 'server-imports-nothing-of-the-app',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(app|core|cli)/' },
    },
    {
      name: 'cli-is-not-the-app',
      severity: 'error',
      from: { path: '^cli/' },
      to: { path: '^(app|server)/' },
    },
    {
      name: 'app-is-not-the-server',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|cli)/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
