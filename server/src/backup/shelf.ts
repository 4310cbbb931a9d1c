import type { BackupShelf, KeptBackup } from '@riffle/contract';
import { createReadStream, createWriteStream, type ReadStream } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Refusal } from '../http/problems.ts';
import { BadBackup, type Progress } from './format.ts';
import { openBackup } from './readBackup.ts';
import { NOT_EMPTY, restoreBackup, type RestoreInto } from './restoreBackup.ts';
import { isEmpty } from './tables.ts';
import { writeBackup, type BackupPace } from './writeBackup.ts';

export interface ShelfOptions extends RestoreInto {
  /** Where backups lie; made when it is not there. Nobody else of the machine sees into it. */
  readonly dir: string;
  /** Told of what went wrong with no one waiting for it. */
  readonly onFault: (error: unknown) => void;
  /** Told how each thing that was done ended. */
  readonly onEnd?: (ended: Readonly<Record<string, unknown>>) => void;
}

/** The backups of one crew: those that lie ready, and the one thing that is being done. */
export interface Shelf {
  look(): Promise<BackupShelf>;
  /** Starts making one. @throws Refusal BUSY while something else is being done */
  make(): Promise<void>;
  /** Takes a backup in and starts restoring it. @throws Refusal BUSY, or NOT_EMPTY before anything of it is read */
  restore(file: Readable): Promise<void>;
  /** Makes the one of today unless it is there or there is nothing to keep, and lets the oldest of them go. */
  makeDaily(today: Date): Promise<void>;
  /** A backup's bytes; null where there is none of this name. */
  open(name: string): Promise<{ stream: ReadStream; bytes: number } | null>;
  /** Gives up what is being done and waits until it is. */
  close(): Promise<void>;
}

const DAILIES_KEPT = 7;
const NAME = /^riffle-\d{4}-\d\d-\d\d(T\d{6}Z)?\.zip$/;
const isDaily = (name: string): boolean => !name.includes('T');
/** What stands here was not brought to its end. */
const UNFINISHED = '.unfinished';

export function openShelf({ dir, onFault, onEnd = () => undefined, ...into }: ShelfOptions): Shelf {
  const { pool, crewId } = into;
  let work: BackupShelf['work'] = null;
  let ended: BackupShelf['ended'] = null;
  let under: Promise<void> = Promise.resolve();
  const closing = new AbortController();

  const tell = (doing: NonNullable<BackupShelf['work']>['doing']) => (progress: Progress) => {
    closing.signal.throwIfAborted();
    work = { doing, ...progress };
  };
  /** One thing at a time; how it ends is said by `look`. */
  const begin = (doing: NonNullable<BackupShelf['work']>['doing']): void => {
    if (work !== null) throw new Refusal('BUSY', 'Another backup is being made or restored. Wait until it is through.');
    closing.signal.throwIfAborted();
    work = { doing, done: 0, of: 0 };
  };
  const through = (does: () => Promise<BackupShelf['ended']>): void => {
    under = does()
      .then(
        (how) => {
          ended = how;
          onEnd({ ...how });
        },
        (error: unknown) => {
          ended = { how: 'refused', detail: saying(error) };
          if (!(error instanceof BadBackup) && !closing.signal.aborted) onFault(error);
        },
      )
      .finally(() => {
        work = null;
      });
  };

  const ready = async (): Promise<KeptBackup[]> => {
    const names = await readdir(dir).catch(() => []);
    const kept = await Promise.all(
      names
        .filter((name) => NAME.test(name))
        .map(async (name) => {
          const { size, mtime } = await stat(join(dir, name));
          return { name, bytes: size, madeAt: mtime.toISOString(), daily: isDaily(name) };
        }),
    );
    return kept.sort((a, b) => b.madeAt.localeCompare(a.madeAt) || b.name.localeCompare(a.name));
  };
  const makeAs = async (name: string, pace?: BackupPace): Promise<BackupShelf['ended']> => {
    const path = join(dir, name + UNFINISHED);
    try {
      await mkdir(dir, { recursive: true, mode: 0o700 });
      const file = createWriteStream(path, { mode: 0o600, flush: true });
      await writeBackup(pool, crewId, file, tell('making'), pace);
      await rename(path, join(dir, name));
    } catch (error) {
      await rm(path, { force: true });
      throw error;
    }
    return { how: 'made', name };
  };

  return {
    look: async () => {
      // First what is being done: what is through by then lies on the shelf that is looked at after it.
      const now = { work, ended };
      return { ...now, kept: await ready(), isEmpty: await isEmpty(pool, crewId) };
    },
    make: async () => {
      begin('making');
      const at = `${new Date().toISOString().slice(0, 19).replaceAll(':', '')}Z`;
      through(() => makeAs(`riffle-${at}.zip`));
    },
    makeDaily: async (today) => {
      const name = `riffle-${today.toISOString().slice(0, 10)}.zip`;
      if (work !== null || (await ready()).some((b) => b.name === name) || (await isEmpty(pool, crewId))) return;
      begin('making');
      through(async () => {
        const how = await makeAs(name, 'beside others');
        const dailies = (await ready()).filter((b) => b.daily).sort((a, b) => b.name.localeCompare(a.name));
        for (const { name: old } of dailies.slice(DAILIES_KEPT)) await rm(join(dir, old), { force: true });
        return how;
      });
      await under;
    },
    restore: async (file) => {
      begin('checking');
      const path = join(dir, `arrived${UNFINISHED}`);
      const drop = (): Promise<void> => rm(path, { force: true });
      try {
        if (!(await isEmpty(pool, crewId))) throw new Refusal('NOT_EMPTY', NOT_EMPTY);
        await mkdir(dir, { recursive: true, mode: 0o700 });
        await pipeline(file, createWriteStream(path, { mode: 0o600 }), { signal: closing.signal });
      } catch (error) {
        work = null;
        await drop();
        throw error;
      }
      through(async () => {
        try {
          const backup = await openBackup(path, tell('checking'));
          try {
            await restoreBackup(backup, into, tell('restoring'));
          } finally {
            backup.close();
          }
          const files = backup.entries.filter((e) => e.name.startsWith('files/')).length;
          return { how: 'restored', records: backup.records - files, files };
        } finally {
          await drop();
        }
      });
    },
    open: async (name) => {
      if (!NAME.test(name)) return null;
      const found = await stat(join(dir, name)).catch(() => null);
      return found && { stream: createReadStream(join(dir, name)), bytes: found.size };
    },
    close: async () => {
      closing.abort(new BadBackup('Riffle was stopped meanwhile.'));
      await under;
    },
  };
}

/** The shelf of each crew, in a folder of its own, opened when it is first asked for. */
export function openShelves(options: Omit<ShelfOptions, 'crewId'>): {
  of: (crewId: string) => Shelf;
  close: () => Promise<void>;
} {
  const open = new Map<string, Shelf>();
  return {
    of: (crewId) => {
      const shelf = open.get(crewId) ?? openShelf({ ...options, crewId, dir: join(options.dir, crewId) });
      open.set(crewId, shelf);
      return shelf;
    },
    close: async () => {
      await Promise.all([...open.values()].map((shelf) => shelf.close()));
    },
  };
}

function saying(error: unknown): string {
  if (error instanceof BadBackup) return `${error.message} Nothing was changed.`;
  const { code } = error as NodeJS.ErrnoException;
  if (code === 'ENOSPC' || code === 'EDQUOT' || code === '53100') return 'The disk is full. Nothing was changed.';
  return 'It could not be brought to an end: a fault of Riffle, or the database went away. Nothing was changed.';
}
