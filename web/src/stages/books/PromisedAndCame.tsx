import type { StoredGround } from '@riffle/contract';
import { ownRecord, whyOff, type OffBy, type OffCause, type WeighedCleanup } from '@riffle/core';
import { useMemo, useState } from 'react';
import { measuredRuns, type LeftOut } from '../../box/measuredRuns.ts';
import { usePreferences } from '../../preferences/preferences.ts';
import { useColors } from '../../reading/useColors.ts';
import { useRecords } from '../../records/useRecords.ts';
import { ForecastBar } from '../../ui/ForecastBar.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { plural } from '../../ui/plural.ts';
import { TextButton } from '../../ui/TextButton.tsx';
import { useShow } from '../../units/useShow.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

interface PromisedAndCameProps {
  readonly ground: StoredGround;
  readonly weighed: readonly WeighedCleanup[];
  readonly nameOf: (spotId: string) => string;
}

/** Shown before more are asked for. */
const LATEST = 6;

const WHY: Readonly<Record<OffCause, string>> = {
  hands: 'likeliest the hands at the pan',
  box: 'likeliest the box',
  ground: 'likeliest the ground',
  luck: 'likeliest that day, or luck',
};

const LEFT_OUT: Readonly<Record<LeftOut, string>> = {
  mix: 'of several spots',
  carpet: 'of a box not rinsed clean, or after one',
  lost: 'with a tub lost',
  tailings: 'of tailings run again',
};

/** What the pans of a spot promised before its gravel was run, what the box then held of it, and what likeliest lay between. */
export function PromisedAndCame({ ground, weighed, nameOf }: PromisedAndCameProps) {
  const show = useShow();
  const local = useLocalTime();
  const [all, setAll] = useState(false);
  const { opened, why, leftOut, boxName } = usePromised(ground, weighed);
  if (!why) return null;
  const whyOf = new Map(why.each.map((e) => [e.id, e]));
  const most = Math.max(...opened.flatMap((o) => [o.high_mg_L, o.came_mg_L]));
  const told = why.causes.filter((c) => c.isTold);
  return (
    <Block
      title="Promised and came"
      aside="bar: what its pans promised, nine times in ten; disc: what the box held of it"
    >
      <p className="mb-2 border-l-4 border-ink pl-3">
        <b>
          {why.ratio < 1 ? 'The box held' : 'What came was'} {share(why.ratio)} what the pans promised, over{' '}
          {plural(opened.length, 'clean-up')}.
        </b>{' '}
        {told.length === 0 ? (
          <span className="text-ink-2">Whether that is hands, box, ground or luck cannot be told yet.</span>
        ) : (
          told.map((cause) => (
            <Cause key={`${cause.cause}-${cause.key}`} cause={cause} boxName={boxName} nameOf={nameOf} />
          ))
        )}
      </p>
      <ul>
        {opened.slice(0, all ? undefined : LATEST).map((o) => (
          <li
            key={o.cleanupId}
            className="grid grid-cols-[4rem_minmax(0,1fr)] items-center gap-x-3 border-b border-rule py-1 sm:grid-cols-[4rem_10rem_minmax(0,1fr)_16rem]"
          >
            <span className="text-ink-2">{local.day(o.startedAt)}</span>
            <b className="truncate">{nameOf(o.spotId)}</b>
            <div className="max-sm:col-span-2">
              <ForecastBar
                low={o.low_mg_L}
                said={o.said_mg_L}
                high={o.high_mg_L}
                came={o.came_mg_L}
                most={most}
                label={`promised ${show.grade(o.low_mg_L)} to ${show.grade(o.high_mg_L)}, came ${show.grade(o.came_mg_L)}`}
              />
            </div>
            <span className="text-[14px] max-sm:col-span-2">
              {share(o.came_mg_L / o.said_mg_L)} what was promised
              {whyOf.get(o.cleanupId)?.why && `: ${WHY[whyOf.get(o.cleanupId)?.why ?? 'luck']}`}
            </span>
          </li>
        ))}
      </ul>
      {leftOut.size > 0 && (
        <p className="pt-1 text-[14px] text-ink-2">
          Left out: {[...leftOut].map(([why, count]) => `${plural(count, 'clean-up')} ${LEFT_OUT[why]}`).join('; ')}.
        </p>
      )}
      {opened.length > LATEST && !all && <TextButton onClick={() => setAll(true)}>all {opened.length}</TextButton>}
    </Block>
  );
}

const percent = (ratio: number): string => `${Math.round(100 * ratio)} %`;
const times = (ratio: number): string => (ratio < 10 ? ratio.toFixed(1) : String(Math.round(ratio)));
/** A ratio as one says it: "70 % of", "2.6 times". */
const share = (ratio: number): string => (ratio < 1.5 ? `${percent(ratio)} of` : `${times(ratio)} times`);

interface CauseProps {
  readonly cause: OffBy;
  readonly boxName: (rigId: string) => string;
  readonly nameOf: (spotId: string) => string;
}

/** A cause that is told, with its band. */
function Cause({ cause: { cause, key, factor }, boxName, nameOf }: CauseProps) {
  const { low, middle, high } = factor;
  const band =
    middle < 1.5
      ? `${percent(middle)} (${percent(low)} to ${percent(high)}) of`
      : `${times(middle)} times (${times(low)} to ${times(high)})`;
  if (cause === 'box')
    return (
      <>
        <b>{boxName(key)}</b> held {band} what a box usually holds.{' '}
      </>
    );
  if (cause === 'ground')
    return (
      <>
        <b>{nameOf(key)}</b> gave {band} what its pans said.{' '}
      </>
    );
  return (
    <>
      The pans found too {middle > 1 ? 'little' : 'much'}: everywhere the ground gave {band} what they said.{' '}
    </>
  );
}

/** The clean-ups of one spot each, with what their pans promised beforehand, and why they were off. */
function usePromised(ground: StoredGround, weighed: readonly WeighedCleanup[]) {
  const { colorSchool } = usePreferences().preferences;
  const samples = useRecords('samples', ground.id).items;
  const pits = useRecords('pits', ground.id).items;
  const runs = useRecords('runs', ground.id).items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const rigs = useRecords('rigs').items;
  const { luckColor_mg } = useColors(ground, samples);
  const { swell_percent } = ground;
  const lifts = useRecords('lifts', ground.id).items;
  const { runs: measured, leftOut } = useMemo(
    () => measuredRuns({ cleanups, lifts, runs, setups, weighed }, swell_percent),
    [cleanups, lifts, runs, setups, weighed, swell_percent],
  );
  const opened = useMemo(
    () => ownRecord(measured, samples, swell_percent, pits, colorSchool),
    [measured, samples, swell_percent, pits, colorSchool],
  );
  const why = useMemo(() => {
    const rigOf = (cleanupId: string): string => {
      const runId = cleanups.find((c) => c.id === cleanupId)?.runIds[0];
      const setupId = runs.find((r) => r.id === runId)?.setupId;
      return setups.find((s) => s.id === setupId)?.rigId ?? '';
    };
    return whyOff(
      opened.map((o) => ({
        ...o,
        id: o.cleanupId,
        rigId: rigOf(o.cleanupId),
        pieces: (measured.find((m) => m.cleanupId === o.cleanupId)?.gold_mg ?? 0) / luckColor_mg,
      })),
    );
  }, [opened, measured, cleanups, runs, setups, luckColor_mg]);
  return {
    opened,
    why,
    leftOut,
    boxName: (id: string): string => rigs.find((r) => r.id === id)?.name ?? 'a box put away',
  };
}
