import { KINDS, type Kind } from './kinds.ts';

/** A record as people would call it: its kind, and its name where it has one. */
export function spokenRecord(kind: Kind, record: object): string {
  const name = ['name', 'tag', 'word'].map((field) => (record as Record<string, unknown>)[field]).find(Boolean);
  return `${KINDS[kind].spoken}${typeof name === 'string' ? ` “${name}”` : ''}`;
}
