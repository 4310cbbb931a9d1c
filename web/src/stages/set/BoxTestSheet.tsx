import { TAIL_COLORS, type Measurement, type StoredBoxTest } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { useState, type ReactNode } from 'react';
import { useContainers } from '../../records/useContainers.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { DraftQuantity } from '../../ui/DraftQuantity.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { useShow } from '../../units/useShow.ts';
import { Stopwatch } from './FlowSheet.tsx';
import { newTest, readTest, typedTest, type TestDraft } from './readTest.ts';
import { PutRight } from '../../ui/PutRight.tsx';
import { whenProblem } from '../../when/readWhen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';

const TITLES: Readonly<Record<Measurement['kind'], string>> = {
  'timed bucket': 'Time a bucket',
  'tail pan': 'Pan the tailings',
  tracers: 'Feed flakes on purpose',
  water: 'Flow and depth together',
};
const HOW: Readonly<Record<Measurement['kind'], string>> = {
  'timed bucket':
    'Feed one bucket as fast as the box clears it: the next scoop the moment the last has gone. From the first scoop to the last stone over the end.',
  'tail pan': 'Catch what comes over the end while you feed, and pan it. Twice as much tells twice as much.',
  tracers:
    'Flatten and count small flakes of one size, feed them with gravel, clean up, count what is found. Twenty tell catch within about a third.',
  water: 'Depth over the lining of the longest section, and the flow by a bucket or a float, at the same time.',
};
const HOW_DRY: Readonly<Partial<Record<Measurement['kind'], string>>> = {
  'timed bucket':
    'Feed one bucket as fast as the tray takes it: the next scoop the moment the last has gone over the riffles. From the first scoop to the last stone over the end.',
  tracers:
    'Count small flakes of one size, or lead shot screened to one size, feed them with gravel, clean up, count what is found. Lead is lighter than gold and rounder, and is taken so. Wash your hands after lead.',
};

interface BoxTestSheetProps {
  readonly kind: Measurement['kind'];
  /** Of a dry washer. */
  readonly isDry?: boolean;
  /** The test that is put right; undefined for a new one. */
  readonly kept?: StoredBoxTest;
  readonly bucket: Entered;
  readonly depth: Entered;
  readonly onClose: () => void;
  /** False: the box as it stands cannot be read, so there is nothing to hold the test to. */
  readonly onKeep: (tested: Measurement, testedAt: string) => boolean;
  readonly onTakeOut?: () => void;
}

/** A test of the box as it stands. */
export function BoxTestSheet({
  kind,
  isDry = false,
  kept,
  bucket,
  depth,
  onClose,
  onKeep,
  onTakeOut,
}: BoxTestSheetProps) {
  const show = useShow();
  const local = useLocalTime();
  const [draft, set] = useState<TestDraft>(() => {
    const blank = newTest(show.display.system === 'US', bucket, depth);
    return kept && kept.tested.kind !== 'event' ? typedTest(blank, kept.tested) : blank;
  });
  const [when, setWhen] = useState(() => local.isoMoment(kept?.testedAt ?? new Date()));
  const [tried, setTried] = useState(false);
  const { readings, tested, problem } = readTest(kind, draft, useContainers());
  const whenWrong = kept ? (when === '' ? 'A day and an hour.' : whenProblem(when, local)) : null;
  const change = (some: Partial<TestDraft>): void => set((before) => ({ ...before, ...some }));
  const save = (): void => {
    setTried(true);
    if (!tested || whenWrong) return;
    // The field has no seconds: what was not touched keeps its own.
    const at = kept && when === local.isoMoment(kept.testedAt) ? kept.testedAt : local.at(when).toISOString();
    if (onKeep(tested, kept ? at : new Date().toISOString())) onClose();
  };
  return (
    <FormSheet title={TITLES[kind]} onClose={onClose} onSave={save}>
      <p className="mb-2 text-ink-2">{(isDry && HOW_DRY[kind]) || HOW[kind]}</p>
      {FIELDS[kind]({ draft, change, readings, tried, isDry })}
      {kept && <WhenField label="When" value={when} onChange={setWhen} problem={whenWrong} />}
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && !tested && `▲ Not kept: ${problem}`}
      </p>
      {onTakeOut ? (
        <PutRight onTakeOut={onTakeOut} />
      ) : (
        <Button look="main" type="submit" className="min-h-14">
          Keep it
        </Button>
      )}
    </FormSheet>
  );
}

