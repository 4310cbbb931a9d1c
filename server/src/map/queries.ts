import { NewAttachment, NewOutline, StoredAttachment, StoredOutline } from '@riffle/contract';
import type { Db } from '../db/pool.ts';
import { moment, recordKind } from '../db/recordKind.ts';

export const outlines = recordKind({
  path: 'outlines',
  table: 'outline',
  sent: NewOutline,
  kept: StoredOutline,
  fields: {
    groundId: 'ground_id',
    name: 'name',
    kind: 'kind',
    points: 'points',
    height_m: 'height_m',
    holder: 'holder',
    permissionId: 'permission_id',
    note: 'note',
  },
  added: {},
});

export const attachments = recordKind({
  path: 'attachments',
  table: 'attachment',
  sent: NewAttachment,
  kept: StoredAttachment,
  fields: {
    groundId: 'ground_id',
    about: 'about',
    aboutId: 'about_id',
    name: 'name',
    mime: 'mime',
    takenAt: moment('taken_at'),
    position: 'position',
    width_px: 'width_px',
    height_px: 'height_px',
    note: 'note',
  },
  added: {},
});

/** Keeps the bytes of an attachment; the same bytes may come again. The first ones stand: a file is never changed, only replaced by another record. */
export async function writeAttachmentFile(db: Db, crewId: string, attachmentId: string, bytes: Buffer): Promise<void> {
  await db.query(
    'insert into attachment_file (crew_id, attachment_id, bytes) values ($1, $2, $3) on conflict do nothing',
    [crewId, attachmentId, bytes],
  );
}

interface AttachmentFile {
  readonly mime: string;
  readonly name: string;
  readonly bytes: Buffer;
}

export async function findAttachmentFile(db: Db, crewId: string, attachmentId: string): Promise<AttachmentFile | null> {
  const { rows } = await db.query<AttachmentFile>(
    `select a.mime, a.name, f.bytes from attachment a join attachment_file f on f.crew_id = a.crew_id and f.attachment_id = a.id
     where a.crew_id = $1 and a.id = $2 and not a.deleted`,
    [crewId, attachmentId],
  );
  return rows[0] ?? null;
}
