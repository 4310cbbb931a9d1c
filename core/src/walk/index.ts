export * from './aheadOf.ts';
export * from './askAgain.ts';
export * from './bells.ts';
export * from './turnBack.ts';
