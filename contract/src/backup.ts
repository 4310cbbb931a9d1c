import { z } from 'zod';

/** A backup that lies ready. `name` is its file's name and its address. */
export const KeptBackup = z.object({
  name: z.string(),
  bytes: z.number(),
  madeAt: z.iso.datetime(),
  /** Made by itself, one a day; seven of these are kept. Those asked for stay. */
  daily: z.boolean(),
});
export type KeptBackup = z.infer<typeof KeptBackup>;

/** What is being done with backups, how much of it is done (records and files), and how the last thing asked for ended. */
export const BackupShelf = z.object({
  kept: z.array(KeptBackup),
  /** Whether a backup can be restored here: nothing of this crew is in the book yet. */
  isEmpty: z.boolean(),
  work: z.object({ doing: z.enum(['making', 'checking', 'restoring']), done: z.number(), of: z.number() }).nullable(),
  ended: z
    .discriminatedUnion('how', [
      z.object({ how: z.literal('made'), name: z.string() }),
      z.object({ how: z.literal('restored'), records: z.number(), files: z.number() }),
      z.object({ how: z.literal('refused'), detail: z.string() }),
    ])
    .nullable(),
});
export type BackupShelf = z.infer<typeof BackupShelf>;
