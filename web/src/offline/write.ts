import type { LaidOut, LoggedEvent } from '@riffle/contract';
import type { Kind, Records } from '../api/kinds.ts';

export type RecordWrite = {
  [K in Kind]: {
    readonly what: 'record';
    readonly kind: K;
    readonly record: Records[K]['sent'] & { readonly baseVersion: number };
    /** The record as it was when this change of it was begun: it stays here, for the case that another changed it too. */
    readonly base?: object;
  };
}[Kind];
interface EventsWrite {
  readonly what: 'events';
  readonly runId: string;
  readonly groundId: string;
  readonly events: readonly LoggedEvent[];
}
/** The bytes of an attachment whose record was written before. */
interface FileWrite {
  readonly what: 'file';
  readonly groundId: string;
  readonly attachmentId: string;
  readonly bytes: Blob;
}
/** A plan of samples with its points and bags, in one go. */
interface LaidOutWrite {
  readonly what: 'laid out';
  readonly groundId: string;
  readonly whole: LaidOut;
}
/** Anything that leaves for the server. Idempotent, so that it may be sent again. */
export type Write = RecordWrite | EventsWrite | FileWrite | LaidOutWrite;
/** A write with its place in the outbox, and the crew it was made for. */
export type QueuedWrite = Write & { readonly writeId: string; readonly crewId: string };
