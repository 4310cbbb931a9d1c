/** Which room may use which. `core` is pure: it takes nothing from outside itself but three packages of sums. */
const rooms = (from, ...allowed) => ({
  name: `${from}-uses-only-its-own`,
  severity: 'error',
  from: { path: `^${from}/src`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^(core|contract|demo|server|web|e2e|scripts)/', pathNot: [from, ...allowed].map((r) => `^${r}/src`) },
});

/** Within `web`: which rooms stand on which. A room not named under `from` here may use all that are not screens. */
const webRoom = (room, ...allowed) => ({
  name: `web-${room}-stands-on-${allowed.join('-') || 'nothing'}`,
  severity: 'error',
  from: { path: `^web/src/${room}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^web/src/', pathNot: [room, ...allowed].map((r) => `^web/src/${r}/`) },
});

module.exports = {
  forbidden: [
    // Types too: two files that need each other's types are one thought in two places.
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    webRoom('api'),
    webRoom('workers'),
    webRoom('position'),
    webRoom('tilt', 'position'),
    webRoom('preferences', 'position'),
    webRoom('units', 'preferences'),
    webRoom('ui', 'units', 'api'),
    webRoom('offline', 'api'),
    webRoom('records', 'offline', 'api', 'ui', 'when', 'preferences'),
    {
      name: 'what-screens-share-knows-no-screen',
      severity: 'error',
      from: { path: '^web/src/(box|ground|map|photos|reading|ribbon|files)/' },
      to: { path: '^web/src/(stages|day|settings|shell)/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/src|^node_modules/(suncalc|flatbush|@neaps/tide-predictor|@date-fns/tz)/' },
    },
    rooms('contract', 'core'),
    rooms('demo', 'core', 'contract'),
    rooms('server', 'core', 'contract', 'demo'),
    rooms('web', 'core', 'contract'),
    {
      name: 'stages-do-not-use-each-other',
      severity: 'error',
      from: { path: '^web/src/stages/([^/]+)/' },
      to: { path: '^web/src/stages/([^/]+)/', pathNot: '^web/src/stages/$1/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.d.ts'],
    },
  },
};
