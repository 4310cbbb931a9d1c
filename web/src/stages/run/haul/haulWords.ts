import type { Decides, WashWay, WeighedWays } from '@riffle/core';
import { inTen } from '../../../units/inTen.ts';

const DO: Readonly<Record<WashWay, string>> = {
  washer: 'Wash it dry here',
  'dry pan': 'Pan it dry here',
  haul: 'Carry it to water',
};
const NAMES: Readonly<Record<WashWay, string>> = {
  washer: 'washing it dry',
  'dry pan': 'panning it dry',
  haul: 'hauling it',
};
export const wayName = (way: WashWay): string => NAMES[way];

const DECIDES: Readonly<Record<Decides, string>> = {
  'washer pace': 'how fast the washer takes it',
  'washer loss': 'how much the washer loses',
  'pan pace': 'how fast it is panned',
  'pan loss': 'how much dry hands lose',
  'haul pace': 'how fast it is washed at the water',
  'haul loss': 'how much is lost at the water',
  speed: 'how fast you drive',
  loading: 'how long loading takes',
  hole: 'whether the hole is dry',
};
/** What would tell it. */
const TELLS: Readonly<Record<Decides, string>> = {
  'washer pace': 'time a bucket through it',
  'washer loss': 'run one day’s tailings again and weigh both',
  'pan pace': 'time ten pans',
  'pan loss': 'pan the tailings of ten dry pans wet',
  'haul pace': 'time a bucket there',
  'haul loss': 'pan the tails there',
  speed: 'look at the clock on the next drive',
  loading: 'look at the clock at the next load',
  hole: 'ask, or look, before you load',
};

/** Less sure than this it is a toss-up; surer than that nothing is left to decide. */
const [SURE, CERTAIN] = [0.65, 0.95];
/** A figure without what it is counted in. */
const bare = (text: string): string => text.replace(/[^\d.,]/g, '');

export interface HaulWords {
  readonly says: string;
  readonly rests: string;
}

/** Which way, how sure, and what decides it. @param cost a cost a gram in words @param km a distance in words */
export function haulWords(
  found: WeighedWays,
  cost: (value: number) => string,
  km: (value: number) => string,
): HaulWords {
  const [first, second] = found.ways;
  if (!first || !second) return { says: 'There is one way only.', rests: '' };
  const sure = first.cheapest >= SURE;
  const band = ({ cost_per_g: c }: typeof first): string =>
    `${cost(c.middle)} (${bare(cost(c.low))}–${bare(cost(c.high))})`;
  const says = sure
    ? `${DO[first.way]}: a gram costs ${band(first)}, ${wayName(second.way)} ${band(second)}.`
    : `A toss-up: a gram costs ${band(first)} ${wayName(first.way)}, ${band(second)} ${wayName(second.way)}.`;
  const chance = `The cheaper ${inTen(first.cheapest)}. `;
  const decides =
    found.decides && first.cheapest < CERTAIN
      ? `What decides it is ${DECIDES[found.decides]}${sure ? '' : `: ${TELLS[found.decides]}`}. `
      : '';
  const far =
    found.breakEven_km === null
      ? 'Carried to water it would lose even next door.'
      : `Hauling pays from holes nearer than ${km(found.breakEven_km)}.`;
  return { says, rests: chance + decides + far };
}
