import { spokenRecord } from '../api/spokenRecord.ts';
import type { Write } from '../offline/write.ts';
import { plural } from '../ui/plural.ts';

/** What a write is about, as people would call it. */
export function describeWrite(write: Write): string {
  switch (write.what) {
    case 'laid out':
      return `the plan “${write.whole.plan.name}” with ${write.whole.lots.length} bags`;
    case 'file':
      return 'the picture or paper itself';
    case 'events':
      return `${plural(write.events.length, 'tap')} of a run`;
    case 'record':
      return spokenRecord(write.kind, write.record);
  }
}
