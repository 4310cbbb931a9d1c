import { NUMBERS, numberProblem, type StoredGaugeReading, type StoredGround } from '@riffle/contract';
import { grouped, floodPeaks, isAhead, thinLevels, type Entered, type Level } from '@riffle/core';
import { useRef, useState } from 'react';
import { Caution } from '../../ui/Caution.tsx';
import { plural } from '../../ui/plural.ts';
import { useKeep } from '../../records/useKeep.ts';
import type { GaugeFile } from '../../reading/readGaugeCsv.ts';
import { asTyped, readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useNow } from '../../ui/useNow.ts';
import { FormSheet } from '../../ui/Sheet.tsx';
import { whenProblem } from '../../when/readWhen.ts';
import { WhenField } from '../../when/WhenField.tsx';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { FromFile, LeftOut } from './FromFile.tsx';
import { BeingPutRight, ReadingsList } from './ReadingsList.tsx';

/** Levels closer to a straight line than this are left out of what a file brings. */
const THIN_TO_M = 0.02;
/** What a file holds, before it is kept. */
interface Brought extends GaugeFile {
  readonly fresh: readonly Level[];
  readonly flood: Entered;
}

/** Readings from a gauge's file, or from the simulated gauge: seen first, kept on a press, thinned to the river's turns. */
function GaugeFileForm({ ground, readings }: { ground: StoredGround; readings: readonly StoredGaugeReading[] }) {
  const local = useLocalTime();
  const { add } = useKeep('gauge-readings');
  const show = useShow();
  const now_ms = useNow(60_000);
  const [brought, setBrought] = useState<Brought | null>(null);
  const take = async (text: string): Promise<void> => {
    const { readGaugeCsv } = await import('../../reading/readGaugeCsv.ts');
    const file = readGaugeCsv(text, local);
    const known = new Set(readings.map((r) => Date.parse(r.readAt)));
    const heights = file.levels.map((l) => l.level_m).sort((a, b) => a - b);
    const usual = heights[heights.length >> 1] ?? 0;
    setBrought({
      ...file,
      fresh: file.levels.filter((l) => !known.has(l.at_ms)),
      flood: { text: String(Math.round((usual + 0.3) * 100)), unit: 'cm' },
    });
  };
  const mark = brought && readEntered('length', brought.flood);
  const floods = brought && mark?.ok ? floodPeaks(brought.fresh, mark.value) : [];
  const thin = brought
    ? [...new Map([...thinLevels(brought.fresh, THIN_TO_M), ...floods].map((l) => [l.at_ms, l])).values()]
    : [];
  const ahead = thin.filter((l) => isAhead(l.at_ms, now_ms)).length;
  const keep = (): void => {
    if (!brought || !mark?.ok) return;
    for (const l of thin)
      add({
        groundId: ground.id,
        readAt: new Date(l.at_ms).toISOString(),
        level_m: l.level_m,
        levelEntered: { text: String(Math.round(l.level_m * 1000) / 10), unit: 'cm' },
        isFlood: floods.some((f) => f.at_ms === l.at_ms),
        note: '',
      });
    setBrought(null);
  };
  return (
    <FromFile
      label="A gauge’s file (CSV: time, level with its unit)"
      device={{
        label: 'Ask the simulated gauge',
        url: '/api/v1/devices/gauge.csv?days=30',
        away: 'The gauge cannot be reached.',
      }}
      take={take}
    >
      {brought && mark && (
        <div className="mt-2 border-2 border-ink p-3">
          <p className="mb-2">
            <b>{grouped(brought.fresh.length)} readings</b> new, {local.day(brought.levels[0]?.at_ms ?? 0)} to{' '}
            {local.day(brought.levels.at(-1)?.at_ms ?? 0)}, kept as {thin.length} that draw the same curve.{' '}
            {floods.length === 0
              ? 'No flood'
              : `${plural(floods.length, 'flood')}, the highest ${show.length(Math.max(...floods.map((f) => f.level_m)))}`}
            .
          </p>
          {ahead > 0 && (
            <p className="mb-2 text-danger">
              ▲ {grouped(ahead)} of them {ahead === 1 ? 'is' : 'are'} dated ahead of now and not counted until then.
            </p>
          )}
          <LeftOut lines={brought.refused} />
          <QuantityField
            label="It is a flood from"
            entered={brought.flood}
            reading={mark}
            units={['cm', 'm', 'in', 'ft']}
            showProblem
            onChange={(flood) => setBrought({ ...brought, flood: { text: flood.text, unit: flood.unit } })}
          />
          <Button look="main" onClick={keep} disabled={thin.length === 0}>
            {thin.length === 0 ? 'All known already' : `Keep these ${thin.length}`}
          </Button>
        </div>
      )}
    </FromFile>
  );
}

