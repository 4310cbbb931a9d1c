import { MOST, SCREEN_SHAPES } from '@riffle/contract';
import {
  characteristicSize_mm,
  CLOSES_WITHIN_PERCENT,
  COLOR_CLASSES,
  NO_COLORS,
  screenChoice,
  type ColorCounts,
  type SizeCurve as SizeCurveOf,
  groundColors,
} from '@riffle/core';
import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import { toast } from '../../../ui/toast.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { SpotSelect } from '../../../ground/SpotSelect.tsx';
import { useKeep } from '../../../records/useKeep.ts';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { asTyped } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { Field, SelectField, TextField } from '../../../ui/Field.tsx';
import { Block, Gold, Judgement } from '../../../ui/Judgement.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { curveOf } from './readStack.ts';
import { SizeCurve } from './SizeCurve.tsx';
import { useStackDraft } from './useStackDraft.ts';

/** At the right moment, in the order of the work. Common practice, no source. */
const REMINDERS = [
  [
    'Before',
    'Wet it: in water the gravel turns fluid and gold drops through. Break every lump of clay; gold rides off in it.',
  ],
  [
    'On each screen',
    'Scrub the stones and look at what lies there before it goes: gold sticks to stones, and a nugget sits on the screen.',
  ],
  ['In the bucket', 'Let it settle, then judge it by its last pan and not its first: the heavies lie at the bottom.'],
  ['At the end', 'Keep the last mud and wash it out.'],
] as const;

