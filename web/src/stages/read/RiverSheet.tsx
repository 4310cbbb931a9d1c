import type { StoredGaugeReading, StoredGround } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { format } from 'date-fns';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { useWrite } from '../../offline/writes.ts';
import { asTyped, readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { Field } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

const localTime = (at: Date): string => format(at, "yyyy-MM-dd'T'HH:mm");

/** The river at the ground's stake: a reading now, or a flood by the mark it left. */
export function RiverSheet({ ground, readings, onClose }: { ground: StoredGround; readings: readonly StoredGaugeReading[]; onClose: () => void }) {
  const write = useWrite();
  const show = useShow();
  const [level, setLevel] = useState<Entered>({ text: '', unit: show.display.system === 'US' ? 'in' : 'cm' });
  const [kind, setKind] = useState<'level' | 'flood'>('level');
  const [at, setAt] = useState(localTime(new Date()));
  const [triedAt, setTriedAt] = useState<number | null>(null);
  const tried = triedAt !== null;
  const reading = readEntered('length', level);
  const levelProblem = reading.ok && reading.value > 30 ? 'At most 30 m.' : null;
  const time = new Date(at);
  const timeProblem = Number.isNaN(time.getTime()) ? 'Give day and time.' : triedAt !== null && time.getTime() > triedAt + 60_000 ? 'That is still to come.' : null;
  const keep = (): void => {
    const now = new Date().getTime();
    setTriedAt(now);
    if (!reading.ok || levelProblem || !(time.getTime() <= now + 60_000)) return;
    write({ what: 'record', kind: 'gauge-readings', record: { id: uuidv7(), deleted: false, groundId: ground.id, readAt: time.toISOString(), level_m: reading.value, levelEntered: level, isFlood: kind === 'flood', note: '', baseVersion: 0 } });
    setLevel({ ...level, text: '' });
    setTriedAt(null);
  };
  const remove = ({ version, updatedAt, ...record }: StoredGaugeReading): void => write({ what: 'record', kind: 'gauge-readings', record: { ...record, deleted: true, baseVersion: version } });
  return (
    <Sheet open onOpenChange={(open) => { if (!open) onClose(); }} title="The river">
      <form className="flex flex-col gap-2" onSubmit={(e) => { e.preventDefault(); keep(); }}>
        <Choices label="What was read" value={kind} onChange={setKind} choices={[{ value: 'level', label: 'level at the stake' }, { value: 'flood', label: 'peak of a flood' }]} />
        <QuantityField label="Height on the stake" entered={level} reading={reading} units={['cm', 'm', 'in', 'ft']} showProblem={tried} problem={levelProblem} onChange={setLevel} comesTo={reading.ok && show.smallLength(reading.value)} />
        <Field label="When" problem={tried ? timeProblem : null}>
          {(ids) => <input {...ids} type="datetime-local" className="written w-full" value={at} onChange={(e) => setAt(e.target.value)} />}
        </Field>
        <Button look="main" type="submit">Keep it</Button>
        <p className="text-[13px] text-ink-2">A flood renews bar skins and undercuts, not bedrock: blanks from before it weigh less by kind of trap.</p>
        <p className="border-l-4 border-dashed border-danger pl-3 text-[13px] text-ink-2">A river that rises while you work comes from rain or a dam upstream: leave while you can still cross.</p>
      </form>
      <ul className="mt-4">
        {[...readings].sort((a, b) => (a.readAt < b.readAt ? 1 : -1)).slice(0, 30).map((r) => (
          <li key={r.id} className="flex items-center gap-3 border-b border-rule">
            <span className="w-24 text-ink-2">{format(new Date(r.readAt), 'd MMM, HH:mm')}</span>
            <span className="grow">{asTyped(r.levelEntered)}{r.isFlood && <b>, flood</b>}</span>
            <button type="button" className="min-h-11 text-[13px] text-ink-2 underline underline-offset-4" aria-label={`Take out the reading of ${format(new Date(r.readAt), 'd MMM, HH:mm')}`} onClick={() => remove(r)}>take out</button>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
