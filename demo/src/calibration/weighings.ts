import {
  addCounts,
  beliefBand_mg_L,
  beliefMean_mg_L,
  fergusonChurch_m_s,
  forecastClean,
  fractionSizes_m,
  freshWater,
  gradeSpots,
  groundColors,
  lossBySize,
  measureBox,
  mixOf,
  normalDraw,
  poissonDraw,
  USUAL_CREW_M3_S,
  type BoxEvidence,
  type BoxSetting,
  type Random,
} from '@riffle/core';
import { sampled } from './grades.ts';
import { Tally } from './tally.ts';
import { drawWorld, factorOf, flakeOf, TOLD_SWELL_PERCENT, type World } from './world.ts';

const WATER = freshWater(10);
/** Flakes a clean-up is put together from, each standing for many. */
const FLAKES = 400;

/**
 * A box as it truly is, by rules that Riffle's own do not share: Manning's n for the water, one law of settling for round grains slowed by flatness, gold that is
 * lifted by the speed and not by the shear, a head that catches better than the tail, a capacity that goes with flow and pitch alone.
 */
interface TrueBox {
  readonly n: number;
  /** Share of the settling grains that stay in quiet water, and the speed that halves it for a grain of half a millimetre. */
  readonly stays: number;
  readonly lifts_m_s: number;
  /** How much oftener a grain stays at the head than at the tail. */
  readonly headBetter: number;
  /** Loose gravel taken over flow and pitch. */
  readonly takes: number;
}
const drawBox = (random: Random): TrueBox => ({
  n: 0.03 * Math.exp(0.12 * normalDraw(random)),
  stays: 0.35 * Math.exp(0.45 * normalDraw(random)),
  lifts_m_s: 1.1 * Math.exp(0.25 * normalDraw(random)),
  headBetter: 0.3 * random(),
  takes: 0.9 * Math.exp(0.4 * normalDraw(random)),
});

/** Water and capacity as they are where the hand set pitch and depth, a little off each. */
function waterOf(box: TrueBox, setting: BoxSetting, random: Random) {
  const { width_m, length_m } = setting.sections[0] as BoxSetting['sections'][number];
  const depth_m = Math.max(
    0.004,
    (setting.water.known === 'depth' ? setting.water.depth_m : 0.02) + 0.0012 * normalDraw(random),
  );
  const slope = Math.max(0.004, setting.slope + (0.003 * normalDraw(random)) / length_m);
  const radius_m = (width_m * depth_m) / (width_m + 2 * depth_m);
  const speed_m_s = (radius_m ** (2 / 3) * Math.sqrt(slope)) / box.n;
  return { depth_m, speed_m_s, capacity_m3_s: box.takes * speed_m_s * depth_m * width_m * slope };
}

/** What was weighed of a clean-up: in each stretch, and in each by sizes; and what truly went over the end of each size, and was fed of it. */
interface Cleaned {
  readonly stretches_mg: readonly number[];
  readonly cells_mg: readonly (readonly number[])[];
  readonly lost_mg: readonly number[];
  readonly fed_mg: readonly number[];
}
/** Screens of a kitchen table, coarsest first, mm. */
const SCREENS_MM = [2, 0.85, 0.425, 0.25];

