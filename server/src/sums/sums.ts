import {
  chanceItPays,
  detectionLimit,
  EYES,
  inverseDistance,
  keepBook,
  PAN_FINISHES,
  PAN_LIGHTS,
  polygonOfInfluence,
  adviseBox,
  bankVolume_L,
  betweenPanScatter,
  binomialLimits,
  chanceRicher,
  chancesOfBest,
  characteristicSize_mm,
  DEPTH_STEP_M,
  empiricalVariogram,
  fitVariogram,
  gradeBelief,
  handsRecovery,
  layOut,
  learnColorWeights,
  MATERIAL_NAMES,
  ordinaryKriging,
  pansToCall,
  payStreak,
  pitSum,
  sizeCurve,
  USUAL_NEIGHBORS,
  VARIOGRAM_MODELS,
  carryingTrips,
  changePoint,
  COLOR_MG,
  CONSTITUENT_NAMES,
  convert,
  daylight,
  describePitch,
  drawdown,
  equivalentDiameter_m,
  finishPlan,
  flakeDisc,
  floodPeaks,
  flakeSettling_m_s,
  flowAtDepth,
  flowAtRate,
  flowByBucket_m3_s,
  flowByFloat_m3_s,
  freshWater,
  fromGreenwich,
  goldSizes,
  GRADE_UNITS,
  grainSettling_m_s,
  hinderedSettling_m_s,
  hoursBelow,
  largestStone_m,
  LINING_IDS,
  LIGHTS_OF_DAY,
  LININGS,
  mixBelow,
  movingShear,
  mustCarry,
  permissionOn,
  parseQuantity,
  pitchSlope,
  planDay,
  poissonLimits,
  sampleGrade,
  sectionSplit,
  SIGN_KIND_NAMES,
  sieveAperture_mm,
  solveBox,
  sourceAbove,
  sternberg,
  tallyRun,
  thinLevels,
  tideTurns,
  traceColors,
  UNITS,
  volumeForParticles,
  walkingMinutes,
  worthAPan,
  type GradeUnit,
  type UnitKind,
} from '@riffle/core';
import { z } from 'zod';

/** One calculation of the core as a call: what it takes, what it is, how it is worked out. Answers are the core's own. */
export interface Sum {
  readonly name: string;
  readonly summary: string;
  readonly input: z.ZodType;
  readonly compute: (input: never) => unknown;
}

const sum = <T extends z.ZodType>(
  name: string,
  summary: string,
  input: T,
  compute: (input: z.infer<T>) => unknown,
): Sum => ({ name, summary, input, compute });
const n = z.number();
const temperature_C = n.min(0).max(40).default(10);
const lining = z.enum(LINING_IDS as [(typeof LINING_IDS)[number], ...(typeof LINING_IDS)[number][]]);
const counts = z.object({
  '+10': z.int().min(0).default(0),
  '10-20': z.int().min(0).default(0),
  '20-40': z.int().min(0).default(0),
  '-40': z.int().min(0).default(0),
});
const across = z.object({ distance_m: n, across_m: n });
const planePoints = z.array(z.object({ x_m: n, y_m: n, value: n })).max(3000);
const channel = { width_m: n, manningN: n, slope: n };
const boxSetting = z.object({
  width_m: n,
  length_m: n,
  lining,
  slope: n,
  stone_m: n,
  temperature_C,
  water: z.discriminatedUnion('known', [
    z.object({ known: z.literal('depth'), depth_m: n }),
    z.object({ known: z.literal('flow'), flow_m3_s: n }),
  ]),
});
const kind = z.enum(Object.keys(UNITS) as [UnitKind, ...UnitKind[]]);
const gradeUnit = z.enum(Object.keys(GRADE_UNITS) as [GradeUnit, ...GradeUnit[]]);

const tally = z.object({ buckets: n, volumeLoose_L: n, bySpot_L: z.record(z.string().max(60), n), running_s: n });