/** The river at the ground's stake: a reading now, or a flood by the mark it left. */
export function RiverSheet({
  ground,
  readings,
  onClose,
}: {
  ground: StoredGround;
  readings: readonly StoredGaugeReading[];
  onClose: () => void;
}) {
  const local = useLocalTime();
  const { put, takeOut } = useKeep('gauge-readings');
  const show = useShow();
  const [level, setLevel] = useState<Entered>({ text: '', unit: show.display.system === 'US' ? 'in' : 'cm' });
  const [kind, setKind] = useState<'level' | 'flood'>('level');
  const [at, setAt] = useState(() => local.isoMoment(Date.now()));
  const now_ms = useNow(60_000);
  const [tried, setTried] = useState(false);
  /** A reading of the list that is put right; null: a new one. */
  const [mended, setMended] = useState<StoredGaugeReading | null>(null);
  const top = useRef<HTMLDivElement>(null);
  /** The fields ready for a new reading, of now. */
  const begin = (): void => {
    setMended(null);
    setLevel({ ...level, text: '' });
    setAt(local.isoMoment(new Date()));
    setTried(false);
  };
  const putRight = (r: StoredGaugeReading): void => {
    setMended(r);
    setKind(r.isFlood ? 'flood' : 'level');
    setLevel(r.levelEntered);
    setAt(local.isoMoment(r.readAt));
    top.current?.scrollIntoView({ block: 'center' });
  };
  const reading = readEntered('length', level);
  const levelProblem = reading.ok ? numberProblem(NUMBERS.level_m, reading.value) : null;
  const timeProblem = at === '' ? 'Give day and time.' : null;
  const keep = (): void => {
    setTried(true);
    if (!reading.ok || levelProblem || at === '' || whenProblem(at, local)) return;
    put(mended, {
      groundId: ground.id,
      // The field has no seconds: what was not touched keeps its own.
      readAt: mended && at === local.isoMoment(mended.readAt) ? mended.readAt : local.at(at).toISOString(),
      level_m: reading.value,
      levelEntered: level,
      isFlood: kind === 'flood',
      note: mended?.note ?? '',
    });
    begin();
  };
  return (
    <FormSheet
      title="The river"
      onClose={onClose}
      onSave={keep}
      below={
        <>
          <GaugeFileForm ground={ground} readings={readings} />
          <ReadingsList
            readings={readings}
            called="the reading"
            says={(r) => (
              <>
                {asTyped(r.levelEntered)}
                {r.isFlood && <b>, flood</b>}
                {isAhead(Date.parse(r.readAt), now_ms) && (
                  <span className="text-danger">, ahead of now: not counted until then</span>
                )}
              </>
            )}
            onPutRight={putRight}
            onTakeOut={takeOut}
          />
        </>
      }
    >
      <div ref={top} />
      {mended && <BeingPutRight says={`The reading of ${local.dayTime(mended.readAt)}`} onLeave={begin} />}
      <Choices
        label="What was read"
        value={kind}
        onChange={setKind}
        choices={[
          { value: 'level', label: 'level at the stake' },
          { value: 'flood', label: 'peak of a flood' },
        ]}
      />
      <QuantityField
        label="Height on the stake"
        entered={level}
        reading={reading}
        units={['cm', 'm', 'in', 'ft']}
        showProblem={tried}
        problem={levelProblem}
        onChange={setLevel}
        comesTo={reading.ok && show.smallLength(reading.value)}
      />
      <WhenField label="When" value={at} onChange={setAt} problem={tried ? timeProblem : null} />
      <Button look="main" type="submit">
        {mended ? 'Keep it so' : 'Keep it'}
      </Button>
      <p className="text-[13px] text-ink-2">
        A flood renews bar skins and undercuts, not bedrock: blanks from before it weigh less by kind of trap.
      </p>
      <Caution quiet>
        A river that rises while you work comes from rain or a dam upstream: leave while you can still cross.
      </Caution>
    </FormSheet>
  );
}
