const common = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        module: { type: 'es6' },
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
};
export default {
  // By itself Jest leaves one processor idle: half of two.
  maxWorkers: '100%',
  projects: [
    { ...common, displayName: 'unit', testMatch: ['<rootDir>/{core,contract,demo,web}/src/**/*.test.ts'] },
    {
      ...common,
      displayName: 'server',
      testMatch: ['<rootDir>/server/src/**/*.test.ts'],
      globalSetup: '<rootDir>/scripts/jestClusterUp.mjs',
      globalTeardown: '<rootDir>/scripts/jestClusterDown.mjs',
    },
    { ...common, displayName: 'scripts', testMatch: ['<rootDir>/scripts/**/*.test.mjs'] },
  ],
};