/** Every calculation offered under /api/v1/sums. Sources are in docs/computed.md. */
export const SUMS: readonly Sum[] = [
  sum(
    'convert',
    'A value from one unit to another of its kind, exactly.',
    z.object({ kind, value: n, from: z.string(), to: z.string() }),
    (i) => ({ value: convert(i.kind, i.value, i.from, i.to), unit: i.to }),
  ),
  sum(
    'grade-convert',
    'A grade from one unit to another.',
    z.object({ value: n, from: gradeUnit, to: gradeUnit }),
    (i) => ({ value: (i.value / GRADE_UNITS[i.from]) * GRADE_UNITS[i.to], unit: i.to }),
  ),
  sum(
    'parse',
    'Reads what a person typed, such as "2/3 bucket" or "1 1/2 in".',
    z.object({ kind: z.union([kind, z.literal('pitch')]), text: z.string().max(60), defaultUnit: z.string() }),
    (i) => parseQuantity(i.kind, i.text, i.defaultUnit),
  ),
  sum(
    'pitch',
    'A pitch said every way, with the total drop over the box.',
    z.object({ kind: z.enum(['in/ft', '%', '°', 'drop_m', 'slope']), value: n, boxLength_m: n }),
    (i) => describePitch(pitchSlope(i.kind, i.value, i.boxLength_m), i.boxLength_m),
  ),
  sum('sieve', 'Aperture of a US sieve (ASTM E11).', z.object({ designation: z.string() }), (i) => ({
    aperture_mm: sieveAperture_mm(i.designation),
  })),
  sum(
    'bank-volume',
    'Volume in the bank of a loose volume.',
    z.object({ loose_L: n, swell_percent: n.min(0).max(80) }),
    (i) => ({ bank_L: bankVolume_L(i.loose_L, i.swell_percent) }),
  ),
  sum('water', 'Density and viscosity of fresh water.', z.object({ temperature_C }), (i) =>
    freshWater(i.temperature_C),
  ),
  sum(
    'flake-settling',
    'Settling velocity of a gold flake as the range of two published laws.',
    z.object({ size_m: n, csf: n.default(0.3), temperature_C }),
    (i) => ({
      ...flakeSettling_m_s(i.size_m, i.csf, freshWater(i.temperature_C)),
      mass_mg: flakeDisc(i.size_m, i.csf).mass_mg,
    }),
  ),
  sum(
    'grain-settling',
    'Settling velocity of a compact grain.',
    z.object({
      size_m: n,
      mineral: z.enum([
        'quartz',
        'garnet',
        'ilmenite',
        'magnetite',
        'hematite',
        'cassiterite',
        'placerGold',
        'fineGold',
      ]),
      temperature_C,
    }),
    (i) => ({ settling_m_s: grainSettling_m_s(i.size_m, i.mineral, freshWater(i.temperature_C)) }),
  ),
  sum(
    'hindered-settling',
    'Settling velocity in a crowd of grains.',
    z.object({ alone_m_s: n, diameter_m: n, concentration: n, temperature_C }),
    (i) => ({
      settling_m_s: hinderedSettling_m_s(
        i.alone_m_s,
        i.diameter_m,
        i.concentration,
        freshWater(i.temperature_C).kinematicViscosity_m2_s,
      ),
    }),
  ),
  sum(
    'equivalent-quartz',
    'Size of the quartz grain that settles at a velocity.',
    z.object({ settling_m_s: n, temperature_C }),
    (i) => ({ diameter_m: equivalentDiameter_m(i.settling_m_s, 2650, freshWater(i.temperature_C)) }),
  ),
  sum(
    'count-limits',
    'Exact limits on the mean of a count.',
    z.object({ count: z.int(), confidence: n.default(0.9) }),
    (i) => poissonLimits(i.count, i.confidence),
  ),
  sum(
    'sample-grade',
    'Grade of a sample with its band, from color counts or weighed gold.',
    z.object({
      volumeBank_L: n,
      counts,
      gold_mg: n.positive().optional(),
      confidence: n.default(0.9),
      blankColor_mg: n.positive().default(COLOR_MG['20-40']),
      oneMoreColor_mg: n.positive().default(COLOR_MG['10-20']),
    }),
    ({ volumeBank_L, counts: c, gold_mg, ...options }) => sampleGrade({ volumeBank_L, counts: c, gold_mg }, options),
  ),
  sum(
    'binomial-limits',
    'Exact limits on a share (Clopper and Pearson).',
    z.object({ found: z.int(), tried: z.int(), confidence: n.default(0.9) }),
    (i) => binomialLimits(i.found, i.tried, i.confidence),
  ),
  sum(
    'richer',
    'Chance that each of several spots is the richest, and that the first beats the second; pans more to call it.',
    z.object({
      meanColor_mg: n,
      scatter_cv: n.min(0).default(0),
      pan_L: n.default(4),
      spots: z
        .array(
          z
            .array(z.object({ volumeBank_L: n, counts, gold_mg: n.positive().optional() }))
            .min(1)
            .max(100),
        )
        .min(2)
        .max(20),
    }),
    (i) => {
      const beliefs = i.spots.map((pans) => ({
        belief: gradeBelief(pans, { meanColor_mg: i.meanColor_mg, scatter_cv: i.scatter_cv }),
        volumeBank_L: pans.reduce((total, p) => total + p.volumeBank_L, 0),
      }));
      const [a, b] = beliefs as [(typeof beliefs)[number], (typeof beliefs)[number]];
      return {
        best: chancesOfBest(beliefs.map((x) => x.belief)),
        firstBeatsSecond: chanceRicher(a.belief, b.belief),
        pansToCall: pansToCall(a, b, i.pan_L),
      };
    },
  ),
  sum(
    'scatter',
    'How much pans of one spot differ beyond the luck of the count; null with fewer than six pans.',
    z.object({ spots: z.array(z.array(z.object({ colors: z.int(), volumeBank_L: n })).max(100)).max(500) }),
    (i) => betweenPanScatter(i.spots),
  ),
  sum(
    'color-weights',
    'Mean weights of colors by class, the table moved by weighed counts.',
    z.object({ weighed: z.array(z.object({ counts, gold_mg: n.positive() })).max(2000) }),
    (i) => learnColorWeights(i.weighed),
  ),
  sum(
    'hands',
    'What a panner keeps, from practice pans with known grains.',
    z.object({ seedings: z.array(z.object({ putIn: z.int().min(1), cameBack: z.int().min(0) })).max(1000) }),
    (i) => handsRecovery(i.seedings),
  ),
  sum(
    'size-curve',
    'Percent passing each screen of a stack, the closure of the split, and D10 to D90 (mm).',
    z.object({
      screens: z.array(z.object({ aperture_mm: n, kept: n })).max(30),
      through: n,
      wentIn: n.nullable().default(null),
    }),
    (i) => {
      const curve = sizeCurve(i.screens, i.through, i.wentIn);
      return {
        ...curve,
        sizes_mm: Object.fromEntries(
          [10, 30, 50, 60, 80, 90].map((p) => [`D${p}`, characteristicSize_mm(curve.points, p)]),
        ),
      };
    },
  ),
  sum(
    'pit',
    'Volumes and weights of a pit’s layers, its pay and stripping ratio.',
    z.object({
      length_m: n,
      width_m: n,
      batter: n.default(0),
      layers: z
        .array(z.object({ thickness_m: n, material: z.enum(MATERIAL_NAMES), pay: z.boolean().default(false) }))
        .max(50),
    }),
    ({ layers, ...shape }) => pitSum(shape, layers),
  ),
  sum(
    'lay-out',
    'Points and bags of a plan of samples on a grid: along and across (left positive), a bag for each step down.',
    z.object({ from: across, to: across, spacing_m: n, rowSpacing_m: n, depth_m: n, step_m: n.default(DEPTH_STEP_M) }),
    (i) => layOut({ kind: 'grid', ...i }),
  ),
  sum(
    'pay-streak',
    'Stretches of a traverse that reach a cut-off.',
    z.object({ points: z.array(z.object({ at_m: n, grade_mg_L: n })).max(500), cutoff_mg_L: n }),
    (i) => payStreak(i.points, i.cutoff_mg_L),
  ),
  sum(
    'detection-limit',
    'Smallest color counted in a pan, by pan, light and eyes, and what one weighs.',
    z.object({ pan: z.enum(PAN_FINISHES), light: z.enum(PAN_LIGHTS), eyes: z.enum(EYES) }),
    detectionLimit,
  ),
  sum(
    'chance-it-pays',
    'Chance that a pan reaches a cut-off where the kriged grade and its deviation are known (lognormal).',
    z.object({ grade_mg_L: n, sd_mg_L: n, cutoff_mg_L: n }),
    (i) => ({ chance: chanceItPays(i.grade_mg_L, i.sd_mg_L, i.cutoff_mg_L) }),
  ),
  sum(
    'inverse-distance',
    'Value at places by the inverse of the distance to the points about them; no error comes with it.',
    z.object({ points: planePoints, at: z.array(z.object({ x_m: n, y_m: n })).max(2000) }),
    (i) => i.at.map(({ x_m, y_m }) => inverseDistance(i.points)(x_m, y_m)),
  ),
  sum(
    'nearest-sample',
    'Value at places by the nearest point (polygons of influence); no error comes with it.',
    z.object({ points: planePoints, at: z.array(z.object({ x_m: n, y_m: n })).max(2000) }),
    (i) => i.at.map(({ x_m, y_m }) => polygonOfInfluence(i.points)(x_m, y_m)),
  ),
  sum(
    'book',
    'What clean-ups came to: by source (a spot, or the mix of several), by day, in all; what runs left un-weighed.',
    z.object({
      swell_percent: n.min(0).max(80),
      cleanups: z
        .array(z.object({ day: z.iso.date(), gold_mg: n, boxWasClean: z.boolean(), tallies: z.array(tally).max(500) }))
        .max(2000),
      unweighed: z.array(tally).max(500).default([]),
    }),
    (i) => {
      const { lines, total, days, unweighed } = keepBook('', i.swell_percent, i.cleanups, i.unweighed);
      return { lines, total, days, unweighed };
    },
  ),
  sum(
    'variogram',
    'Empirical variogram of values in the plane, and the model fitted to it.',
    z.object({ points: planePoints, cutoff_m: n, width_m: n, model: z.enum(VARIOGRAM_MODELS).default('spherical') }),
    (i) => {
      const bins = empiricalVariogram(i.points, i.cutoff_m, i.width_m);
      return { bins, fit: bins.length >= 3 ? fitVariogram(bins, i.model) : null };
    },
  ),
  sum(
    'kriging',
    'Ordinary kriging of values at places: estimate and variance.',
    z.object({
      points: planePoints,
      variogram: z.object({ model: z.enum(VARIOGRAM_MODELS), nugget: n, partialSill: n, range_m: n }),
      neighbors: z.int().positive().max(200).default(USUAL_NEIGHBORS),
      at: z.array(z.object({ x_m: n, y_m: n })).max(2000),
    }),
    (i) => {
      const krige = ordinaryKriging(i.points, i.variogram, i.neighbors);
      return i.at.map((p) => {
        const { value, variance } = krige(p.x_m, p.y_m);
        return { value, variance };
      });
    },
  ),
  sum(
    'volume-for-particles',
    'How much to take for a number of colors (twenty by rule).',
    z.object({ grade_mg_L: n, color_mg: n, particles: n.default(20) }),
    (i) => volumeForParticles(i.grade_mg_L, i.color_mg, i.particles),
  ),
  sum(
    'worth-a-pan',
    'Ranks places by the chance that a pan there pays, each with its reasons in log odds.',
    z.object({
      pays_mg_L: n,
      reach_m: n,
      priors: z.record(z.string(), z.object({ paid: n, tried: n })).default({}),
      trail: z
        .object({ from_m: n, to_m: n, certainty: n.min(0).max(1) })
        .nullable()
        .default(null),
      float: z.object({ largest_m: n }).nullable().default(null),
      places: z
        .array(
          z.object({
            id: z.string(),
            distance_m: n,
            bank: z.enum(['left', 'right', 'mid']),
            kinds: z
              .array(
                z.enum(SIGN_KIND_NAMES as [(typeof SIGN_KIND_NAMES)[number], ...(typeof SIGN_KIND_NAMES)[number][]]),
              )
              .default([]),
            traits: z.record(z.string(), z.string()).default({}),
            cover_m: n.default(0),
            panned: z
              .object({
                volumeBank_L: n.positive(),
                colors: z.int().min(0),
                color_mg: n.positive(),
                gold_mg: n.min(0),
                floodSince: z.boolean().default(false),
              })
              .nullable()
              .default(null),
            own: z
              .object({ logOdds: n, note: z.string().default('') })
              .nullable()
              .default(null),
          }),
        )
        .max(5000),
    }),
    ({ places, ...rules }) => worthAPan(places, rules),
  ),
  sum(
    'trace',
    'Where colors stop up a creek: the best break, its certainty, the last pay and the first blank.',
    z.object({
      points: z.array(z.object({ id: z.string(), distance_m: n, colors: z.int(), volumeBank_L: n })).max(2000),
    }),
    (i) => traceColors(i.points),
  ),
  sum(
    'gauge',
    'A gauge’s levels thinned to their turns, and its floods above a mark.',
    z.object({
      levels: z.array(z.object({ at_ms: n, level_m: n })).max(20_000),
      tolerance_m: n.default(0.02),
      floodAbove_m: n,
    }),
    (i) => ({ levels: thinLevels(i.levels, i.tolerance_m), floods: floodPeaks(i.levels, i.floodAbove_m) }),
  ),
  sum(
    'permission',
    'What is closed on a day and why, and what ends soon, by dates written down. Never a legal opinion.',
    z.object({
      today: z.iso.date(),
      notes: z
        .array(
          z.object({
            id: z.string(),
            name: z.string(),
            kind: z.enum(['claim', 'permit', 'closed season']),
            from: z.iso.date().nullable(),
            to: z.iso.date().nullable(),
            everyYear: z.boolean().default(false),
          }),
        )
        .max(500),
    }),
    (i) => permissionOn(i.notes, i.today),
  ),
  sum(
    'change-point',
    'The split of a series into two stretches of least squared deviation.',
    z.object({ values: z.array(n).max(5000) }),
    (i) => changePoint(i.values),
  ),
  sum(
    'mixing',
    'What two streams carry together.',
    z.object({ main: z.object({ flow: n, concentration: n }), side: z.object({ flow: n, concentration: n }) }),
    (i) => mixBelow(i.main, i.side),
  ),
  sum(
    'must-carry',
    'What a side stream must carry for the main one to be what it is below the mouth.',
    z.object({ main: z.object({ flow: n, concentration: n }), sideFlow: n, concentrationBelow: n }),
    (i) => ({ concentration: mustCarry(i.main, i.sideFlow, i.concentrationBelow) }),
  ),
  sum(
    'float-size',
    'How float shrinks away from its source (Sternberg), with the band of its rate.',
    z.object({ points: z.array(z.object({ downstream_m: n, size_mm: n })).max(500) }),
    (i) => sternberg(i.points),
  ),
  sum(
    'walking',
    'Minutes along a line with its heights, off the path (Tobler).',
    z.object({ length_m: n, heights_m: z.array(n).min(2).max(20_000).nullable().default(null), from_m: n, to_m: n }),
    ({ length_m, heights_m, from_m, to_m }) => ({
      minutes: walkingMinutes(
        {
          length_m,
          height_m:
            heights_m &&
            ((d) => {
              const at = (d / length_m) * (heights_m.length - 1);
              const i = Math.min(heights_m.length - 2, Math.floor(at));
              return (heights_m[i] as number) + (at - i) * ((heights_m[i + 1] as number) - (heights_m[i] as number));
            }),
        },
        from_m,
        to_m,
      ),
    }),
  ),
  sum(
    'daylight',
    'Sunrise and sunset, or dawn and dusk by civil twilight, minutes after 00:00 UTC of the date.',
    z.object({ date: z.iso.date(), longitude_deg: n, latitude_deg: n, light: z.enum(LIGHTS_OF_DAY).default('sun') }),
    (i) => daylight(i.date, i.longitude_deg, i.latitude_deg, i.light),
  ),
  sum(
    'tide',
    'High and low waters, and the hours the water stands below a level, from constituents with Greenwich phase lags; hours count from `from`.',
    z.object({
      from: z.iso.datetime({ offset: true }),
      hours: n.positive().max(24 * 60),
      meanLevel_m: n.default(0),
      workBelow_m: n,
      constituents: z
        .array(
          z.object({
            name: z.enum(
              CONSTITUENT_NAMES as [(typeof CONSTITUENT_NAMES)[number], ...(typeof CONSTITUENT_NAMES)[number][]],
            ),
            amplitude_m: n,
            phase_deg: n,
          }),
        )
        .max(20),
    }),
    ({ from, hours, meanLevel_m, workBelow_m, constituents }) => {
      const tide = { meanLevel_m, constituents: fromGreenwich(constituents, Date.parse(from)) };
      return { turns: tideTurns(tide, 0, hours), below: hoursBelow(tide, workBelow_m, 0, hours) };
    },
  ),
  sum(
    'day-plan',
    'Which places to work in which order to be back in time; walking by index, the start last. Exact up to twelve places.',
    z.object({
      start_min: n,
      back_min: n,
      walk_min: z.array(z.array(n.min(0)).max(41)).max(41),
      stops: z
        .array(
          z.object({
            id: z.string(),
            work_min: n,
            value: n,
            open: z
              .array(z.object({ from_min: n, to_min: n }))
              .nullable()
              .default(null),
          }),
        )
        .max(40),
    }),
    (i) => finishPlan(planDay(i)),
  ),
  sum(
    'carrying-trips',
    'Trips to carry a load away beside the tools.',
    z.object({ load_kg: n, tools_kg: n, limit_kg: n }),
    (i) => ({ trips: carryingTrips(i.load_kg, i.tools_kg, i.limit_kg) }),
  ),
  sum(
    'float-source',
    'How far above a stone its vein lies by the fitted decay, with its band; null when float does not grow upstream.',
    z.object({ points: z.array(z.object({ downstream_m: n, size_mm: n })).max(500), size_mm: n, leaves_mm: n }),
    (i) => sourceAbove(sternberg(i.points), i.size_mm, i.leaves_mm),
  ),
  sum(
    'flow-at-depth',
    'Flow in a rectangular channel at a depth (Manning, side walls counted).',
    z.object({ ...channel, depth_m: n }),
    ({ depth_m, ...c }) => flowAtDepth(c, depth_m),
  ),
  sum(
    'flow-at-rate',
    'Normal depth in a rectangular channel for a flow.',
    z.object({ ...channel, flow_m3_s: n }),
    ({ flow_m3_s, ...c }) => flowAtRate(c, flow_m3_s),
  ),
  sum(
    'drawdown',
    'The water surface along a steep box.',
    z.object({ ...channel, flow_m3_s: n.positive(), length_m: n.positive().max(20) }),
    ({ flow_m3_s, length_m, ...c }) => drawdown(c, flow_m3_s, length_m),
  ),
  sum(
    'flow-by-float',
    'Flow from a float timed along a measured run.',
    z.object({ run_m: n, time_s: n, width_m: n, depth_m: n, surfaceFactor: n.default(0.85) }),
    (i) => ({ flow_m3_s: flowByFloat_m3_s(i.run_m, i.time_s, i.width_m, i.depth_m, i.surfaceFactor) }),
  ),
  sum(
    'flow-by-bucket',
    'Flow from timed bucket fills.',
    z.object({ volume_L: n, times_s: z.array(n).max(100) }),
    (i) => ({ flow_m3_s: flowByBucket_m3_s(i.volume_L, i.times_s) }),
  ),
  sum(
    'moving-shear',
    'Shear that moves a bed of quartz grains of a size.',
    z.object({ diameter_m: n, temperature_C }),
    (i) => movingShear(i.diameter_m, freshWater(i.temperature_C)),
  ),
  sum('largest-stone', 'Largest quartz stone a shear keeps moving.', z.object({ shear_Pa: n, temperature_C }), (i) => ({
    diameter_m: largestStone_m(i.shear_Pa, freshWater(i.temperature_C)),
  })),
  sum('linings', 'The linings known, with their assumed figures.', z.object({}), () => LININGS),
  sum('box', 'Flow, stones, feed and catch of a box set in water.', boxSetting, (i) =>
    solveBox(i, goldSizes(i.temperature_C)),
  ),
  sum(
    'box-advice',
    'What to change on a box and by how much. `watch_m` is the gold size it is judged by.',
    boxSetting.extend({ watch_m: n.positive().default(0.0002) }),
    ({ watch_m, ...i }) => {
      const gold = goldSizes(i.temperature_C, undefined, [watch_m]);
      const [watch] = gold;
      return watch && adviseBox(i, gold, watch);
    },
  ),
  sum(
    'run-tally',
    'What the taps of a run add up to.',
    z.object({
      startedAt_ms: n,
      now_ms: n,
      events: z
        .array(
          z.object({
            eventId: z.string(),
            kind: z.enum(['bucket', 'undo', 'stop', 'resume']),
            at_ms: n,
            spotId: z.string().nullish(),
            volume_L: n.nullish(),
            undoes: z.string().nullish(),
          }),
        )
        .max(5000),
    }),
    (i) =>
      tallyRun(
        i.startedAt_ms,
        i.events.map((e) => ({
          ...e,
          spotId: e.spotId ?? null,
          volume_L: e.volume_L ?? null,
          undoes: e.undoes ?? null,
        })),
        i.now_ms,
      ),
  ),
  sum(
    'section-split',
    'Share in the head of the box and what went over its end, from gold weighed by section.',
    z.object({
      color_mg: n,
      sections: z.array(z.object({ from_m: n, to_m: n, gold_mg: n, lining: z.string().default('') })).max(20),
    }),
    (i) => sectionSplit(i.sections, i.color_mg),
  ),
];
