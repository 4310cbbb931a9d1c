import { z } from 'zod';

/**
 * A backup is a zip: `tables/<table>.jsonl`, one line of JSON a row, in the order of the key and without the crew's id;
 * `files/<id of the attachment>.<ending>`; and at the end `manifest.json`, which names every other entry with its size
 * and sum. Nothing in it tells when or where it was made, so that the same book gives the same bytes. docs/backup.md.
 */
export const FORMAT = 'riffle-backup';
export const FORMAT_VERSION = 1;
export const MANIFEST = 'manifest.json';

export const Manifest = z.object({
  format: z.literal(FORMAT),
  version: z.number().int().min(1),
  /** The last migration of the database it was made from: what the rows look like. */
  schema: z.string().regex(/^\d{3}_[\w-]{1,80}$/),
  entries: z
    .array(
      z.object({
        name: z.string().max(200),
        bytes: z.number().int().min(0),
        sha256: z.string().regex(/^[0-9a-f]{64}$/),
        /** Of a table: how many rows. Of a file: 1. */
        records: z.number().int().min(0),
      }),
    )
    .max(2_000_000),
});
export type Manifest = z.infer<typeof Manifest>;

export const tableEntry = (table: string): string => `tables/${table}.jsonl`;

const ENDINGS: Readonly<Record<string, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
  'application/pdf': 'pdf',
};
export const fileEntry = (attachmentId: string, mime: string): string =>
  `files/${attachmentId}.${ENDINGS[mime] ?? 'bin'}`;
/** The attachment an entry under files/ belongs to; null where the entry is none. */
export const attachmentOf = (entry: string): string | null =>
  /^files\/([0-9a-f-]{36})\.[a-z]{3,4}$/.exec(entry)?.[1] ?? null;

/** Why a backup was not restored, in words for the person who chose it. */
export class BadBackup extends Error {}

export interface Progress {
  readonly done: number;
  readonly of: number;
}
export type TellProgress = (progress: Progress) => void;
