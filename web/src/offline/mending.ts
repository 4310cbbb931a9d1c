import type { QueuedWrite } from './write.ts';
import type { RefusedWrite } from './outbox.ts';

/** A field the server named, as it was written: a text or a number a person can put right where it stands. */
export interface WrongField {
  /** Names and places down to the field, with dots between: "sections.0.gold_mg". */
  readonly path: string;
  readonly message: string;
  readonly value: string | number | null;
}

const down = (value: unknown, name: string): unknown =>
  typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[name] : undefined;

/** The fields of a refused record that can be mended in place; none where the server named none, or something larger. */
export function wrongFields({ write, problem }: RefusedWrite): WrongField[] {
  if (write.what !== 'record') return [];
  return (problem.errors ?? []).flatMap(({ path, message }) => {
    const value = path.split('.').reduce<unknown>(down, write.record);
    const simple = typeof value === 'string' || typeof value === 'number' || value === null;
    return simple && !['id', 'groundId', 'baseVersion'].includes(path) ? [{ path, message, value }] : [];
  });
}

/** The write with a field put right. @param value what was typed; a number where a number stood */
export function withMended(write: QueuedWrite, path: string, value: string | number): QueuedWrite {
  if (write.what !== 'record') return write;
  const set = (part: unknown, [name, ...rest]: readonly string[]): unknown => {
    if (name === undefined) return value;
    const inner = set(down(part, name), rest);
    return Array.isArray(part)
      ? (part as unknown[]).map((each, i) => (String(i) === name ? inner : each))
      : { ...(part as object), [name]: inner };
  };
  return { ...write, record: set(write.record, path.split('.')) } as QueuedWrite;
}

/** What a field is called: "Distance, m" for "distance_m", "Gold, mg" for "sections.0.gold_mg". */
export function spokenField(path: string): string {
  const [name = '', ...unit] = (path.split('.').at(-1) ?? '').split('_');
  const words = name.replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
  const spoken = words.charAt(0).toUpperCase() + words.slice(1);
  return unit.length > 0 ? `${spoken}, ${unit.join('/')}` : spoken;
}
