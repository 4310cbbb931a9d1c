import { seededRandom } from '@riffle/core';
import { calibrateBoxes } from './boxes.ts';
import { calibrateCrews } from './crews.ts';
import { calibrateFaults } from './faults.ts';
import { calibrateFinishing } from './finishing.ts';
import { calibrateGrades } from './grades.ts';
import { calibrateHoles } from './holes.ts';
import { calibrateInPlace } from './inPlace.ts';
import { calibrateMorePans } from './morePans.ts';
import { calibrateMouths, calibrateNextPan, calibratePlaces } from './places.ts';
import { calibrateRecord } from './record.ts';
import type { Reliability } from './tally.ts';
import { Tally } from './tally.ts';
import { calibrateTrail } from './trail.ts';
import { calibrateStorms } from './storms.ts';
import { calibrateTrials } from './trials.ts';
import { calibrateWashers } from './washers.ts';
import { calibrateWeighings } from './weighings.ts';
import { FORMS } from './world.ts';

/** One judgement, said against true. */
export interface Calibrated {
  readonly says: string;
  readonly heldTo: string;
  /** In words: how often it was true. */
  readonly truth: string;
  readonly holds: boolean;
  /** A band that holds more often than it says: wider than it must be. */
  readonly wide?: boolean;
  /** What came, and within which ends it is held, shares of 1: of bands that hold, of points off, of false alarms. */
  readonly came: number;
  readonly claim: readonly [least: number, most: number];
  readonly group: 'bands' | 'chances' | 'alarms' | 'found';
  readonly times: number;
  readonly silent: number;
  /** How it moves with the form of the truth, where that was looked at. */
  readonly byForm?: string;
  /** Chances said against how often they came true, where a judgement says chances. */
  readonly bins?: readonly { readonly said: number; readonly came: number; readonly times: number }[];
}

const percent = (x: number): string => `${Math.round(100 * x)} %`;

