import { availableParallelism } from 'node:os';

const common = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  // What the build of the pages names at its place, see `recordShape` in web.
  globals: { RECORD_SHAPE: 'as tested' },
  transform: { '^.+\\.tsx?$': '<rootDir>/scripts/jestTransform.mjs' },
};
export default {
  // By itself Jest leaves one processor idle: half of two. One more than there are, for the longest test mostly waits.
  maxWorkers: availableParallelism() + 1,
  testSequencer: '<rootDir>/scripts/jestSequencer.mjs',
  // Nothing is timed here: on two processors that are both at work a test may wait for its turn.
  testTimeout: 300_000,
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
