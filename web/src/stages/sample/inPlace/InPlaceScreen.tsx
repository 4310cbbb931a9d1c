import {
  boxAbout,
  bySections,
  fitPlaces,
  groundColors,
  outlineOnGround,
  placesOf,
  VARIOGRAM_MODELS,
  withinReach,
  type EstimateMethod,
  type GroundProblem,
  type Variogram,
} from '@riffle/core';
import { useMemo, useState } from 'react';
import { Checkbox } from '../../../ui/Checkbox.tsx';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { Field, SelectField } from '../../../ui/Field.tsx';
import { Block, Gold, Judgement } from '../../../ui/Judgement.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { useDraft } from '../../../ui/useDraft.ts';
import { CutoffCurve } from './CutoffCurve.tsx';
import { GradeMap, type MapShows } from './GradeMap.tsx';
import { useGroundMap } from './useGroundMap.ts';
import { VariogramChart } from './VariogramChart.tsx';

const METHODS = [
  {
    value: 'kriging',
    label: 'kriging',
    says: 'Each place by the samples about it, weighed by how alike samples at that distance are; says how unsure it is. The usual choice from about fifteen samples on.',
  },
  {
    value: 'inverse distance',
    label: 'by distance',
    says: 'Near samples count more. Says nothing about how unsure it is.',
  },
  {
    value: 'polygons',
    label: 'nearest',
    says: 'Every place is as its nearest sample. The oldest way; rich samples spread too far.',
  },
] as const;
/** Gold of running water lies in streaks along it: alike this many times farther along than across. Common practice, no source. */
const STREAK = '4';
const CELLS = { quick: 120, fine: 300 } as const;

interface Asked {
  readonly outlineId: string;
  readonly method: EstimateMethod['kind'];
  readonly fine: boolean;
  /** How many times farther samples are alike along than across, as typed. */
  readonly streak: string;
  readonly pay: { text: string; unit: string };
  readonly cover: { text: string; unit: string };
  readonly from: { text: string; unit: string };
  readonly to: { text: string; unit: string };
  readonly model: Variogram['model'];
  /** The person's own variogram; null: the fitted one. */
  readonly own: { readonly nugget: string; readonly partialSill: string; readonly range_m: string } | null;
}

