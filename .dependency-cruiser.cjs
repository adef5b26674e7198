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
  'overhead',
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
      // What files of old held is written down in the kind it became; everything else asks the tables.
      name: 'shared-rooms-know-no-kind',
      severity: 'error',
      from: {
        path: '^(core|cli)/',
        pathNot: ['^core/kinds/', '^core/document/migrations/', '\\.test\\.ts$'],
      },
      to: { path: '^core/kinds/[^/]+/' },
    },
    {
      name: 'no-kind-reaches-into-another',
      severity: 'error',
      from: { path: '^core/kinds/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^core/kinds/[^/]+/', pathNot: '^core/kinds/$1/' },
    },
    // In a kind the name of a file says its layer: what it may import, near or far.
    ...Object.entries({
      record: rooms.slice(rooms.indexOf('assembly')),
      wiring: rooms.slice(rooms.indexOf('study')),
      shines: ['finding', 'build'],
    }).map(([file, below]) => ({
      name: `${file}-of-a-kind-imports-only-from-above`,
      severity: 'error',
      from: { path: `^core/kinds/.+[/-]${file}\\.ts$` },
      to: { path: below.map(path), reachable: true },
    })),
    {
      name: 'only-the-rules-of-a-kind-judge-and-its-order-builds',
      severity: 'error',
      from: {
        path: '^core/kinds/[^/]+/',
        pathNot: ['^core/kinds/[^/]+/rules/', '^core/kinds/[^/]+/(order|templates)\\.ts$', '\\.test\\.ts$'],
      },
      to: { path: ['finding', 'build'].map(path) },
    },
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
        pathNot: 'node_modules/(zod|immer|culori|d3-hierarchy|papaparse|@types/culori|@types/d3-hierarchy)/',
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
    {
      // What is asked of one kind alone stands with it; the table of kinds names them all. Matching a train is asked of the train.
      name: 'shared-rooms-of-the-app-know-no-kind',
      severity: 'error',
      from: { path: '^app/', pathNot: ['^app/kinds/', '^app/workers/questions\\.ts$', '\\.test\\.tsx?$'] },
      to: { path: '^(app|core)/kinds/[^/]+/' },
    },
    {
      name: 'no-kind-of-the-app-reaches-into-another',
      severity: 'error',
      from: { path: '^app/kinds/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(app|core)/kinds/[^/]+/', pathNot: '^(app|core)/kinds/$1/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
