/* The house is built in floors: a floor imports only from those below it. */
const FLOORS = [
  'core/packed',
  'core/units',
  'core/trade',
  'core/geometry',
  'core/codes',
  'core/colour',
  'core/type',
  'core/picture',
  'core/job',
  'core/scene',
  'core/starters',
  'core/devices',
  'core/checks',
  'core/cut',
  'core/sheet',
  'core/files',
  'core/run',
  'core/client',
  'workers',
  'src/store',
  'src/parts',
  'src/offline',
  'src/bench',
  'src/rooms',
  'src/app',
  'src/server',
  'src/pages',
];
// Stand beside the interface: they may use the whole core, and each what is named.
const ANNEXES = { cli: ['core'], demo: ['core', 'cli'], scripts: ['core', 'cli', 'demo'] };

// A job file is data wherever it lies.
const DATA = '\\.tidyedge$';

const at = (floor) => `^${floor}/`;
const upward = FLOORS.map((floor, i) => ({
  name: `nothing-above-${floor.replace('/', '-')}`,
  severity: 'error',
  from: { path: at(floor) },
  to: { path: [...FLOORS.slice(i + 1).map(at), ...Object.keys(ANNEXES).map(at), '^tests/'], pathNot: DATA },
}));
const annexes = Object.entries(ANNEXES).map(([annex, allowed]) => ({
  name: `${annex}-beside-the-interface`,
  severity: 'error',
  from: { path: at(annex) },
  to: { path: '^(core|workers|src|cli|demo|scripts|tests)/', pathNot: [...allowed, annex].map(at) },
}));

module.exports = {
  forbidden: [
    ...upward,
    ...annexes,
    {
      name: 'no-room-imports-a-room',
      severity: 'error',
      from: { path: '^src/rooms/([^/]+)/' },
      to: { path: '^src/rooms/', pathNot: '^src/rooms/$1/' },
    },
    {
      // Every count is the same everywhere because it is made in one place.
      name: 'findings-come-from-the-review',
      severity: 'error',
      from: { pathNot: ['^core/checks/', '^tests/'] },
      to: { path: '^core/checks/(check-piece|rules/(?!spelling|unused-ink|out-of-gamut|back-turn)).*' },
    },
    { name: 'core-is-pure', severity: 'error', from: { path: '^core/' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'core-has-no-interface',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: 'node_modules/(react|react-dom|astro|zustand|dexie|comlink)/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'resolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^(astro:|virtual:)|\\?(url|worker)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'node', 'default', 'types'] },
  },
};
