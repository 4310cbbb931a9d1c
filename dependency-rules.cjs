/** Which room may use which. `core` is pure: it takes nothing from outside itself but three packages of sums. */
const rooms = (from, ...allowed) => ({
  name: `${from}-uses-only-its-own`,
  severity: 'error',
  from: { path: `^${from}/src`, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^(core|contract|demo|server|web|e2e|scripts)/', pathNot: [from, ...allowed].map((r) => `^${r}/src`) },
});

module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/src|^node_modules/(suncalc|flatbush|@neaps/tide-predictor)/' },
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