/** Gold in each stretch after so much was fed, as cut, lifted, screened and weighed by a hand. */
function cleanUp(
  box: TrueBox,
  world: World,
  setting: BoxSetting,
  cuts_m: readonly number[],
  fed_mg: number,
  random: Random,
): Cleaned {
  const { depth_m, speed_m_s } = waterOf(box, setting, random);
  const length_m = cuts_m.at(-1) as number;
  const cut = cuts_m.map((c, i) => (i === 0 || i === cuts_m.length - 1 ? c : c + 0.008 * normalDraw(random)));
  const none = (): number[] => [...SCREENS_MM, 0].map(() => 0);
  const cells = cuts_m.slice(1).map(none);
  const [lost_mg, fedOf_mg] = [none(), none()];
  const add = (to: number[], f: number, mg: number): void => void (to[f] = (to[f] as number) + mg);
  const flakes = Array.from({ length: FLAKES }, () => flakeOf(world.gold, random));
  const all_mg = flakes.reduce((sum, f) => sum + f.mg, 0);
  for (const { size_mm, mg } of flakes) {
    const size_m = size_mm / 1000;
    const round_m = Math.cbrt(mg / 1e6 / 17000 / (Math.PI / 6));
    // A flake is slower than a ball of its weight by the square root of how much broader it is.
    const settles_m_s = fergusonChurch_m_s(round_m, 17000, WATER) * Math.sqrt(round_m / size_m);
    const lifted = (speed_m_s / (box.lifts_m_s * (size_m / 0.0005) ** 0.25)) ** 4;
    const rate = (box.stays * settles_m_s) / (speed_m_s * depth_m) / (1 + lifted);
    // From the head down the rate falls evenly.
    const passedTo = (x: number): number => Math.exp(-rate * x * (1 + box.headBetter * (1 - x / length_m)));
    const many = fed_mg / all_mg;
    // Now and then a flake lies crosswise and stays on the screen above, or is pressed through.
    const seen_mm = size_mm * Math.exp(0.1 * normalDraw(random));
    const through = SCREENS_MM.findIndex((d) => seen_mm > d);
    const f = through < 0 ? SCREENS_MM.length : through;
    add(fedOf_mg, f, mg * many);
    add(lost_mg, f, mg * many * passedTo(length_m));
    cells.forEach((row, i) => {
      const share = passedTo(cut[i] as number) - passedTo(cut[i + 1] as number);
      add(row, f, mg * poissonDraw(many * Math.max(0, share), random));
    });
  }
  const cells_mg = cells.map((row) => row.map((g) => Math.max(0, g * (1 + 0.03 * normalDraw(random)))));
  return { stretches_mg: cells_mg.map((row) => row.reduce((a, b) => a + b, 0)), cells_mg, lost_mg, fed_mg: fedOf_mg };
}