/** Gold in the ground from samples and an outline, and what of it pays at a cut-off. */
export function InPlaceScreen() {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const show = useShow();
  const {
    preferences: { pays_mg_L },
  } = usePreferences();
  const US = show.display.system === 'US';
  const samples = useRecords('samples', ground.id).items;
  const pits = useRecords('pits', ground.id).items;
  const outlines = useRecords('outlines', ground.id).items;
  const unit = US ? 'ft' : 'm';
  const [asked, setAsked] = useDraft<Asked>(`in-place-${ground.id}`, () => ({
    outlineId: '',
    method: 'kriging',
    fine: false,
    streak: ground.kind === 'hillside' ? '1' : STREAK,
    pay: { text: US ? '1' : '0.3', unit },
    cover: { text: US ? '2' : '0.6', unit },
    from: { text: '', unit },
    to: { text: '', unit },
    model: 'spherical',
    own: null,
  }));
  const change = (some: Partial<Asked>): void => setAsked((before) => ({ ...before, ...some }));
  const [cutoff, setCutoff] = useState(pays_mg_L);
  const [shows, setShows] = useState<MapShows>('grade');
  const [pay, cover, from, to] = [
    readEntered('length', asked.pay),
    readEntered('length', asked.cover),
    readEntered('length', asked.from),
    readEntered('length', asked.to),
  ];
  const [pay_m, cover_m] = [pay.ok && pay.value > 0 ? pay.value : null, cover.ok ? cover.value : null];
  const windowSaid = asked.from.text.trim() !== '' || asked.to.text.trim() !== '';
  const [from_m, to_m] = [from.ok ? from.value : 0, to.ok ? to.value : 30];
  const places = useMemo(
    () =>
      pay_m === null || cover_m === null
        ? []
        : placesOf(
            ground,
            spots,
            samples,
            pits,
            groundColors(samples, ground.swell_percent),
            windowSaid ? { from_m, to_m } : null,
            pay_m,
            cover_m,
          ),
    [ground, spots, samples, pits, pay_m, cover_m, windowSaid, from_m, to_m],
  );
  const shapes = outlines.filter((o) => o.kind === 'bar' || o.kind === 'bench' || o.kind === 'workings');
  const shape = shapes.find((o) => o.id === asked.outlineId);
  const outline = useMemo(() => {
    const chosen = outlines.find((o) => o.id === asked.outlineId);
    return (chosen ? outlineOnGround(ground, chosen) : null) ?? boxAbout(places);
  }, [ground, outlines, asked.outlineId, places]);
  const inReach = useMemo(() => (outline ? withinReach(places, outline) : places), [places, outline]);
  const streak = Number(asked.streak) >= 1 && Number(asked.streak) <= 20 ? Number(asked.streak) : 1;
  const { bins, fitted } = useMemo(() => fitPlaces(inReach, asked.model, streak), [inReach, asked.model, streak]);
  const own = asked.own && {
    model: asked.model,
    nugget: Number(asked.own.nugget),
    partialSill: Number(asked.own.partialSill),
    range_m: Number(asked.own.range_m),
  };
  const ownProblem =
    own && (!(own.nugget >= 0) || !(own.partialSill >= 0) || !(own.nugget + own.partialSill > 0) || !(own.range_m > 0))
      ? 'Nugget and sill from 0 up, not both 0; the range above 0.'
      : null;
  const variogram = own && !ownProblem ? own : fitted;
  const key = variogram && JSON.stringify(variogram);
  const problem = useMemo((): GroundProblem | null => {
    if (!outline || inReach.length < 2) return null;
    const v = key === null ? null : (JSON.parse(key) as Variogram);
    const method: EstimateMethod =
      asked.method === 'polygons'
        ? { kind: 'polygons' }
        : asked.method === 'kriging' && v
          ? { kind: 'kriging', variogram: v }
          : { kind: 'inverse distance', power: 2 };
    return {
      places: inReach.map(({ spot, ...p }) => {
        void spot;
        return p;
      }),
      outline,
      method,
      cells: asked.fine ? CELLS.fine : CELLS.quick,
      streak,
    };
  }, [inReach, outline, key, asked.method, asked.fine, streak]);
  const { map, working, failed, all, above, stop } = useGroundMap(problem, cutoff);
  const sections = useMemo(() => {
    try {
      return bySections(inReach, Math.max(1, ((outline?.[1]?.x_m ?? 0) - (outline?.[0]?.x_m ?? 0)) / 40));
    } catch {
      return null;
    }
  }, [inReach, outline]);
  // A map by distance, or the last one while kriging is still at work, knows no doubt.
  const tellsDoubt = useMemo(() => map !== null && map.sd_mg_L.some((sd) => !Number.isNaN(sd)), [map]);
  const showing = tellsDoubt ? shows : 'grade';
  const highest = Math.max(cutoff, ...inReach.map((p) => p.grade_mg_L), 0.01);

  return (
    <div className="flex flex-col gap-4">
      {!problem ? (
        <Judgement rests="A grid or two traverses give the shape; lay them out under Bags. Then the map draws itself.">
          Sample two spots or more, and Riffle maps what lies between.
        </Judgement>
      ) : above && all && above.grade_mg_L !== null ? (
        <Judgement
          rests={
            <>
              All of it: <Gold>{show.bulkGold(all.gold_mg)}</Gold> in {show.volume(all.pay_m3 * 1000)},{' '}
              <Gold>
                {all.band
                  ? show.band('grade', all.grade_mg_L ?? 0, all.band.low_mg_L, all.band.high_mg_L)
                  : show.grade(all.grade_mg_L ?? 0)}
              </Gold>
              {all.band ? '' : ' (too few samples for a band)'}, by {inReach.length} sampled spots. What is in the
              ground is not what a box keeps.
            </>
          }
        >
          <Gold>
            {above.band
              ? show.band(
                  'bulkGold',
                  above.gold_mg,
                  above.band.low_mg_L * above.pay_m3 * 1000,
                  above.band.high_mg_L * above.pay_m3 * 1000,
                )
              : show.bulkGold(above.gold_mg)}
          </Gold>{' '}
          in {show.volume(above.pay_m3 * 1000)} of pay, <Gold>{show.grade(above.grade_mg_L)}</Gold>, under{' '}
          {(above.strippingRatio ?? 0).toFixed(1)} times as much cover.
        </Judgement>
      ) : (
        <Judgement rests={failed ?? undefined}>
          {failed
            ? 'This ground cannot be mapped so.'
            : above
              ? `Nothing here reaches ${show.grade(cutoff)}.`
              : 'Mapping the ground ...'}
        </Judgement>
      )}
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,22rem)]">
        <div className="flex min-w-0 flex-col gap-4">
          <Block
            title="Grade from above"
            aside={
              working !== null ? (
                <span role="status">
                  {Math.round(working * 100)} %{' '}
                  <button type="button" className="ml-2 underline underline-offset-4" onClick={stop}>
                    Stop
                  </button>
                </span>
              ) : tellsDoubt ? (
                <Choices
                  label="The map shows"
                  value={shows}
                  onChange={setShows}
                  choices={[
                    { value: 'grade', label: 'grade' },
                    { value: 'chance', label: 'chance it pays' },
                    { value: 'doubt', label: 'how unsure' },
                  ]}
                />
              ) : undefined
            }
          >
            {map && outline && (
              <GradeMap
                map={map}
                outline={outline}
                places={inReach}
                cutoff_mg_L={cutoff}
                shows={showing}
                picked={picked}
                onPick={pick}
              />
            )}
            <div className="mt-2">
              <label className="flex flex-wrap items-center gap-3">
                <span>
                  Pays from <b className="text-gold">{show.grade(cutoff)}</b>
                </span>
                <input
                  type="range"
                  className="h-11 min-w-0 grow accent-ink"
                  aria-label="Cut-off grade"
                  aria-valuetext={show.grade(cutoff)}
                  min={0}
                  max={1}
                  step={0.005}
                  value={Math.sqrt(cutoff / highest)}
                  onChange={(e) => setCutoff(Number(e.target.value) ** 2 * highest)}
                />
              </label>
              {above && all && (
                <p className="text-ink-2">
                  {show.figure('area', above.area_m2).digits} of {show.area(all.area_m2)} pay. Ink outlines them; the
                  ground is drawn pulled straight; an open circle is a blank.
                  {showing === 'chance' ? ' The darker, the likelier a pan there pays.' : ''}
                </p>
              )}
            </div>
          </Block>
          {map && (
            <Block title="What the cut-off leaves">
              <CutoffCurve map={map} cutoff_mg_L={cutoff} highest_mg_L={highest} />
            </Block>
          )}
          {sections && (
            <p className="text-ink-2">
              By {sections.sections.length} sections instead: {show.volume(sections.pay_m3 * 1000)} between the first
              and the last,{' '}
              <span className="text-gold">
                {sections.grade_mg_L === null ? 'no grade' : show.grade(sections.grade_mg_L)}
              </span>
              , <span className="text-gold">{show.bulkGold(sections.gold_mg)}</span>.
            </p>
          )}
        </div>
        <Block title="How it is worked out">
          <SelectField
            label="The ground that counts"
            value={shape?.id ?? ''}
            choices={[
              { value: '', label: 'the box about the samples' },
              ...shapes.map((o) => ({ value: o.id, label: `${o.name} (${o.kind})` })),
            ]}
            onChange={(outlineId) => change({ outlineId })}
            hint="Shapes are drawn on the map, under Read."
          />
          <Choices
            label="Method"
            value={asked.method}
            onChange={(method) => change({ method })}
            choices={METHODS.map(({ value, label }) => ({ value, label }))}
          />
          <p className="my-1 text-ink-2">{METHODS.find((m) => m.value === asked.method)?.says}</p>
          <div className="grid grid-cols-2 gap-x-4">
            <QuantityField
              label="Pay, where no pit says"
              entered={asked.pay}
              reading={pay}
              units={['m', 'cm', 'ft']}
              onChange={(e) => change({ pay: e })}
              problem={pay.ok && !(pay.value > 0) ? 'More than nothing.' : null}
            />
            <QuantityField
              label="Cover, where no pit says"
              entered={asked.cover}
              reading={cover}
              units={['m', 'cm', 'ft']}
              onChange={(e) => change({ cover: e })}
            />
            <QuantityField
              label="Only samples from"
              entered={asked.from}
              reading={asked.from.text === '' ? { ok: true, value: 0 } : from}
              units={['m', 'ft']}
              optional
              onChange={(e) => change({ from: e })}
            />
            <QuantityField
              label="down to"
              entered={asked.to}
              reading={asked.to.text === '' ? { ok: true, value: 0 } : to}
              units={['m', 'ft']}
              optional
              onChange={(e) => change({ to: e })}
              problem={from.ok && to.ok && to.value < from.value ? 'Above where it begins.' : null}
            />
          </div>
          {asked.method !== 'polygons' && (
            <Field
              label="Alike how many times farther along than across"
              problem={streak === 1 && asked.streak.trim() !== '1' ? 'From 1 to 20; 1 is used.' : null}
              hint="gold lies in streaks along the water; 1: no streaks"
            >
              {(ids) => (
                <input
                  {...ids}
                  inputMode="decimal"
                  className="written w-full"
                  value={asked.streak}
                  onChange={(e) => change({ streak: e.target.value })}
                />
              )}
            </Field>
          )}
          <Checkbox checked={asked.fine} onChange={(checked) => change({ fine: checked })}>
            fine net ({CELLS.fine} cells the long way)
          </Checkbox>
          {asked.method === 'kriging' &&
            (bins.length >= 3 && variogram ? (
              <div className="mt-2 border-t border-rule pt-2">
                <VariogramChart bins={bins} model={variogram} />
                <div className="grid grid-cols-2 gap-x-4">
                  <SelectField
                    label="Model"
                    value={asked.model}
                    choices={VARIOGRAM_MODELS.map((m) => ({ value: m, label: m }))}
                    onChange={(model) => change({ model })}
                  />
                  {(['nugget', 'partialSill', 'range_m'] as const).map((f) => (
                    <Field
                      key={f}
                      label={{ nugget: 'Nugget', partialSill: 'Partial sill', range_m: 'Range across, m' }[f]}
                    >
                      {(ids) => (
                        <input
                          {...ids}
                          inputMode="decimal"
                          className="written w-full"
                          value={asked.own?.[f] ?? Number((fitted?.[f] ?? 0).toPrecision(3))}
                          onChange={(e) =>
                            change({
                              own: {
                                ...(asked.own ?? {
                                  nugget: String(Number((fitted?.nugget ?? 0).toPrecision(3))),
                                  partialSill: String(Number((fitted?.partialSill ?? 0).toPrecision(3))),
                                  range_m: String(Number((fitted?.range_m ?? 1).toPrecision(3))),
                                }),
                                [f]: e.target.value,
                              },
                            })
                          }
                        />
                      )}
                    </Field>
                  ))}
                </div>
                {ownProblem && <p className="text-danger">▲ {ownProblem} The fitted one is used.</p>}
                {asked.own ? (
                  <Button look="quiet" onClick={() => change({ own: null })}>
                    Back to the fitted one
                  </Button>
                ) : (
                  <p className="text-ink-2">
                    Fitted to {bins.reduce((sum, b) => sum + b.pairs, 0)} pairs, weighed by their number over the square
                    of their distance.
                  </p>
                )}
              </div>
            ) : (
              <p className="border-l-4 border-rule pl-3">
                Too few pairs for a variogram: the map is by distance until there are more samples.
              </p>
            ))}
        </Block>
      </div>
    </div>
  );
}
