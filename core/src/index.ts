export { OutOfRange } from './outOfRange.ts';
export { gammaDraw, normalDraw, poissonDraw, seededRandom, type Random } from './maths/random.ts';
export { gammaCdf, gammaQuantile } from './maths/gamma.ts';

export * from './measures/index.ts';
export * from './grains/index.ts';
export * from './ground/index.ts';
export * from './read/index.ts';
export * from './sample/index.ts';
export * from './day/index.ts';
export * from './run/index.ts';
export * from './clean/index.ts';
export * from './books/index.ts';
export * from './set/index.ts';
export * from './walk/index.ts';
export * from './dry/index.ts';
export * from './finish/index.ts';
export * from './beach/index.ts';
