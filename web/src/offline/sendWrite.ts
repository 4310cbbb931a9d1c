import { call } from '../api/client.ts';
import type { RecordWrite, Write } from './write.ts';

/** Sends a write to the server. @returns what it answers. @throws as `call` */
export function sendWrite(write: Write): Promise<unknown> {
  switch (write.what) {
    case 'record':
      return putRecord(write);
    case 'events':
      return call('POST', `/runs/${write.runId}/events`, { events: write.events });
    case 'file':
      return call('PUT', fileAddress(write.attachmentId), write.bytes);
    case 'laid out':
      return call('PUT', `/sample-plans/${write.whole.plan.id}/laid-out`, write.whole);
  }
}

async function putRecord(write: RecordWrite): Promise<unknown> {
  const { kind, record } = write;
  // A box that an earlier Riffle left in the outbox has no sections yet.
  const asTakenNow =
    kind === 'rigs' ? { ...record, sections: (await import('../api/rigSections.ts')).rigSections(record) } : record;
  return call('PUT', `/${kind}/${record.id}`, asTakenNow);
}

export const fileAddress = (attachmentId: string): string => `/attachments/${attachmentId}/file`;
