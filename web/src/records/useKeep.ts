import { useMemo } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { KINDS, type Kind, type Records } from '../api/kinds.ts';
import { useWrite } from '../offline/outbox.ts';
import type { Write } from '../offline/write.ts';
import { undoToast, type UndoOptions } from '../ui/undoToast.ts';

/** A record's own fields; an id where the writer has made one already. */
type Content<K extends Kind> = Omit<Records[K]['sent'], 'id' | 'deleted'> & { readonly id?: string };

export interface Keep<K extends Kind> {
  /** Puts a new record in the book; answers its id. */
  readonly add: (content: Content<K>) => string;
  /** Changes a kept record. With `undoable`, says so and offers the way back. */
  readonly change: (kept: Records[K]['kept'], some: Partial<Content<K>>, undoable?: string) => void;
  /** Changes the kept record, or adds a new one where there is none; answers its id. */
  readonly put: (kept: Records[K]['kept'] | null | undefined, content: Content<K>) => string;
  /** Takes a record out. With `says`, says so and offers the way back. */
  readonly takeOut: (kept: Records[K]['kept'], says?: string, undo?: UndoOptions) => void;
}

/** A kept record as it would be sent: without what the server adds to it. */
function asSent<K extends Kind>(kind: K, kept: Records[K]['kept']): { version: number; before: object } {
  const { version, updatedAt, ...rest } = kept;
  const added = new Set(Object.keys(KINDS[kind].added ?? {}));
  return { version, before: Object.fromEntries(Object.entries(rest).filter(([name]) => !added.has(name))) };
}

/** Adding, changing and taking out records of a kind. What is done shows at once and is sent as soon as it can be. */
export function useKeep<K extends Kind>(kind: K): Keep<K> {
  const write = useWrite();
  return useMemo(() => {
    const send = (record: object, baseVersion: number, base?: object): void =>
      write({ what: 'record', kind, record: { ...record, baseVersion }, ...(base && { base }) } as unknown as Write);
    const change = (kept: Records[K]['kept'], some: object, undoable?: string, options?: UndoOptions): void => {
      const { version, before } = asSent(kind, kept);
      const after = { ...before, ...some };
      send(after, version, before);
      // By the time it is undone the change has its version: the one after what was seen.
      if (undoable !== undefined) undoToast(undoable, () => send(before, version + 1, after), options);
    };
    const add = (content: Content<K>): string => {
      const { id = uuidv7() } = content;
      send({ ...content, id, deleted: false }, 0);
      return id;
    };
    return {
      add,
      change,
      put: (kept, content) => {
        if (!kept) return add(content);
        change(kept, content);
        return kept.id;
      },
      takeOut: (kept, says, options) => change(kept, { deleted: true }, says, options),
    };
  }, [kind, write]);
}

/** A record just put in the book, as it stands there until someone changes it: for the way back. */
export const justKept = <C extends object>(content: C, id: string) => ({
  ...content,
  id,
  deleted: false,
  version: 1,
  updatedAt: new Date().toISOString(),
});