/** Screening: what stays on each screen, whether the split closes, the size curve, and what a screen takes off with the gold it may take along. */
export function ScreensScreen() {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const show = useShow();
  const book = useKeep('screenings');
  const screenings = useRecords('screenings', ground.id).items;
  const samples = useRecords('samples', ground.id).items;
  const inHand = useStackDraft(ground, show.display.system === 'US');
  const { draft, change, curve } = inHand;
  const [tried, setTried] = useState(false);
  const spot = spots.find((s) => s.id === picked);
  const mine = screenings.filter((s) => s.spotId === picked);
  const earlier = mine.map(curveOf);
  const shownCurve = curve ?? earlier.at(-1) ?? null;
  const weights = useMemo(
    () => groundColors(samples, ground.swell_percent).weights_mg,
    [samples, ground.swell_percent],
  );
  const counts = useMemo(
    () =>
      samples
        .filter((s) => !picked || s.spotId === picked)
        .reduce<ColorCounts>(
          (sum, s) => Object.fromEntries(COLOR_CLASSES.map((c) => [c, sum[c] + s.counts[c]])) as unknown as ColorCounts,
          NO_COLORS,
        ),
    [samples, picked],
  );
  const found = curve
    ? inHand.screens.map((s) => ({ aperture_mm: s.aperture.ok ? s.aperture.mm : NaN, colors: s.colors }))
    : (mine.at(-1)?.screens ?? []);
  const choices = shownCurve
    ? [...shownCurve.points]
        .reverse()
        .map((p) => screenChoice(p.aperture_mm, shownCurve.points, counts, weights, found))
    : [];
  // The finest cut that takes no gold leaves the least to carry and to pan.
  const best = choices
    .filter((c) => (c.goldOver_percent ?? 0) < 1 && !c.foundOver && c.removes_percent !== null)
    .at(-1);
  const onTop = choices.findLast((c) => c.foundOver !== null && c.foundOver > 0);
  const loss = curve?.closure_percent ?? null;
  const open = loss !== null && Math.abs(loss - 100) > CLOSES_WITHIN_PERCENT;
  const units = draft.measure === 'mass' ? ['kg', 'g', 'lb'] : ['L', 'gal', 'bucket', 'pan'];
  const keep = (): void => {
    setTried(true);
    const record = spot && inHand.record(spot.id);
    if (!record) return;
    book.add(record);
    inHand.clear();
    setTried(false);
    toast(`Kept: a stack of ${record.screens.length} screens at ${spot.name}.`);
  };
  return (
    <div className="flex flex-col gap-4">
      {open && loss !== null ? (
        <Judgement
          rests={
            loss < 100
              ? 'Wet screening loses mud over the rim; dry fines blow away. Settle the bucket and weigh what is in it too.'
              : 'Something was weighed wetter than it went in, or twice.'
          }
        >
          The split does not close:{' '}
          <span className="text-danger">
            {loss < 100 ? `${(100 - loss).toFixed(1)} % is missing` : `${(loss - 100).toFixed(1)} % too much`}
          </span>
          .
        </Judgement>
      ) : best ? (
        <Judgement
          rests={
            <>
              {best.goldOver_percent === null
                ? 'No gold was counted here yet, so what goes with the oversize is not known.'
                : `Of the counted gold ${best.goldOver_percent.toFixed(1)} % is larger than that opening; the count leaves open that up to ${(best.colorsOverAtMost_percent ?? 100).toFixed(0)} in 100 are.`}
              {best.uncountedCoarse > 0 &&
                ` ${best.uncountedCoarse} over No. 10 ${best.uncountedCoarse === 1 ? 'is' : 'are'} in no share: look at the oversize.`}
              {loss !== null && ` The split closes to ${loss.toFixed(1)} %.`}
            </>
          }
        >
          Screen at {show.smallLength(best.aperture_mm / 1000)}: it takes off {(best.removes_percent ?? 0).toFixed(0)} %
          of the gravel and <Gold>no counted gold</Gold>.
        </Judgement>
      ) : onTop ? (
        <Judgement rests="Screen coarser, or pick through the oversize every time: what lies there would have gone with the stones.">
          Gold lies on the screens:{' '}
          <Gold>
            {onTop.foundOver} {onTop.foundOver === 1 ? 'piece' : 'pieces'}
          </Gold>{' '}
          at {show.smallLength(onTop.aperture_mm / 1000)} and above.
        </Judgement>
      ) : (
        <Judgement rests="By weight or by volume, wet or dry, in any unit. Empty screens count as 0: write it.">
          What stayed on each screen?
        </Judgement>
      )}
      <form
        className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <Block title="The stack" aside="coarse on top">
          <SpotSelect
            spots={spots}
            value={spot?.id}
            onPick={pick}
            problem={tried && !spot ? 'Say where it is from.' : null}
          />
          <div className="mb-2 flex flex-wrap gap-3">
            <Choices
              label="Measured by"
              value={draft.measure}
              onChange={(measure) => change({ measure })}
              choices={[
                { value: 'mass', label: 'weight' },
                { value: 'volume', label: 'volume' },
              ]}
            />
            <Choices
              label="Screened"
              value={draft.way}
              onChange={(way) => change({ way })}
              choices={[
                { value: 'wet', label: 'wet' },
                { value: 'dry', label: 'dry' },
              ]}
            />
          </div>
          <div className="grid grid-cols-2 gap-x-4">
            <QuantityField
              label="Went in"
              entered={draft.wentIn}
              reading={inHand.wentIn ?? { ok: true, value: 0 }}
              units={units}
              optional
              showProblem={tried}
              onChange={(wentIn) => change({ wentIn })}
              problem={inHand.wentIn?.ok && !(inHand.wentIn.value > 0) ? 'More than nothing.' : null}
            />
            {draft.measure === 'mass' && (
              <Field label="Moisture, %" hint="water over dry weight; empty: not known">
                {(ids) => (
                  <input
                    {...ids}
                    inputMode="decimal"
                    className="written w-full"
                    value={draft.moisture}
                    onChange={(e) => change({ moisture: e.target.value })}
                  />
                )}
              </Field>
            )}
          </div>
          <ol aria-label="Screens">
            {inHand.screens.map((s, i) => (
              <li
                key={s.draft.key}
                className="grid grid-cols-[minmax(0,1fr)_5.2rem_minmax(0,1.3fr)] items-start gap-x-2 border-t border-rule pt-1"
              >
                <TextField
                  label={`Screen ${i + 1}`}
                  value={s.draft.name}
                  onChange={(name) => inHand.setScreen(s.draft.key, { name })}
                  problem={s.aperture.ok ? null : s.aperture.problem}
                  hint={s.aperture.ok ? show.smallLength(s.aperture.mm / 1000) : undefined}
                />
                <SelectField
                  label="Holes"
                  value={s.draft.shape}
                  choices={SCREEN_SHAPES.map((v) => ({ value: v, label: v }))}
                  onChange={(shape) => inHand.setScreen(s.draft.key, { shape })}
                />
                <QuantityField
                  label="Stayed on it"
                  entered={s.draft.kept}
                  reading={s.kept}
                  units={units}
                  showProblem={tried}
                  onChange={(kept) => inHand.setScreen(s.draft.key, { kept })}
                />
                <label className="col-span-2 flex min-h-11 flex-wrap items-center gap-x-2">
                  gold seen on it
                  <input
                    className="written w-16"
                    inputMode="numeric"
                    aria-label={`Gold seen on screen ${i + 1}`}
                    aria-invalid={s.colorsProblem !== null}
                    placeholder="looked?"
                    value={s.draft.colors ?? ''}
                    onChange={(e) => inHand.setScreen(s.draft.key, { colors: e.target.value })}
                  />
                  {s.colorsProblem && <span className="text-[12.5px] text-danger">▲ {s.colorsProblem}</span>}
                </label>
                <button
                  type="button"
                  className="min-h-11 justify-self-end text-ink-2 underline"
                  aria-label={`Take screen ${i + 1} out`}
                  onClick={() => inHand.removeScreen(s.draft.key)}
                >
                  take out
                </button>
              </li>
            ))}
          </ol>
          {inHand.screens.some((s) => s.draft.shape === 'slot') && (
            <p className="text-ink-2">
              Slots let slivers through: a flat piece longer than the slot is wide can be in the undersize.
            </p>
          )}
          <Button look="quiet" onClick={inHand.addScreen} disabled={draft.screens.length >= MOST.screens}>
            Another screen
          </Button>
          <QuantityField
            label="Went through all of them"
            entered={draft.through}
            reading={inHand.through}
            units={units}
            showProblem={tried}
            onChange={(through) => change({ through })}
          />
          <TextField label="Note" value={draft.note} rows={2} onChange={(note) => change({ note })} />
          <Button look="main" type="submit" className="mt-1 w-full">
            Keep this screening
          </Button>
          <p role="alert" className="min-h-5 text-[12.5px] text-danger">
            {inHand.problem
              ? `▲ ${inHand.problem}`
              : tried && (!spot || !curve) && '▲ Not kept yet: see the fields marked. What you typed stays.'}
          </p>
        </Block>
        <div className="flex min-w-0 flex-col gap-5">
          <Block
            title="Size curve"
            aside={
              shownCurve
                ? [
                    ...SIZES.map((p) => {
                      const d = characteristicSize_mm(shownCurve.points, p);
                      return d === null ? null : `D${p} ${show.smallLength(d / 1000)}`;
                    }),
                    oversizeOf(shownCurve, show.smallLength),
                  ]
                    .filter(Boolean)
                    .join(', ')
                : undefined
            }
          >
            <SizeCurve curve={shownCurve} before={curve ? earlier : earlier.slice(0, -1)} />
          </Block>
          {choices.length > 0 && (
            <Block title="What a screen takes off">
              <table className="w-full">
                <thead>
                  <tr className="border-b border-ink text-left text-[13px] text-ink-2">
                    <th className="py-1 font-normal">screen at</th>
                    <th className="text-right font-normal">takes off</th>
                    <th className="text-right font-normal">counted gold above it</th>
                    <th className="text-right font-normal">seen on it or above</th>
                  </tr>
                </thead>
                <tbody>
                  {choices.map((c) => (
                    <tr
                      key={c.aperture_mm}
                      className={`border-b border-rule ${c === best ? 'bg-picked font-bold' : ''}`}
                    >
                      <td className="py-1.5">{show.smallLength(c.aperture_mm / 1000)}</td>
                      <td className="text-right">
                        {c.removes_percent === null ? '?' : `${c.removes_percent.toFixed(0)} %`}
                      </td>
                      <td className="text-right text-gold">
                        {c.goldOver_percent === null ? 'none counted' : `${c.goldOver_percent.toFixed(1)} %`}
                      </td>
                      <td className={`text-right ${c.foundOver ? 'text-gold' : 'text-ink-2'}`}>
                        {c.foundOver ?? 'not looked'}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p className="mt-1 text-ink-2">
                Within a class gold is taken as spread evenly over size. What sticks to stones and clay comes on top.
              </p>
            </Block>
          )}
          <Block title="While you screen">
            <ul>
              {REMINDERS.map(([when, says]) => (
                <li key={when} className="border-b border-rule py-1.5">
                  <b>{when}.</b> {says}
                </li>
              ))}
            </ul>
          </Block>
          {mine.length > 0 && (
            <Block title={`Before, at ${spot?.name ?? ''}`}>
              <ul>
                {[...mine].reverse().map((s) => (
                  <li key={s.id} className="flex items-center gap-3 border-b border-rule">
                    <span className="w-14 text-ink-2">{format(new Date(s.screenedAt), 'd MMM')}</span>
                    <span className="min-w-0 grow">
                      {s.screens.map((k) => `${k.name} ${asTyped(k.keptEntered)}`).join(', ')}
                    </span>
                    <button
                      type="button"
                      className="min-h-11 text-[13px] text-ink-2 underline underline-offset-4"
                      aria-label={`Take out the screening of ${format(new Date(s.screenedAt), 'd MMM')}`}
                      onClick={() => book.takeOut(s, 'The screening is out of the book.')}
                    >
                      take out
                    </button>
                  </li>
                ))}
              </ul>
            </Block>
          )}
        </div>
      </form>
    </div>
  );
}

const SIZES = [10, 50, 90] as const;

/** What stays on the coarsest screen: beyond it the curve says nothing. */
function oversizeOf(curve: SizeCurveOf, say: (m: number) => string): string | null {
  const top = curve.points.reduce((a, b) => (b.aperture_mm > a.aperture_mm ? b : a));
  return top.passing_percent < 100
    ? `${(100 - top.passing_percent).toFixed(0)} % over ${say(top.aperture_mm / 1000)}`
    : null;
}
