import { TEXTS } from '@riffle/contract';
import { daysWords } from '../ground/permissionDays.ts';
import { useRecords } from '../records/useRecords.ts';
import { TextField } from '../ui/Field.tsx';
import { Block } from '../ui/Judgement.tsx';
import { useShow } from '../units/useShow.ts';
import { cautionsOf } from './cautions.ts';
import type { DayOnPage } from './useDaySheet.ts';

/** Places named beside a caution; the rest are counted. */
const NAMED = 3;

/** What can hurt at the places of this day, what one may do there, and what someone at home should know. */
export function BeforeYouGo({ page: { ground, day, planned, note, setNote } }: { page: DayOnPage }) {
  const show = useShow();
  const permissions = useRecords('permissions', ground.id).items;
  return (
    <Block title="Before you go">
      <ul className="flex flex-col gap-1.5 text-[13.5px]">
        {cautionsOf(ground, planned, day.draft, show.length).map((c) => (
          <li key={c.says} className="border-l-4 border-dashed border-danger pl-3">
            {c.says}
            {c.at.length > 0 && (
              <span className="text-ink-2">
                {' '}
                {c.at.slice(0, NAMED).join(', ')}
                {c.at.length > NAMED && ` and ${c.at.length - NAMED} more`}.
              </span>
            )}
          </li>
        ))}
      </ul>
      {permissions.length > 0 && (
        <p className="mt-2 text-[13px]">
          {permissions.map((p) => `${p.name}: ${p.kind}${daysWords(p)}`).join('; ')}.{' '}
          <span className="text-ink-2">As you wrote it down; local law decides.</span>
        </p>
      )}
      <div className="mt-2">
        <TextField
          label="Local rules, who has been told, where the car stands"
          value={note}
          onChange={setNote}
          limit={TEXTS.note}
          rows={2}
        />
      </div>
    </Block>
  );
}