interface FieldsProps {
  readonly draft: TestDraft;
  readonly change: (some: Partial<TestDraft>) => void;
  readonly readings: ReturnType<typeof readTest>['readings'];
  readonly tried: boolean;
  readonly isDry: boolean;
}
const FIELDS: Readonly<Record<Measurement['kind'], (p: FieldsProps) => ReactNode>> = {
  'timed bucket': (p) => <TimedFields {...p} />,
  'tail pan': (p) => <TailFields {...p} />,
  tracers: (p) => <TracerFields {...p} />,
  water: (p) => <WaterTestFields {...p} />,
};

function TimedFields(form: FieldsProps) {
  const show = useShow();
  return (
    <>
      <DraftQuantity
        label="How much you fed"
        form={form}
        of="volume"
        units={['bucket', 'L', 'gal']}
        says={show.volume}
      />
      <Stopwatch onTime={(s) => form.change({ took: { text: s.toFixed(0), unit: 's' } })} />
      <DraftQuantity label="It took" form={form} of="took" units={['min', 's']} />
    </>
  );
}

function TailFields(form: FieldsProps) {
  const show = useShow();
  const { draft, change } = form;
  return (
    <>
      <p className="mb-1 text-[13px] text-ink-2">Colors in it</p>
      <Choices
        label="Colors in the tail pan"
        value={draft.colors}
        onChange={(colors) => change({ colors })}
        choices={TAIL_COLORS.map((value) => ({ value, label: value.replace('-', '–') }))}
      />
      <div className="mt-3">
        <DraftQuantity
          label="How much you panned"
          form={form}
          of="panned"
          units={['pan', 'bucket', 'L', 'gal']}
          says={show.volume}
        />
      </div>
    </>
  );
}

function TracerFields({ isDry, ...form }: FieldsProps) {
  const { draft, change, readings, tried } = form;
  return (
    <>
      {isDry && (
        <>
          <p className="text-[13px] text-ink-2">What you feed</p>
          <Choices
            label="What you feed"
            value={draft.of}
            onChange={(of) => change({ of })}
            choices={[
              { value: 'gold', label: 'flakes of gold' },
              { value: 'lead', label: 'lead shot' },
            ]}
          />
        </>
      )}
      <DraftQuantity
        label={draft.of === 'lead' ? 'Size of the shot' : 'Size of the flakes'}
        form={form}
        of="size"
        units={['mm', 'in']}
      />
      <div className="grid grid-cols-2 gap-x-4">
        <TextField
          label="Fed"
          value={draft.fed}
          onChange={(fed) => change({ fed })}
          inputMode="numeric"
          problem={tried && !readings.fed.ok ? readings.fed.problem : null}
        />
        <TextField
          label="Found in the box"
          value={draft.held}
          onChange={(held) => change({ held })}
          inputMode="numeric"
          problem={tried && !readings.held.ok ? readings.held.problem : null}
        />
      </div>
    </>
  );
}

function WaterTestFields(form: FieldsProps) {
  const show = useShow();
  return (
    <>
      <DraftQuantity
        label="Water over the lining"
        form={form}
        of="depth"
        units={['mm', 'cm', 'in']}
        says={show.smallLength}
      />
      <DraftQuantity
        label="Flow into the box"
        form={form}
        of="flow"
        units={['L/s', 'L/min', 'gpm', 'imp gpm', 'm3/h']}
        says={(v) => show.flow(v / 1000)}
      />
    </>
  );
}