/** Every judgement against its truths. @param share of the full number of repeats */
export function calibrate(share: number, tell: (what: string) => void = () => undefined): Calibrated[] {
  const many = (n: number): number => Math.max(20, Math.round(n * share));
  const found: Calibrated[] = [];
  const band = (t: Tally, least: number, most: number, byForm?: string, group: Calibrated['group'] = 'bands'): void => {
    found.push({
      says: t.name,
      heldTo: t.heldTo,
      truth: `${percent(t.share)}${t.width === null ? '' : `; the band's ends are ${t.width.toFixed(1)} times apart`}`,
      // A band that holds more often than it says is safe, if wide.
      holds: t.share >= least && (group === 'bands' || t.share <= most),
      wide: group === 'bands' && t.share > most + 0.005,
      came: t.share,
      claim: [least, most],
      group,
      times: t.times,
      silent: t.silent,
      ...(byForm !== undefined && { byForm }),
    });
  };
  const asSaid = (t: Tally, points: number, byForm?: string): void => {
    const said = t.said / t.times;
    found.push({
      says: t.name,
      heldTo: t.heldTo,
      truth: `${percent(t.share)} where ${percent(said)} was said`,
      holds: Math.abs(t.share - said) <= points,
      came: Math.abs(t.share - said),
      claim: [0, points],
      group: 'chances',
      times: t.times,
      silent: t.silent,
      ...(byForm !== undefined && { byForm }),
    });
  };
  const binsOf = (r: Reliability) =>
    r.bins.filter((b) => b.times > 0).map((b) => ({ said: b.said / b.times, came: b.held / b.times, times: b.times }));
  const inWords = (bins: ReturnType<typeof binsOf>): string =>
    bins.map((b) => `${percent(b.said)} said, ${percent(b.came)} came`).join('; ');
  const reliable = (r: Reliability, points: number, byForm?: string): void => {
    const bins = binsOf(r);
    const worst = r.worst(Math.max(20, 40 * share));
    found.push({
      says: r.name,
      heldTo: r.heldTo,
      truth: inWords(bins),
      holds: worst <= points,
      came: worst,
      claim: [0, points],
      group: 'chances',
      times: r.bins.reduce((sum, b) => sum + b.times, 0),
      silent: 0,
      bins,
      ...(byForm !== undefined && { byForm }),
    });
  };

  tell('Weights, grades, the best place, the chance to pay');
  const grades = calibrateGrades(many(1600), seededRandom(1969));
  const byForm = FORMS.map((spotForm) => {
    const g = calibrateGrades(many(400), seededRandom(1997), { spotForm });
    return {
      form: spotForm,
      best: percent(g.best.share),
      weighed: percent(g.bands.weighed.share),
      pooled: percent(g.pooled.share),
    };
  });
  const inForms = (of: (g: (typeof byForm)[number]) => string): string =>
    byForm.map((g) => `${g.form} ${of(g)}`).join(', ');
  band(grades.weights, 0.85, 0.95);
  band(grades.bands.counted, 0.85, 0.95);
  band(grades.bands.countedOne, 0.85, 0.95);
  band(
    grades.bands.weighed,
    0.85,
    0.95,
    inForms((g) => g.weighed),
  );
  band(grades.bands.allWeighed, 0.85, 0.95);
  band(grades.blanks, 0.93, 1);
  band(
    grades.pooled,
    0.85,
    0.95,
    inForms((g) => g.pooled),
  );
  band(
    grades.best,
    0.85,
    0.95,
    inForms((g) => g.best),
  );
  reliable(grades.ofBest, 0.1);
  reliable(grades.pairs, 0.1);
  reliable(grades.pays, 0.1);
  tell('An hour on a hole');
  const holes = calibrateHoles(many(400), seededRandom(1967));
  band(holes.brings, 0.85, 0.95);
  found.push({
    says: 'Digging as the hole says, beside digging and washing all of it, and beside what is best when all is known',
    heldTo: 'more gold an hour than all of it',
    truth: `${holes.overBottom.toFixed(2)} and ${holes.ofIdeal.toFixed(2)} times the gold an hour`,
    holds: holes.overBottom > 1,
    came: holes.overBottom,
    claim: [1, 10],
    group: 'found',
    times: holes.brings.times,
    silent: holes.brings.silent,
  });
  tell('More pans');
  const more = FORMS.map((spotForm) => ({
    spotForm,
    ...calibrateMorePans(many(220), seededRandom(1961), { spotForm }),
  }));
  const sum = (tallies: readonly Tally[]): Tally => {
    const all = new Tally(tallies[0]?.name ?? '', tallies[0]?.heldTo ?? '');
    for (const t of tallies) {
      all.times += t.times;
      all.held += t.held;
      all.said += t.said;
      all.silent += t.silent;
    }
    return all;
  };
  asSaid(sum(more.map((m) => m.call)), 0.1, more.map((m) => `${m.spotForm} ${percent(m.call.share)}`).join(', '));
  asSaid(sum(more.map((m) => m.within)), 0.1, more.map((m) => `${m.spotForm} ${percent(m.within.share)}`).join(', '));
  tell('The trail and its mouths');
  const trail = calibrateTrail(many(800), seededRandom(1975));
  band(
    sum([trail.falsely, trail.fading]),
    0,
    0.15,
    `even, rising or richest in the middle ${percent(trail.falsely.share)}, fading ${percent(trail.fading.share)}`,
    'alarms',
  );
  band(trail.found, 0.7, 1, undefined, 'found');
  asSaid(trail.certainty, 0.1);
  const mouths = calibrateMouths(many(1200), seededRandom(1922));
  band(mouths.falsely, 0, 0.1, undefined, 'alarms');
  band(mouths.found, 0.4, 1, undefined, 'found');
  band(mouths.holds, 0.85, 0.95);
  tell('Where a pan pays');
  const places = calibratePlaces(many(400), seededRandom(1947));
  for (const r of [places.all, places.untried, places.panned]) reliable(r, 0.1);
  found.push({
    says: 'The first five places of the ranking, beside the five with the best pans of their own and five by chance',
    heldTo: 'more gold than by own grade',
    truth: `${(places.gold.ranked / places.gold.byGrade).toFixed(2)} and ${(places.gold.ranked / places.gold.byChance).toFixed(2)} times the gold`,
    holds: places.gold.ranked > places.gold.byGrade,
    came: places.gold.ranked / places.gold.byGrade,
    claim: [1, 10],
    group: 'found',
    times: many(400),
    silent: 0,
  });
  tell('The next pan');
  const next = calibrateNextPan(many(250), seededRandom(1961));
  reliable(next.changes, 0.1);
  found.push({
    says: 'What is dug after four such pans, beside before, and beside four pans taken anywhere',
    heldTo: 'more gold than after pans anywhere',
    truth: `${percent(next.gain)} more gold; pans anywhere ${percent(next.gainAnywhere)}`,
    holds: next.gain > next.gainAnywhere,
    came: next.gain,
    claim: [next.gainAnywhere, 10],
    group: 'found',
    times: many(250),
    silent: next.silent,
  });
  tell('The crew’s own record');
  band(calibrateRecord(many(400), seededRandom(1981)).best, 0.85, 0.95);
  tell('Gold in place');
  const ground = calibrateInPlace(many(360), seededRandom(1963));
  for (const t of ground.all) band(t, 0.85, 0.95);
  for (const t of ground.part) band(t, 0.85, 0.95);
  // Nobody knows the mean of a ground; where what pays happens to be just that, no map can say much.
  reliable(ground.pays, 0.1, `where what pays is the very mean of each ground: ${inWords(binsOf(ground.atMean))}`);
  tell('Over the end of the box');
  const boxes = calibrateBoxes(many(2000), seededRandom(1956));
  band(boxes.bound, 0.9, 1);
  band(boxes.said, 0.5, 1, undefined, 'found');
  tell('What a clean-up should weigh');
  const weighings = calibrateWeighings(many(200), seededRandom(1953));
  band(weighings.unmeasured, 0.85, 0.95);
  band(weighings.measured, 0.85, 0.95);
  band(weighings.whole, 0.85, 0.95);
  band(weighings.wholeAgain, 0.85, 0.95);
  band(weighings.refused, 0, 0.1, undefined, 'alarms');
  band(weighings.lostOfSize, 0.85, 0.95);
  band(weighings.lostInAll, 0.85, 0.95);
  tell('A crew at work');
  const crews = calibrateCrews(many(400), seededRandom(1967));
  band(crews.pace, 0.85, 0.95);
  band(crews.heldUp, 0.75, 1);
  band(crews.oneMore, 0.85, 0.95);

  tell('Dry washers');
  const dry = calibrateWashers(many(300), seededRandom(1904));
  for (const t of [dry.one, dry.measured, dry.three, dry.meets]) band(t, 0.85, 0.95);

  tell('The finishing table');
  const table = calibrateFinishing(many(300), seededRandom(1936));
  for (const t of [table.minutes, table.kept, table.again, table.dragged]) band(t, 0.85, 0.95);
  tell('Storms on a beach, and its hours');
  const storms = calibrateStorms(many(2000), seededRandom(1962));
  band(storms.reach, 0.85, 0.95);
  reliable(storms.toToe, 0.1);
  band(storms.dry, 0.95, 1);
  tell('Two compared by coin');
  const trials = calibrateTrials(many(400), seededRandom(1939));
  band(trials.alike, 0, 0.1, undefined, 'alarms');
  band(trials.better, 0.7, 1, undefined, 'found');
  band(trials.rightly, 0.95, 1);
  tell('What is seen at a box set wrong');
  const faults = calibrateFaults(many(500), seededRandom(1933));
  band(faults.first, 0.7, 1, undefined, 'found');
  band(faults.two, 0.9, 1, undefined, 'found');
  return found;
}
