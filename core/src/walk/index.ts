// What is told on a walk: what the rest of the house may take from this room.
export * from './aheadOf.ts';
export * from './askAgain.ts';
export * from './bells.ts';
export * from './turnBack.ts';