/** What the next clean-up should weigh, of a box nobody measured and of one with two clean-ups and a timed bucket behind it. */
export function calibrateWeighings(boxes: number, random: Random) {
  const unmeasured = new Tally('What each stretch of a box nobody measured should weigh', '85 to 95 % of bands hold');
  const measured = new Tally(
    'What each stretch should weigh after two clean-ups and a timed bucket',
    '85 to 95 % of bands hold',
  );
  const whole = new Tally('What the whole box should weigh, so measured', '85 to 95 % of bands hold');
  const wholeAgain = new Tally(
    'What the whole box should weigh, so measured, of ground that was cleaned up once before',
    '85 to 95 % of bands hold',
  );
  const refused = new Tally('A clean-up that fits no box of its kind', 'seldom said of one that is true');
  const lostOfSize = new Tally('So much of one size went over the end', 'true loss inside in 90 %');
  const lostInAll = new Tally('So much went over the end, of the sizes that tell', 'true loss inside in 90 %');
  for (let i = 0; i < boxes; i++) {
    const world = drawWorld(random);
    const { truth, samples } = sampled(world, 6, () => 2 + Math.floor(5 * random()), random() / 3, random);
    const colors = groundColors(samples, TOLD_SWELL_PERCENT);
    const { grades } = gradeSpots(samples, TOLD_SWELL_PERCENT, colors);
    const spots = truth.flatMap((t) => {
      const grade = grades.get(t.id);
      return grade ? [{ ...t, grade }] : [];
    });
    const box = drawBox(random);
    const length_m = 0.9 + 0.6 * random();
    const cuts_m = [0, 0.2, 0.45 + 0.1 * random(), length_m];
    const first: BoxSetting = {
      sections: [{ lining: 'riffles', width_m: 0.254, length_m, step_m: 0 }],
      slope: 0.035 + 0.025 * random(),
      water: { known: 'depth', depth_m: 0.016 + 0.01 * random() },
      stone_m: 0.0127,
      crossFall_m: 0,
      temperature_C: 10,
      feed_m3_s: null,
      crew_m3_s: USUAL_CREW_M3_S,
      median_m: null,
      gold: mixOf(addCounts(samples.map((s) => s.counts))),
    };
    const paced = (setting: BoxSetting): BoxSetting => ({
      ...setting,
      feed_m3_s: Math.min(USUAL_CREW_M3_S, 0.6 * waterOf(box, setting, random).capacity_m3_s),
    });
    // The next one is of ground fed before, or of another spot. No two days are of quite the same gravel.
    const same = random() < 0.5;
    const fed = (n: number) => {
      const spot = spots[n % spots.length] as (typeof spots)[number];
      const bank_L = 200 + 400 * random();
      return { spot, bank_L, true_mg: spot.grade_mg_L * factorOf(world.panForm, 0.25, random) * bank_L };
    };
    const stretchesOf = (weighed: readonly number[]) =>
      weighed.map((gold_mg, k) => ({ from_m: cuts_m[k] as number, to_m: cuts_m[k + 1] as number, gold_mg }));
    const cleaned = [0, 1].map((n) => {
      const setting = paced(first);
      const { bank_L, true_mg } = fed(n);
      const weighed = cleanUp(box, world, setting, cuts_m, true_mg, random);
      const stretches = stretchesOf(weighed.stretches_mg);
      const gold_mg = stretches.reduce((sum, s) => sum + s.gold_mg, 0);
      return { setting, bank_L, stretches, gold_mg, to_m: length_m, weighed };
    });
    // Every other crew screens its gold before it weighs it.
    const screened = i % 2 === 1;
    const evidence = cleaned.map(({ setting, stretches, weighed }): BoxEvidence => {
      const bySize = fractionSizes_m(SCREENS_MM.map((mm) => mm / 1000)).map((size_m, f) => ({
        size_m,
        gold_mg: weighed.cells_mg.map((row) => row[f] as number),
      }));
      return { kind: 'clean-up', setting, stretches, luck_mg: colors.luckColor_mg, ...(screened && { bySize }) };
    });
    for (const { weighed, stretches } of cleaned) {
      const { sizes, lost_mg } = lossBySize(
        stretches.map((s) => ({ ...s, lining: 'riffles' })),
        SCREENS_MM.map((mm) => mm / 1000),
        weighed.cells_mg,
      );
      let truly_mg = 0;
      for (const { over_m, lost } of sizes) {
        const f = over_m === null ? SCREENS_MM.length : SCREENS_MM.indexOf(Math.round(1e6 * over_m) / 1000);
        const [gone, fedOf] = [weighed.lost_mg[f] as number, weighed.fed_mg[f] as number];
        if (!lost) {
          lostOfSize.silent++;
          continue;
        }
        truly_mg += gone;
        lostOfSize.add(lost.low <= gone / fedOf && gone / fedOf <= lost.high, 0.9);
      }
      if (lost_mg) lostInAll.add(lost_mg.low <= truly_mg && truly_mg <= lost_mg.high, 0.9);
      else lostInAll.silent++;
    }
    evidence.push({
      kind: 'timed bucket',
      setting: first,
      fed_m3_s: waterOf(box, first, random).capacity_m3_s * Math.exp(0.15 * normalDraw(random)),
    });
    // The next one is set as before, or with half a finger more or less of pitch.
    const next = paced({ ...first, slope: first.slope * (random() < 0.5 ? 1 : 0.85 + 0.3 * random()) });
    const { spot, bank_L, true_mg } = fed(same ? 0 : 2);
    const came = cleanUp(box, world, next, cuts_m, true_mg, random).stretches_mg;
    const ground = {
      through: [{ setting: next, bank_L }],
      grade_mg_L: beliefMean_mg_L(spot.grade.pooled),
      band_mg_L: beliefBand_mg_L(spot.grade.pooled),
      earlier: same ? cleaned.slice(0, 1) : [],
    };
    if (!(ground.band_mg_L.high > 0)) {
      measured.silent++;
      continue;
    }
    const stretches = stretchesOf(came);
    const now = measureBox(evidence);
    for (const [tally, of] of [
      [unmeasured, measureBox([])],
      [measured, now],
    ] as const) {
      const said = forecastClean(of.boxes, stretches, [ground], colors.luckColor_mg);
      came.forEach((mg, k) => {
        const band = said.stretches[k] as (typeof said.stretches)[number];
        tally.add(band.low <= mg && mg <= band.high, 0.9, band.high / band.low);
      });
      if (of !== now) continue;
      const all_mg = came.reduce((a, b) => a + b, 0);
      (same ? wholeAgain : whole).add(
        said.all_mg.low <= all_mg && all_mg <= said.all_mg.high,
        0.9,
        said.all_mg.high / said.all_mg.low,
      );
    }
    now.fits.forEach((fits) => refused.add(!fits));
  }
  return { unmeasured, measured, whole, wholeAgain, refused, lostOfSize, lostInAll };
}
