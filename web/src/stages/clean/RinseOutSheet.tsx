import { NUMBERS, numberProblem } from '@riffle/contract';
import { exactSum_mg, shareRinse, type Entered } from '@riffle/core';
import { useMemo, useState } from 'react';
import { rigSections } from '../../api/rigSections.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useRecordsOfAll } from '../../records/useRecordsOfAll.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField } from '../../ui/Field.tsx';
import { plural } from '../../ui/plural.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { toast } from '../../ui/toast.ts';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { whenProblem } from '../../when/readWhen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';
import { carpets } from './carpets.ts';

interface RinseOutSheetProps {
  readonly groundId: string;
  readonly onClose: () => void;
}

/** Gold that came out of a carpet days later: credited to the grounds whose gravel went over it since the box was last clean. */
export function RinseOutSheet({ groundId, onClose }: RinseOutSheetProps) {
  const { add } = useKeep('cleanups');
  const show = useShow();
  const local = useLocalTime();
  const rigs = useRecords('rigs').items;
  const grounds = useRecords('grounds').items;
  const cleanups = useRecordsOfAll('cleanups').items;
  const runs = useRecordsOfAll('runs').items;
  const setups = useRecordsOfAll('setups').items;
  const known = useMemo(
    () =>
      carpets(cleanups, runs, setups).sort(
        (a, b) =>
          Number(b.cleanups.some((c) => c.groundId === groundId)) -
          Number(a.cleanups.some((c) => c.groundId === groundId)),
      ),
    [cleanups, runs, setups, groundId],
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const [gold, setGold] = useState<Entered>({ text: '', unit: show.display.gold });
  const [when, setWhen] = useState('');
  const [tried, setTried] = useState(false);
  const carpet = known.find((c) => c.rigId === chosen) ?? known[0];
  const rig = rigs.find((r) => r.id === carpet?.rigId);
  const reading = readEntered('mass', gold);
  const problem = reading.ok ? numberProblem(NUMBERS.sectionGold_mg, reading.value) : null;
  const shares =
    carpet && reading.ok
      ? shareRinse(
          reading.value,
          carpet.cleanups.map((c) => ({
            groundId: c.groundId,
            gold_mg: exactSum_mg(c.sections.map((s) => s.gold_mg)),
          })),
        )
      : new Map<string, number>();
  const nameOf = (id: string): string => grounds.find((g) => g.id === id)?.name ?? 'a ground put away';
  const save = (): void => {
    setTried(true);
    if (!carpet || !reading.ok || problem || whenProblem(when, local)) return;
    const built = rig ? rigSections(rig) : [];
    for (const [id, gold_mg] of shares)
      add({
        groundId: id,
        runIds: [],
        rinseOutOf: carpet.cleanups.filter((c) => c.groundId === id).map((c) => c.id),
        cleanedAt: (when ? local.at(when) : new Date()).toISOString(),
        sections: [
          {
            name: 'carpet',
            from_m: 0,
            to_m: built.reduce((sum, s) => sum + s.length_m, 0) || 1,
            lining: built.at(-1)?.lining ?? 'carpet',
            gold_mg,
            goldEntered: shares.size === 1 ? gold : { text: String(gold_mg), unit: 'mg' },
            colors: null,
            bySize: [],
            weighing: null,
          },
        ],
        screens: [],
        blackSand_g: null,
        blackSandEntered: null,
        rinsedClean: 'yes',
        worked_s: null,
        note: shares.size === 1 ? '' : `Of ${show.gold(reading.value)} rinsed out of ${rig?.name ?? 'the box'}.`,
      });
    toast('Written to the book.');
    onClose();
  };
  return (
    <FormSheet title="Gold rinsed out of a carpet later" onClose={onClose} onSave={save} tight>
      {known.length > 1 && (
        <SelectField
          label="Out of"
          value={carpet?.rigId ?? ''}
          onChange={setChosen}
          choices={known.map((c) => ({
            value: c.rigId,
            label: rigs.find((r) => r.id === c.rigId)?.name ?? 'a box put away',
          }))}
        />
      )}
      {carpet && (
        <p className="mb-1 text-[13px] text-ink-2">
          {known.length === 1 && rig && <>Out of {rig.name}: </>}
          {plural(carpet.cleanups.length, 'clean-up')} since it was last rinsed clean.
        </p>
      )}
      <QuantityField
        label="Gold"
        entered={gold}
        reading={reading}
        units={['mg', 'g', 'grain', 'dwt', 'ozt']}
        showProblem={tried}
        problem={problem}
        onChange={setGold}
        comesTo={reading.ok && show.gold(reading.value)}
      />
      <WhenField label="Rinsed earlier? When" value={when} onChange={setWhen} hint="empty: now" />
      {shares.size > 0 && (
        <p role="status" className="border-l-4 border-ink pl-3">
          {shares.size === 1 ? 'Credited to ' : 'Credited by what each gave: '}
          {[...shares].map(([id, mg], i) => (
            <span key={id}>
              {i > 0 && ', '}
              {nameOf(id)}
              {shares.size > 1 && (
                <>
                  {' '}
                  <b className="text-gold">{show.gold(mg)}</b>
                </>
              )}
            </span>
          ))}
          .
        </p>
      )}
      <Button look="main" type="submit" className="mt-2 min-h-14 w-full text-[18px]">
        Write it in the book
      </Button>
    </FormSheet>
  );
}
