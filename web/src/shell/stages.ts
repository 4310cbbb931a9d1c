import { BooksIcon, CleanIcon, ReadIcon, RunIcon, SampleIcon, SetIcon } from '../ui/icons.tsx';

/** The stages in the order in which water and work run; keys 1 to 6. */
export const STAGES = [
  { path: 'read', name: 'Read', key: '1', Icon: ReadIcon },
  { path: 'sample', name: 'Sample', key: '2', Icon: SampleIcon },
  { path: 'set', name: 'Set', key: '3', Icon: SetIcon },
  { path: 'run', name: 'Run', key: '4', Icon: RunIcon },
  { path: 'clean', name: 'Clean', key: '5', Icon: CleanIcon },
  { path: 'books', name: 'Books', key: '6', Icon: BooksIcon },
] as const;
export type StagePath = (typeof STAGES)[number]['path'];
