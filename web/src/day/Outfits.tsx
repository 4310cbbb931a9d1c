import type { StoredGround } from '@riffle/contract';
import { CONTAINERS, weighOutfits, type Candidate, type WeighedOutfit } from '@riffle/core';
import { useMemo } from 'react';
import { useContainers } from '../records/useContainers.ts';
import { useRecords } from '../records/useRecords.ts';
import { useRecordsOfAll } from '../records/useRecordsOfAll.ts';
import { Block } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { useDraft } from '../ui/useDraft.ts';
import { inTen } from '../units/inTen.ts';
import { useShow } from '../units/useShow.ts';
import type { DayDraft } from './dayDraft.ts';
import { outfitsOf, PANS, usualWeight_kg } from './outfitsOf.ts';
import { numberTyped } from '../units/numberTyped.ts';

interface OutfitsProps {
  readonly ground: StoredGround;
  readonly draft: DayDraft;
  /** Places of the plan, in order. */
  readonly planned: readonly Candidate[];
}

/** Off the path with a load, m a minute. Common practice, no source. */
const LOADED_M_MIN = 45;
/** Beside the tools something is left to carry with, kg. */
const LEAST_ROOM_KG = 2;
const WHY: Readonly<Record<NonNullable<WeighedOutfit['why']>, string>> = {
  'no water': 'no water there',
  'too heavy': 'too heavy for that many hands',
  'no time': 'no time left after carrying it',
};

/** Which box, washer or pans to carry to this ground today: what is left of the day after the loads, at each one’s own pace. */
export function Outfits({ ground, draft, planned }: OutfitsProps) {
  const show = useShow();
  const containers = useContainers();
  const rigs = useRecords('rigs').items;
  const runs = useRecordsOfAll('runs').items;
  const setups = useRecordsOfAll('setups').items;
  const [{ weights, people }, setDraft] = useDraft<{
    readonly weights: Readonly<Record<string, string>>;
    readonly people: string;
  }>('outfits', () => ({ weights: {}, people: '2' }));
  const [bucket_L, pan_L] = [containers.bucket ?? CONTAINERS.bucket, containers.pan ?? CONTAINERS.pan];
  const tools_kg = draft.tools.reduce((sum, t) => sum + t.kg, 0);
  const hands = Number(people);
  const isHands = Number.isInteger(hands) && hands >= 1 && hands <= 20;
  const walk_h = Math.max(0, ...planned.map((p) => p.distance_m)) / LOADED_M_MIN / 60;
  const { back_min, start_min, limit_kg } = draft;
  const hasWater = ground.kind !== 'wash';
  const found = useMemo(
    () =>
      weighOutfits(outfitsOf(rigs, runs, setups, typedWeights(weights), bucket_L, pan_L, hasWater), {
        hours: Math.min(24, Math.max(0, (back_min - start_min) / 60 - 2 * walk_h)),
        walk_h: Math.min(24, walk_h),
        people: isHands ? hands : 1,
        carry_kg: Math.max(LEAST_ROOM_KG, limit_kg - tools_kg),
        hasWater,
      }),
    [
      rigs,
      runs,
      setups,
      weights,
      bucket_L,
      pan_L,
      back_min,
      start_min,
      limit_kg,
      walk_h,
      hands,
      isHands,
      tools_kg,
      hasWater,
    ],
  );
  const name = (id: string): string => (id === PANS ? 'pans alone' : (rigs.find((r) => r.id === id)?.name ?? 'a rig'));
  const [first] = found;
  const most = Math.max(1e-9, ...found.map((o) => o.kept_m3.high));
  if (rigs.length === 0 || !first) return null;
  return (
    <Block title="Which outfit" aside="what of the day’s gold it keeps, nine times in ten within the bar">
      <p className="mb-1 font-bold">{says(found, name)}</p>
      <label className="flex min-h-11 items-center gap-2 text-[13px] text-ink-2">
        Hands to carry
        <input
          inputMode="numeric"
          aria-label="Hands to carry"
          className="written w-14 text-right"
          value={people}
          onChange={(e) => setDraft((d) => ({ ...d, people: e.target.value }))}
        />
        {!isHands && <span className="text-danger">▲ 1 to 20.</span>}
      </label>
      <ul>
        {found.map((o) => {
          const rig = rigs.find((r) => r.id === o.id);
          return (
            <li key={o.id} className="border-b border-rule py-1">
              <div className="flex flex-wrap items-center justify-between gap-x-3">
                <b>{name(o.id)}</b>
                {rig && (
                  <label className="flex items-center gap-1 text-[13px] text-ink-2">
                    <input
                      inputMode="decimal"
                      aria-label={`Weight of ${rig.name}, kg`}
                      className="written w-16 text-right"
                      placeholder={String(usualWeight_kg(rig))}
                      value={weights[rig.id] ?? ''}
                      onChange={(e) => setDraft((d) => ({ ...d, weights: { ...d.weights, [rig.id]: e.target.value } }))}
                    />
                    kg
                  </label>
                )}
              </div>
              {o.why === null ? (
                <>
                  <svg viewBox="0 0 200 12" preserveAspectRatio="none" className="block h-3 w-full" aria-hidden="true">
                    <rect
                      x={(198 * o.kept_m3.low) / most}
                      y="2"
                      width={Math.max(1, (198 * (o.kept_m3.high - o.kept_m3.low)) / most)}
                      height="8"
                      fill={o === first ? 'var(--ink)' : 'url(#against)'}
                      stroke="var(--ink)"
                      strokeWidth="0.8"
                    />
                  </svg>
                  <span className="text-[13.5px]">
                    {plural(Math.round((o.gravel_m3.middle * 1000) / bucket_L), 'bucket')},{' '}
                    {show.volume(o.gravel_m3.middle * 1000)}, in {o.work_h.toFixed(1)} h of work
                    {o.trips > 1 && `; ${plural(o.trips, 'load')} each way`}
                  </span>
                </>
              ) : (
                <span className="text-[13.5px] text-ink-2">{WHY[o.why]}</span>
              )}
            </li>
          );
        })}
      </ul>
    </Block>
  );
}

/** Less often the best than this, it is a toss-up. */
const SURE = 0.65;
const upperFirst = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** Which to carry, in a sentence. */
function says([first, second]: readonly WeighedOutfit[], name: (id: string) => string): string {
  if (!first || first.why !== null) return 'Nothing fits into this day: set out earlier, or come back later.';
  if (!second || second.why !== null) return `Carry ${name(first.id)}: it is all that goes there.`;
  if (first.best < SURE) return `${upperFirst(name(first.id))} or ${name(second.id)}: they keep about as much.`;
  const times = (first.kept_m3.middle / Math.max(1e-9, second.kept_m3.middle)).toFixed(1);
  return `Carry ${name(first.id)}: it keeps ${times} times what ${name(second.id)} would, the most of all ${inTen(first.best)}.`;
}

/** Weights that can be read, kg; the others are as usual. */
function typedWeights(weights: Readonly<Record<string, string>>): Record<string, number> {
  const known: Record<string, number> = {};
  for (const [id, text] of Object.entries(weights)) {
    const kg = numberTyped(text);
    if (kg >= 0 && kg <= 500) known[id] = kg;
  }
  return known;
}
