import { MOST, type Cleanup } from '@riffle/contract';
import { repeatWeighing, type Entered } from '@riffle/core';
import { useState } from 'react';
import { usePreferences } from '../../preferences/preferences.ts';
import { canReadScale, readScale, readSimulatedScale } from '../../scale/readScale.ts';
import { Button } from '../../ui/Button.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { toast } from '../../ui/toast.ts';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';

/** What the scale gave: the vial empty, and full as often as it was weighed. */
export type Weighing = NonNullable<Cleanup['sections'][number]['weighing']>;

interface ScaleSheetProps {
  /** What is weighed, in words. */
  readonly what: string;
  readonly onWeighed: (gold: Entered, weighing: Weighing) => void;
  readonly onClose: () => void;
}

const EMPTY: Entered = { text: '', unit: 'g' };
const UNITS = ['g', 'mg', 'grain', 'dwt', 'ozt'] as const;

/** The smallest step a typed weight shows, mg: its last decimal. */
function stepOf({ text, unit }: Entered): number {
  const decimals = /\.(\d+)/.exec(text)?.[1]?.length ?? 0;
  const step = readEntered('mass', { text: (10 ** -decimals).toFixed(decimals), unit });
  return step.ok ? step.value : 0;
}

/** Gold by the scale: the vial empty, then full, as often as one likes; typed, or read off a scale on a cable. */
export function ScaleSheet({ what, onWeighed, onClose }: ScaleSheetProps) {
  const show = useShow();
  const isSimulated = usePreferences().preferences.positionFrom === 'simulated';
  const [tare, setTare] = useState(EMPTY);
  const [full, setFull] = useState<readonly Entered[]>([EMPTY, EMPTY]);
  const [tried, setTried] = useState(false);
  const tareRead = readEntered('mass', tare);
  const typed = full.filter((f) => f.text.trim() !== '');
  const reads = typed.map((f) => readEntered('mass', f));
  const gross_mg = reads.flatMap((r) => (r.ok ? [r.value] : []));
  const isLighter = tareRead.ok && gross_mg.some((g) => g < tareRead.value);
  const weighed =
    tareRead.ok && gross_mg.length > 0 && gross_mg.length === reads.length && !isLighter
      ? repeatWeighing(tareRead.value, gross_mg, Math.max(...[tare, ...typed].map(stepOf)))
      : null;
  const read = async (on: 'vial' | 'gold', keep: (entered: Entered) => void): Promise<void> => {
    try {
      const { mg, step_mg } = await (isSimulated ? readSimulatedScale(on) : readScale());
      const decimals = Math.max(0, Math.round(-Math.log10(step_mg / 1000)));
      keep({ text: (mg / 1000).toFixed(decimals), unit: 'g' });
    } catch (error) {
      // Not choosing a cable is no fault.
      if ((error as DOMException).name !== 'NotFoundError') toast((error as Error).message);
    }
  };
  const canRead = isSimulated || canReadScale();
  const save = (): void => {
    setTried(true);
    if (!weighed) return;
    onWeighed({ text: String(Number(weighed.net_mg.toFixed(4))), unit: 'mg' }, { empty: tare, full: [...typed] });
    onClose();
  };
  const setNth = (nth: number, entered: Entered): void =>
    setFull((before) => before.map((f, i) => (i === nth ? entered : f)));
  return (
    <FormSheet title={`On the scale: ${what}`} onClose={onClose} onSave={save} tight>
      {isSimulated && <p className="text-[13px] text-ink-2">The simulated scale: a vial, and 34 mg of gold.</p>}
      <div className="flex items-end gap-3">
        <div className="grow">
          <QuantityField
            label="Vial, empty"
            entered={tare}
            reading={tareRead}
            units={UNITS}
            showProblem={tried}
            onChange={setTare}
          />
        </div>
        {canRead && (
          <Button className="mb-5 px-3 whitespace-nowrap" onClick={() => void read('vial', setTare)}>
            Read it
          </Button>
        )}
      </div>
      {full.map((f, i) => (
        <div key={i} className="flex items-end gap-3">
          <div className="grow">
            <QuantityField
              label={i === 0 ? 'With the gold' : `once more${i > 1 ? `, ${i + 1}` : ''}`}
              entered={f}
              reading={readEntered('mass', f)}
              units={UNITS}
              optional={i > 0}
              showProblem={tried}
              problem={isLighter && f.text.trim() !== '' ? 'Lighter than the empty vial.' : null}
              onChange={(entered) => setNth(i, entered)}
            />
          </div>
          {canRead && (
            <Button
              className="mb-5 px-3 whitespace-nowrap"
              aria-label={`Read it, ${i + 1}`}
              onClick={() => void read('gold', (e) => setNth(i, e))}
            >
              Read it
            </Button>
          )}
        </div>
      ))}
      {full.length < MOST.weighings && (
        <TextButton className="self-start" onClick={() => setFull([...full, EMPTY])}>
          put it down and weigh once more
        </TextButton>
      )}
      {weighed && (
        <p role="status" className="border-l-4 border-ink pl-3">
          <b className="text-[20px] text-gold">{show.gold(weighed.net_mg)}</b>
          {weighed.agree === null
            ? ' by one weighing: a second would tell whether to trust it.'
            : weighed.agree
              ? `; the weighings differ by ${show.gold(weighed.differ_mg)}.`
              : `; but the weighings differ by ${show.gold(weighed.differ_mg)}: level the scale, out of the wind, and once more.`}
        </p>
      )}
      <Button look="main" type="submit" className="mt-2 min-h-14 w-full text-[18px]">
        Take it
      </Button>
    </FormSheet>
  );
}
