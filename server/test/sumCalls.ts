/** The box every practitioner sets. */
export const HALF_INCH_BOX = {
  sections: [{ lining: 'riffles', width_m: 0.254, length_m: 0.9144 }],
  slope: 1 / 24,
  stone_m: 0.0127,
  water: { known: 'depth', depth_m: 0.02 },
};

/** One right call of every sum, and something that must hold of its answer. */
export const SUM_CALLS: Readonly<Record<string, readonly [body: unknown, holds: (answer: never) => boolean]>> = {
  convert: [
    { kind: 'mass', value: 1, from: 'ozt', to: 'g' },
    (a: { value: number }) => Math.abs(a.value - 31.1034768) < 1e-12,
  ],
  'grade-convert': [{ value: 1, from: 'g/m³', to: 'mg/m³' }, (a: { value: number }) => a.value === 1000],
  parse: [
    { kind: 'volume', text: '2/3 bucket', defaultUnit: 'pan' },
    (a: { ok: boolean; unit: string }) => a.ok && a.unit === 'bucket',
  ],
  pitch: [
    { kind: 'in/ft', value: 0.75, boxLength_m: 0.9144 },
    (a: { drop_m: number }) => Math.abs(a.drop_m / 0.0254 - 2.25) < 1e-9,
  ],
  sieve: [{ designation: 'No. 20' }, (a: { aperture_mm: number }) => a.aperture_mm === 0.85],
  'bank-volume': [{ loose_L: 118, swell_percent: 18 }, (a: { bank_L: number }) => Math.abs(a.bank_L - 100) < 1e-9],
  water: [{}, (a: { density_kg_m3: number }) => a.density_kg_m3 > 999 && a.density_kg_m3 < 1000],
  'flake-settling': [
    { size_m: 0.0005 },
    (a: { low: number; high: number; mass_mg: number }) =>
      a.low > 0.1 && a.high < 0.3 && a.low <= a.high && a.mass_mg > 0,
  ],
  'grain-settling': [
    { size_m: 0.001, mineral: 'quartz' },
    (a: { settling_m_s: number }) => a.settling_m_s > 0.08 && a.settling_m_s < 0.16,
  ],
  'hindered-settling': [
    { alone_m_s: 0.1, diameter_m: 0.001, concentration: 0.1 },
    (a: { settling_m_s: number }) => a.settling_m_s < 0.1,
  ],
  'equivalent-quartz': [
    { settling_m_s: 0.1 },
    (a: { diameter_m: number }) => a.diameter_m > 0.0005 && a.diameter_m < 0.0015,
  ],
  'count-limits': [{ count: 0 }, (a: { low: number; high: number }) => a.low === 0 && Math.abs(a.high - 2.9957) < 1e-3],
  'sample-grade': [{ volumeBank_L: 10, counts: {} }, (a: { kind: string }) => a.kind === 'blank'],
  'binomial-limits': [
    { found: 0, tried: 10, confidence: 0.95 },
    (a: { low: number; high: number }) => a.low === 0 && Math.abs(a.high - 0.3085) < 1e-3,
  ],
  richer: [
    {
      meanColor_mg: 0.8,
      spots: [[{ volumeBank_L: 8, counts: { '-40': 9 } }], [{ volumeBank_L: 8, counts: { '-40': 3 } }]],
    },
    (a: { best: number[]; firstBeatsSecond: number; pansToCall: { kind: string } }) =>
      (a.best[0] ?? 0) > 0.55 &&
      Math.abs((a.best[0] ?? 0) - a.firstBeatsSecond) < 0.02 &&
      ['pans', 'never'].includes(a.pansToCall.kind),
  ],
  scatter: [{ spots: [[{ colors: 4, volumeBank_L: 4 }]] }, (a: null) => a === null],
  'color-weights': [
    { weighed: [{ counts: { '-40': 40, '20-40': 4 }, gold_mg: 3.2 }] },
    (a: { '-40': { mg: number; usual_mg: number } }) => a['-40'].mg > 0.02 && a['-40'].mg < a['-40'].usual_mg,
  ],
  hands: [{ seedings: [{ putIn: 10, cameBack: 8 }] }, (a: { share: number }) => a.share === 0.8],
  'size-curve': [
    {
      screens: [
        { aperture_mm: 2, kept: 50 },
        { aperture_mm: 1, kept: 25 },
      ],
      through: 25,
      wentIn: 100,
      feed_mm: 2,
    },
    (a: { closure_percent: number; feedMedian_mm: number; sizes_mm: { D30: number; D90: null } }) =>
      a.closure_percent === 100 && a.feedMedian_mm === 1 && a.sizes_mm.D30 > 1 && a.sizes_mm.D90 === null,
  ],
  pit: [
    {
      length_m: 1,
      width_m: 0.8,
      layers: [
        { thickness_m: 0.5, material: 'silt' },
        { thickness_m: 0.25, material: 'gravel', pay: true },
      ],
    },
    (a: { pay_L: number; strippingRatio: number }) =>
      Math.abs(a.pay_L - 200) < 1e-9 && Math.abs(a.strippingRatio - 2) < 1e-9,
  ],
  'lay-out': [
    {
      from: { distance_m: 0, across_m: 0 },
      to: { distance_m: 20, across_m: 10 },
      spacing_m: 10,
      rowSpacing_m: 10,
      depth_m: 2.4,
    },
    (a: { bags: unknown[] }[]) => a.length === 6 && a[0]?.bags.length === 8,
  ],
  'pay-streak': [
    {
      points: [
        { at_m: 0, grade_mg_L: 0 },
        { at_m: 2, grade_mg_L: 0.4 },
        { at_m: 4, grade_mg_L: 0 },
      ],
      cutoff_mg_L: 0.2,
    },
    (a: { from_m: number; to_m: number }[]) => a[0]?.from_m === 1 && a[0].to_m === 3,
  ],
  variogram: [
    {
      points: Array.from({ length: 30 }, (_, i) => ({ x_m: i, y_m: 0, value: Math.sin(i / 4) })),
      cutoff_m: 8,
      width_m: 1,
    },
    (a: { bins: unknown[]; fit: { range_m: number } }) => a.bins.length === 8 && a.fit.range_m > 1,
  ],
  kriging: [
    {
      points: [
        { x_m: 0, y_m: 0, value: 1 },
        { x_m: 10, y_m: 0, value: 3 },
      ],
      variogram: { model: 'spherical', nugget: 0, partialSill: 1, range_m: 20 },
      at: [
        { x_m: 0, y_m: 0 },
        { x_m: 5, y_m: 0 },
      ],
    },
    (a: { value: number; variance: number }[]) =>
      Math.abs((a[0]?.value ?? 0) - 1) < 1e-9 && Math.abs((a[1]?.value ?? 0) - 2) < 1e-9 && (a[1]?.variance ?? 0) > 0,
  ],
  'volume-for-particles': [{ grade_mg_L: 0.2, color_mg: 0.1 }, (a: { volume_L: number }) => a.volume_L === 10],
  'next-pan': [
    {
      pays_mg_L: 0.2,
      pan_L: 5,
      color_mg: 0.1,
      places: [
        { id: 'a', chance: 0.5, chanceBefore: 0.5 },
        { id: 'b', chance: 0.3, chanceBefore: 0.3 },
      ],
    },
    // Nothing was panned: the likelier first, and about as likely to pay as it was said to be.
    (a: { id: string; digs: unknown; chance: number }) =>
      a.id === 'a' && a.digs === null && a.chance > 0.35 && a.chance < 0.65,
  ],
  'worth-a-pan': [
    {
      pays_mg_L: 0.15,
      reach_m: 1,
      places: [
        { id: 'a', distance_m: 10, bank: 'left', kinds: ['bar'] },
        { id: 'b', distance_m: 90, bank: 'left', kinds: ['inside bend', 'bedrock'] },
      ],
    },
    (a: { ranked: { place: { id: string }; chance: number }[] }) =>
      a.ranked[0]?.place.id === 'b' && a.ranked[0].chance > 0.4,
  ],
  trace: [
    {
      points: [6, 7, 5, 0, 0, 0].map((colors, i) => ({ id: String(i), distance_m: i * 100, colors, volumeBank_L: 10 })),
    },
    (a: { kind: string; above: { id: string } }) => a.kind === 'break' && a.above.id === '3',
  ],
  permission: [
    {
      today: '2026-09-01',
      notes: [
        { id: 'a', name: 'Spawning', kind: 'closed season', from: '2020-08-15', to: '2020-10-31', everyYear: true },
      ],
    },
    (a: { closed: { until: string }[]; nextOpenDay: string }) =>
      a.closed[0]?.until === '2026-10-31' && a.nextOpenDay === '2026-11-01',
  ],
  stand: [
    {
      line: [
        [-33, 46.5],
        [-33, 46.51],
      ],
      lon: -33.0005,
      lat: 46.505,
      accuracy_m: 5,
    },
    // Half of a hundredth of a degree of latitude is 556 m; west of a line walked north is its right bank.
    (a: { kind: string; distance_m: number; bank: string }) =>
      a.kind === 'here' && Math.abs(a.distance_m - 556) < 2 && a.bank === 'right',
  ],
  'change-point': [
    { values: [1, 2, 1, 3, 8, 9, 7, 10] },
    (a: { index: number; sse: number }) => a.index === 4 && a.sse === 7.75,
  ],
  mixing: [
    { main: { flow: 10, concentration: 1 }, side: { flow: 5, concentration: 4 } },
    (a: { concentration: number }) => a.concentration === 2,
  ],
  'must-carry': [
    { main: { flow: 10, concentration: 1 }, sideFlow: 5, concentrationBelow: 2 },
    (a: { concentration: number }) => a.concentration === 4,
  ],
  'float-size': [
    {
      points: [
        [0, 120],
        [2000, 105],
        [5000, 88],
        [9000, 70],
        [14_000, 52],
      ].map(([downstream_m, size_mm]) => ({ downstream_m, size_mm })),
    },
    (a: { alpha_per_m: number }) => Math.abs(a.alpha_per_m * 1000 - 0.0592277) < 1e-5,
  ],
  'float-source': [
    {
      points: [
        { downstream_m: 0, size_mm: 80 },
        { downstream_m: 100, size_mm: 40 },
        { downstream_m: 200, size_mm: 20 },
      ],
      size_mm: 80,
      leaves_mm: 160,
    },
    (a: { distance_m: number }) => Math.abs(a.distance_m - 100) < 1e-6,
  ],
  gauge: [
    {
      levels: [
        { at_ms: 0, level_m: 0.3 },
        { at_ms: 3.6e6, level_m: 0.31 },
        { at_ms: 7.2e6, level_m: 0.9 },
      ],
      floodAbove_m: 0.6,
    },
    (a: { levels: unknown[]; floods: { level_m: number }[] }) => a.levels.length === 3 && a.floods[0]?.level_m === 0.9,
  ],
  // Tobler on the flat is 6 exp(-0.175) km/h, off the path 0.6 of it; a quarter over.
  'turn-back': [
    { length_m: 2000, here_m: 1000, back_min: 960, now_min: 700 },
    (a: { walk_min: number; turn_min: number; left_min: number }) =>
      Math.abs(a.walk_min - (60 / (6 * Math.exp(-0.175) * 0.6)) * 1.25) < 1e-9 &&
      Math.abs(a.turn_min - (960 - a.walk_min)) < 1e-9 &&
      Math.abs(a.left_min - (260 - a.walk_min)) < 1e-9,
  ],
  walking: [
    { length_m: 1000, heights_m: [0, 50, 100], from_m: 0, to_m: 1000 },
    (a: { minutes: number }) => Math.abs(a.minutes - 16.90458848 / 0.6) < 1e-6,
  ],
  'hand-pace': [
    { runs: [{ volumeBank_L: 2000, hours: 10 }], carry_m: 30, load_kg: 25 },
    // 13 h over 2 m3 and the 1.2 m3 that the usual three hours stand for; 68 loads of 60 m at 3.022 km/h.
    (a: { wash_h_m3: number; carry_h_m3: number }) =>
      Math.abs(a.wash_h_m3 - 13 / 3.2) < 1e-9 && Math.abs(a.carry_h_m3 - (68 * 0.06) / 3.022) < 1e-3,
  ],
  daylight: [
    { date: '2025-06-21', longitude_deg: -120, latitude_deg: 40 },
    (a: { kind: string; sunrise_min: number }) =>
      a.kind === 'rises and sets' && Math.abs(a.sunrise_min - (331.44 + 420)) < 2,
  ],
  tide: [
    {
      from: '2026-05-01T00:00:00Z',
      hours: 25,
      workBelow_m: 0,
      constituents: [{ name: 'M2', amplitude_m: 1, phase_deg: 0 }],
    },
    (a: { turns: unknown[]; below: { from_h: number; to_h: number }[] }) =>
      a.turns.length === 4 && Math.abs(a.below.reduce((s, w) => s + w.to_h - w.from_h, 0) - 12.5) < 1,
  ],
  'day-plan': [
    {
      start_min: 480,
      back_min: 600,
      walk_min: [
        [0, 10, 10],
        [10, 0, 10],
        [10, 10, 0],
      ],
      stops: [
        { id: 'a', work_min: 40, value: 1 },
        { id: 'b', work_min: 60, value: 1.2 },
      ],
    },
    (a: { stops: { id: string }[]; back_min: number }) =>
      a.stops.length === 1 && a.stops[0]?.id === 'b' && a.back_min === 560,
  ],
  'carrying-trips': [{ load_kg: 60, tools_kg: 5, limit_kg: 25 }, (a: { trips: number }) => a.trips === 3],
  'flow-at-depth': [
    { width_m: 0.25, manningN: 0.03, slope: 0.052, depth_m: 0.02 },
    (a: { flow_m3_s: number }) => Math.abs(a.flow_m3_s - 0.00254) < 1e-5,
  ],
  'flow-at-rate': [
    { width_m: 0.25, manningN: 0.03, slope: 0.052, flow_m3_s: 0.00254 },
    (a: { depth_m: number }) => Math.abs(a.depth_m - 0.02) < 1e-4,
  ],
  drawdown: [
    { width_m: 0.25, manningN: 0.03, slope: 0.052, flow_m3_s: 0.0025, length_m: 1.2 },
    (a: { depth_m: number }[]) => (a[0]?.depth_m ?? 0) > (a.at(-1)?.depth_m ?? 1),
  ],
  'flow-by-float': [
    { run_m: 10, time_s: 12.5, width_m: 2, depth_m: 0.25 },
    (a: { flow_m3_s: number }) => Math.abs(a.flow_m3_s - 0.34) < 1e-9,
  ],
  // The Cone formula gives 4.45 L/s (2.49 * 0.328084^2.48 cubic feet a second).
  'flow-by-notch': [{ head_m: 0.1 }, (a: { flow_m3_s: number }) => Math.abs(a.flow_m3_s / 0.00445 - 1) < 0.03],
  'flow-by-bucket': [
    { volume_L: 20, times_s: [8, 7.6, 8.3] },
    (a: { flow_m3_s: number }) => Math.abs(a.flow_m3_s - 0.00251046) < 1e-7,
  ],
  'moving-shear': [{ diameter_m: 0.01 }, (a: { theta: number }) => a.theta > 0.03 && a.theta < 0.06],
  'largest-stone': [{ shear_Pa: 8.8 }, (a: { diameter_m: number }) => Math.abs(a.diameter_m - 0.01) < 0.001],
  linings: [
    {},
    (a: Record<string, { roughness_m: number }>) =>
      Object.values(a).every((l) => l.roughness_m > 0.001 && l.roughness_m < 0.02),
  ],
  'lined-flow-at-depth': [
    { width_m: 0.254, roughness_m: 0.0075, slope: 1 / 24, depth_m: 0.02 },
    (a: { compositeN: number }) => a.compositeN > 0.028 && a.compositeN < 0.033,
  ],
  'lined-flow-at-rate': [
    { width_m: 0.254, roughness_m: 0.0075, slope: 1 / 24, flow_m3_s: 0.002242597778 },
    (a: { depth_m: number }) => Math.abs(a.depth_m - 0.02) < 1e-5,
  ],
  'stones-clear': [
    { width_m: 0.254, roughness_m: 0.0075, slope: 1 / 24, depth_m: 0.02, stone_m: 0.0127, median_m: 0.0032 },
    (a: { inFeed: number; onFloor: number; least: number }) =>
      a.least === Math.min(a.inFeed, a.onFloor) && a.least > 1 && a.least < 3,
  ],
  'feed-capacity': [
    { width_m: 0.254, roughness_m: 0.0075, slope: 0.0416667, depth_m: 0.02, median_m: 0.003175 },
    // Check value 18i.
    (a: { carried_m3_s: number }) => Math.abs(a.carried_m3_s - 8.439784998e-5) < 1e-9,
  ],
  'load-up': [
    {
      fed_kg: 0.5,
      sections: [{ length_m: 0.9144, width_m: 0.254, holds_kg_m2: 6, heavyRate_per_m: 1.5, goldRate_per_m: 2.5 }],
    },
    // Check value 18k.
    ([a]: { held_kg: number }[]) => Math.abs((a?.held_kg ?? NaN) - 0.34806692) < 1e-6,
  ],
  box: [
    HALF_INCH_BOX,
    (a: { works: number; stalls: number; washesOut: number; solved?: unknown }) =>
      a.works > 0.8 && Math.abs(a.works + a.stalls + a.washesOut - 1) < 1e-9 && a.solved === undefined,
  ],
  'box-advice': [
    { ...HALF_INCH_BOX, slope: 1 / 48 },
    (a: { kind: string; levers: { kind: string; head_m?: number }[] }) =>
      a.kind === 'change' && a.levers.some((l) => l.kind === 'head' && (l.head_m ?? 0) > 0),
  ],
  'catch-scale': [
    { exponents: [0.5, 1, 0.4], counts: [40, 30, 6] },
    // Check value 18l.
    (a: { meanLog: number; lost: { mean: number } }) =>
      Math.abs(a.meanLog - 0.1412572373) < 1e-3 && Math.abs(a.lost.mean - 0.118410741) < 1e-3,
  ],
  'box-symptoms': [
    { ...HALF_INCH_BOX, seen: { 'one side': true } },
    (a: { causes: { input: string }[]; faults: { fault: string }[]; remedy: { levers: { kind: string }[] } }) =>
      a.causes[0]?.input === 'levelError_m' &&
      a.faults[0]?.fault === 'out of level' &&
      a.remedy.levers[0]?.kind === 'level',
  ],
  'clean-up-after': [
    { ...HALF_INCH_BOX, weighed: { blackSand_kg: 1.7225, fedLoose_m3: 0.1 } },
    (a: { blackSandShare: number; fed_m3: { middle: number } }) =>
      Math.abs(a.blackSandShare - 0.01) < 1e-9 && a.fed_m3.middle > 3 * 0.0189 && a.fed_m3.middle < 14 * 0.0189,
  ],
  'lie-by-turning': [
    { topToHead: { along_deg: 3.4, across_deg: 0.5 }, topToTail: { along_deg: -1.4, across_deg: -1.5 } },
    (a: { slope: number; offBy: { along_deg: number } }) =>
      Math.abs(a.slope - Math.tan((2.4 * Math.PI) / 180)) < 1e-9 && Math.abs(a.offBy.along_deg - 1) < 1e-9,
  ],
  'slope-by-line': [
    { headBelow_m: 0.1, tailBelow_m: 0.15, apart_m: 1.2 },
    (a: { slope: number }) => Math.abs(a.slope - 0.05 / 1.2) < 1e-9,
  ],
  'pump-flow': [
    { shutOffHead_m: 25, mostFlow_m3_s: 0.01, lift_m: 3, diameter_m: 0.05, length_m: 20, bends: 2 },
    (a: { flow_m3_s: number; head_m: number; frictionLoss_m: number }) =>
      a.flow_m3_s > 0.004 && a.flow_m3_s < 0.01 && Math.abs(a.head_m - 3 - a.frictionLoss_m) < 1e-9,
  ],
  'wing-dam': [
    { creek_m3_s: 0.2, creekWidth_m: 4, reach_m: 1 },
    (a: { low: number; high: number }) => Math.abs(a.low - 0.025) < 1e-9 && Math.abs(a.high - 0.045) < 1e-9,
  ],
  'measured-box': [
    { evidence: [{ kind: 'timed bucket', setting: HALF_INCH_BOX, fed_m3_s: 0.00003 }] },
    (a: { before: { boxFactor: { middle: number } }; after: { boxFactor: { middle: number } }; boxes?: unknown }) =>
      a.after.boxFactor.middle < a.before.boxFactor.middle && a.boxes === undefined,
  ],
  // Made up: water at one level, knocks three scatters above it.
  'heard-box': [
    {
      water: Array.from({ length: 200 }, (_, i) => ({
        knockOverWater: -4 + (i % 3) * 0.2,
        crest: 1 + (i % 2) * 0.1,
        energy: 0.01,
      })),
      stones: Array.from({ length: 200 }, (_, i) => ({
        knockOverWater: -1 + (i % 3) * 0.2,
        crest: 2 + (i % 2) * 0.1,
        energy: 0.01,
      })),
      frames: Array.from({ length: 40 }, () => ({ knockOverWater: -1, crest: 2, energy: 0.01 })),
    },
    (a: { apart: number; heard: { heard: string }[] }) => a.apart > 5 && a.heard.at(-1)?.heard === 'moving',
  ],
  'water-surface': [
    { width_m: 0.254, manningN: 0.03, slope: 0.0625, flow_m3_s: 0.004, length_m: 1.2, tail_m: 0.075 },
    (a: { runs: string; jump_m: number; points: { x_m: number }[] }) =>
      a.runs === 'drowned' && a.jump_m > 0.3 && a.jump_m < 1.2 && a.points.length > 60,
  ],
  'clean-up-forecast': [
    {
      stretches: [
        { from_m: 0, to_m: 0.2 },
        { from_m: 0.2, to_m: 0.9 },
      ],
      fed: [
        { through: [{ setting: HALF_INCH_BOX, bank_L: 300 }], grade_mg_L: 0.5, band_mg_L: { low: 0.3, high: 0.8 } },
      ],
      luck_mg: 0.3,
    },
    (a: { stretches: { middle: number }[]; all_mg: { middle: number } }) =>
      (a.stretches[0]?.middle ?? 0) > (a.stretches[1]?.middle ?? 0) && a.all_mg.middle > 60 && a.all_mg.middle < 240,
  ],
  'box-window': [
    { ...HALF_INCH_BOX, slopes: 6, depths: 5 },
    (a: { works: number[]; best: { works: number } | null }) => a.works.length === 30 && (a.best?.works ?? 0) > 0.8,
  ],
  air: [
    { altitude_m: 0, temperature_C: 15 },
    // ICAO standard air at sea level.
    (a: { density_kg_m3: number }) => Math.abs(a.density_kg_m3 - 1.225) < 1e-3,
  ],
  // Check values 19b: at 0.1 m/s and 20 degrees 0.345 mm of quartz is loose and 0.107 mm of gold lifted.
  'air-sizes': [
    { air_m_s: 0.1 },
    (a: { loosened_m: number; lifted_m: number }) =>
      Math.abs(a.loosened_m - 0.3453e-3) < 1e-6 && Math.abs(a.lifted_m - 0.1072e-3) < 1e-6,
  ],
  // Check values 19a.
  'bellows-air': [
    {
      motor_rpm: 2500,
      motorPulley_m: 0.025,
      drivenPulley_m: 0.25,
      stroke_m3: 0.0065,
      cloth: { area_m2: 0.228 },
      battery: { usable_Ah: 20, drawn_A: 5 },
    },
    (a: { puffs_min: number; peak_m_s: number; battery_h: number }) =>
      Math.abs(a.puffs_min - 242.5) < 1e-9 && Math.abs(a.peak_m_s - 0.3037) < 1e-4 && a.battery_h === 4,
  ],
  // Check values 19h.
  'blower-air': [
    { shutoff_Pa: 1200, freeFlow_m3_s: 0.08, cloth: { area_m2: 0.228 } },
    (a: { peak_m_s: number }) => Math.abs(a.peak_m_s - 0.27698) < 1e-4,
  ],
  'dry-washer': [
    {
      width_m: 0.3,
      length_m: 0.76,
      riffle_m: 0.012,
      spacing_m: 0.09,
      slope: 0.15,
      drive: { kind: 'bellows', puffs_min: 120, stroke_m3: 0.0065 },
      screen_m: 0.00635,
      altitude_m: 600,
      temperature_C: 30,
      crew_m3_s: 2.1e-5,
    },
    (a: { now: { tooLittle: number; draws: number }; advice: { lever: { kind: string; times: number } } }) =>
      a.now.tooLittle > 0.5 && a.now.draws === 256 && a.advice.lever.kind === 'air' && a.advice.lever.times > 1,
  ],
  'washer-passes': [
    {
      width_m: 0.3,
      length_m: 0.76,
      riffle_m: 0.012,
      spacing_m: 0.09,
      slope: 0.15,
      drive: { kind: 'bellows', puffs_min: 270, stroke_m3: 0.0065 },
      screen_m: 0.00635,
      altitude_m: 600,
      temperature_C: 30,
      crew_m3_s: 2.1e-5,
    },
    // Common practice, no source: one pass loses 20 to 30 %, the next more of what it meets.
    (a: { lostOfWhatItMeets: { middle: number } }[]) =>
      a.length === 3 &&
      (a[0]?.lostOfWhatItMeets.middle ?? 0) > 0.2 &&
      (a[0]?.lostOfWhatItMeets.middle ?? 1) < 0.3 &&
      (a[1]?.lostOfWhatItMeets.middle ?? 0) > (a[0]?.lostOfWhatItMeets.middle ?? 1),
  ],
  'washer-window': [
    {
      width_m: 0.3,
      length_m: 0.76,
      riffle_m: 0.012,
      spacing_m: 0.09,
      slope: 0.15,
      drive: { kind: 'bellows', puffs_min: 270, stroke_m3: 0.0065 },
      screen_m: 0.00635,
      crew_m3_s: 2.1e-5,
    },
    (a: { tooLittle: number[]; works: number[] }) =>
      a.works.length === 160 && a.works.some((x) => x > 0.7) && (a.tooLittle[0] ?? 0) > 0.5,
  ],
  // Check values 19g: one trip of 12 km with 480 kg; 0.5 h and 3.947 h dry, 3.8 h by the water.
  'haul-or-dry': [
    {
      volume_m3: 0.3,
      grade_mg_m3: 300,
      hourValue: 15,
      dry: { pace_m3_h: 0.076, running_per_h: 1 },
      haul: {
        payload_kg: 500,
        distance_km: 12,
        speed_km_h: 30,
        cost_per_km: 0.4,
        pace_m3_h: 0.12,
        running_per_h: 0.5,
      },
    },
    (a: { cheaper: string; breakEven_km: number; haul: { trips: number } }) =>
      a.cheaper === 'haul' && a.haul.trips === 1 && Math.abs(a.breakEven_km - 21.4108) < 1e-3,
  ],
  // Check values 19g, every figure sure.
  'wash-ways': [
    {
      volume_m3: 0.3,
      grade_mg_m3: 300,
      hourValue: 15,
      washer: { pace_m3_h: { middle: 0.076, logSd: 0 }, lost: { middle: 0.25, logSd: 0 }, running_per_h: 1 },
      haul: {
        payload_kg: 500,
        distance_km: 12,
        speed_km_h: { middle: 30, logSd: 0 },
        cost_per_km: 0.4,
        loadUnload_h: { middle: 0.5, logSd: 0 },
        pace_m3_h: { middle: 0.12, logSd: 0 },
        lost: { middle: 0.1, logSd: 0 },
        running_per_h: 0.5,
      },
    },
    (a: { ways: { way: string; cheapest: number }[]; breakEven_km: number }) =>
      a.ways[0]?.way === 'haul' && a.ways[0].cheapest === 1 && Math.abs(a.breakEven_km - 21.4108) < 1e-3,
  ],
  // Check values 19d, in water of 10 degrees: minus 30 plus 50 has a window that creeping gold ends.
  'separation-window': [
    { finest_m: 0.0003, coarsest_m: 0.0006, feature_m: 0.0005, goldSettling_m_s: 0.068 },
    (a: { ratio: number; limit: string; mark_Pa: number }) =>
      Math.abs(a.ratio - 2.2628) < 1e-3 && a.limit === 'creeps' && Math.abs(a.mark_Pa - 1.75386) < 1e-3,
  ],
  // Common practice, no source: sized black sand over shallow features has its flow.
  'finishing-floor': [
    { finest_m: 0.0003, coarsest_m: 0.0006, feature_m: 0.0005, floorWidth_m: 0.2, slope: 0.08, depth_m: 0.002 },
    (a: { mark_m: { middle: number }; windowChance: number; still: number; parts: number; goes: number }) =>
      a.mark_m.middle > 0.001 &&
      a.mark_m.middle < 0.004 &&
      a.windowChance > 0.8 &&
      Math.abs(a.still + a.parts + a.goes - 1) < 1e-9,
  ],
  // Common practice, no source: two buckets two thirds full of minus 8 in about two hours.
  // TEOS-10 (check values 03b).
  'sea-water': [{ temperature_C: 15 }, (a: { density_kg_m3: number }) => Math.abs(a.density_kg_m3 - 1025.976) < 0.1],
  // A worked example of an open library for Stockdon and others (2006), from memory.
  'run-up': [
    { height_m: 4, period_s: 11, slope: 0.1 },
    (a: { runup_m: number; length_m: number }) =>
      Math.abs(a.runup_m - 2.54) < 0.005 && Math.abs(a.length_m - 188.9) < 0.1,
  ],
  // A still sea of level 1: its high water is 1, and a berm that was cut was reached.
  storms: [
    {
      storms: [{ height_m: 4, period_s: 11, at: '2026-05-02T08:00:00Z', cut_m: 0.5 }],
      tide: { meanLevel_m: 1, constituents: [] },
      slope: 0.1,
      toe: [{ distance_m: 100, height_m: 3 }],
    },
    (a: { storms: { middle_m: number; laidAnew: number }[]; laidAnewSince: number }) =>
      Math.abs((a.storms[0]?.middle_m ?? 0) - 3.96) < 0.005 && a.laidAnewSince === 1,
  ],
  // A still sea below the level leaves the sand bare the whole day.
  'shore-day': [
    { midnight: '2026-05-02T00:00:00Z', tide: { meanLevel_m: 0.5, constituents: [] }, workBelow_m: 1 },
    (a: { work: { from_min: number }[]; way: unknown }) =>
      a.work.length === 1 && a.work[0]?.from_min === 0 && a.way === null,
  ],
  'finishing-sluice': [
    { width_m: 0.254, depth_m: 0.016, slope: 0.0833, riffle_m: 0.006, volume_m3: 0.0252 },
    (a: { hours: number }) => a.hours > 1 && a.hours < 4,
  ],
  // One riffle holds all that is caught.
  'finishing-riffles': [
    {
      width_m: 0.254,
      depth_m: 0.016,
      slope: 1 / 12,
      riffle_m: 0.006,
      blackShare: 0.5,
      spacing_m: 0.075,
      riffles: 1,
      finest_m: 0.0004,
      coarsest_m: 0.0006,
      volume_m3: 0.0252,
    },
    (a: { byRiffle: number[]; hours: { middle: number } }) =>
      a.byRiffle.length === 1 && a.byRiffle[0] === 1 && a.hours.middle > 1 && a.hours.middle < 4,
  ],
  // A gamma of shape 10.5 lies between half the ends of chi-square with 21 degrees: 11.591 and 32.671 (tables).
  'go-on': [
    { washedShare: 0.5, found: 10, meanColor_mg: 1, hours: 1, price_per_mg: 1, hourValue: 1 },
    (a: { gold_mg: { low: number; high: number }; say: string }) =>
      Math.abs(a.gold_mg.low - 5.7955) < 0.01 && Math.abs(a.gold_mg.high - 16.3355) < 0.01 && a.say === 'go on',
  ],
  // By hand: five hours and a half of six at 0.16 m3 an hour, 85 in a hundred kept.
  outfits: [
    {
      outfits: [
        {
          id: 'box',
          pace_m3_h: { middle: 0.16, logSd: 0 },
          lost: { middle: 0.15, logSd: 0 },
          weight_kg: 9,
          setUp_h: 0.5,
          needsWater: true,
        },
      ],
      day: { hours: 6, walk_h: 0.5, carry_kg: 15, hasWater: true },
    },
    (a: { kept_m3: { middle: number }; best: number }[]) =>
      Math.abs((a[0]?.kept_m3.middle ?? 0) - 0.748) < 1e-9 && a[0]?.best === 1,
  ],
  // By hand: 30 mm by 4 m by 250 mm is 30 L as a box, half of it as a wedge.
  crack: [
    { width_m: 0.03, length_m: 4, depth_m: 0.25, grade_mg_L: { low: 1, middle: 2, high: 4 } },
    (a: { volume_L: { low: number; high: number }; gold_mg_m: { high: number } }) =>
      Math.abs(a.volume_L.low - 15) < 1e-9 &&
      Math.abs(a.volume_L.high - 30) < 1e-9 &&
      Math.abs(a.gold_mg_m.high - 30) < 1e-9,
  ],
  // By hand: 50 mm at 2 mg/L is 100 mg a square metre.
  'square-metre': [
    {
      beds: [
        { thickness_m: 0.3, grade_mg_L: null },
        { thickness_m: 0.05, grade_mg_L: { low: 1, middle: 2, high: 4 } },
      ],
    },
    (a: { gold_mg: { middle: number }; cover_m: number }) =>
      Math.abs(a.gold_mg.middle - 100) < 1e-9 && a.cover_m === 0.3,
  ],
  // Check values 19e: a tablespoon to a third in a minute and a half.
  'finish-spoon': [
    {
      shear_Pa: 1.75,
      floorWidth_m: 0.2,
      feature_m: 0.0005,
      solids_m3: 9e-6,
      black: [0.33, 0.42, 0.53].map((mm, i) => ({ size_m: mm / 1000, share: [0.3, 0.4, 0.3][i] })),
      gold: [{ size_m: 0.00033, share: 1, settling_m_s: 0.075 }],
      blackLeft: 0.3333333333,
    },
    (a: { minutes: number; goldKept: number }) => Math.abs(a.minutes - 1.4749) < 1e-2 && a.goldKept > 0.99,
  ],
  // Check values 19f.
  magnetics: [
    { colorsElsewhere: 120, washedShare: 0.25, found: 3, meanColor_mg: 0.05 },
    (a: { colors: { mean: number }; chanceNoneLeft: number }) =>
      Math.abs(a.colors.mean - 8.9456) < 1e-3 && Math.abs(a.chanceNoneLeft - 0.02012) < 1e-4,
  ],
  // (1 + 1 x 0.5 x 2)^-2 = 1/4 after one pass, (1 + 2)^-2 = 1/9 after two.
  passes: [
    { mix: [{ share: 1, exponent: 2 }], passes: 2 },
    (a: { left: number }[]) =>
      Math.abs((a[0]?.left ?? 0) - 1 / 4) < 1e-12 && Math.abs((a[1]?.left ?? 0) - 1 / 9) < 1e-12,
  ],
  'crew-pace': [
    {
      rounds: Array.from({ length: 40 }, () => ({ task_s: { dig: 180, feed: 60 } })),
      posts: [
        { tasks: ['dig'], people: 1 },
        { tasks: ['feed'], people: 1 },
      ],
    },
    // 180 s a bucket, a fifth of it lost to rests: 16 an hour.
    (a: { holdsUp: { post: number }; buckets_h: { middle: number } }) =>
      a.holdsUp.post === 0 && a.buckets_h.middle > 14 && a.buckets_h.middle < 18,
  ],
  'run-tally': [
    { startedAt_ms: 0, now_ms: 60_000, events: [{ eventId: 'a', kind: 'bucket', at_ms: 1000, volume_L: 20 }] },
    (a: { volumeLoose_L: number; running_ms: number }) => a.volumeLoose_L === 20 && a.running_ms === 60_000,
  ],
  mouths: [
    {
      mouths: [{ id: 'm', name: 'Draw', distance_m: 500 }],
      points: [480, 460, 440, 520, 540, 560].map((distance_m, i) => ({
        id: String(i),
        distance_m,
        colors: i < 3 ? 40 : 0,
        volumeBank_L: 10,
      })),
    },
    (a: { needs: { low: number; middle: number } }[]) =>
      a.length === 1 && (a[0]?.needs.middle ?? 0) > 20 && (a[0]?.needs.low ?? 0) > 0,
  ],
  'float-trend': [
    {
      length_m: 700,
      mouths: [{ id: 'm', name: 'Draw', distance_m: 610 }],
      stones: [100, 200, 300, 400, 500, 600].map((distance_m, i) => ({
        kind: 'float',
        distance_m,
        size_mm: 20 * 1.3 ** i,
      })),
    },
    (a: { kind: string; draw: { name: string } | null }) => a.kind === 'grows' && a.draw?.name === 'Draw',
  ],
  // Six in a row: 2^6 B(6.5, 0.5) / B(0.5, 0.5) = 14.4375.
  'coin-trial': [
    { better: 'less', rounds: Array.from({ length: 6 }, () => ({ a: 4, b: 2 })) },
    (a: { better: string; evidence: number }) => a.better === 'B' && Math.abs(a.evidence - 14.4375) < 1e-6,
  ],
  'gold-ledger': [
    {
      came: [{ id: 'c', at: '2026-07-01T18:00:00Z', gold_mg: 100.1 }],
      entries: [{ id: 's', at: '2026-07-02T18:00:00Z', deed: 'sold', from: 'unsorted', amount_mg: 40, price: 3 }],
      agreements: [
        {
          since: '2026-01-01',
          partners: [
            { name: 'Ana', parts: 2 },
            { name: 'Ben', parts: 1 },
          ],
        },
      ],
    },
    // 1 001 tenths are 667 and 334; of 400 sold 267 and 133.
    (a: { inHand_mg: number; statements: { due_mg: number; price: number }[] }) =>
      a.inHand_mg === 60.1 &&
      a.statements.map((s) => s.due_mg).join() === '40,20.1' &&
      a.statements.map((s) => s.price).join() === '2,1',
  ],
  // Half of the usual 0.8 came; of that the box has 0.16 of 0.04 + 0.16 + 0.09 + 0.0225 + 0.0025.
  'why-off': [
    {
      cleanups: [
        {
          id: 'c',
          spotId: 's',
          rigId: 'r',
          said_mg_L: 1,
          low_mg_L: Math.exp(-0.49347),
          high_mg_L: Math.exp(0.49347),
          came_mg_L: 0.4,
          pieces: 400,
        },
      ],
    },
    (a: { causes: { cause: string; factor: { middle: number } }[] }) =>
      Math.abs(Math.log(a.causes.find((c) => c.cause === 'box')?.factor.middle ?? 1) - (Math.log(0.5) * 0.16) / 0.315) <
      1e-4,
  ],
  'unlikely-gold': [
    { typed: [{ value: 15, unit: 'g' }], expected: [{ by: 'forecast', low_mg: 8, high_mg: 45 }] },
    (a: { other: { unit: string; total_mg: number } }) => a.other.unit === 'mg' && a.other.total_mg === 15,
  ],
  'section-split': [
    {
      color_mg: 0.5,
      sections: [
        { from_m: 0, to_m: 0.2, gold_mg: 80 },
        { from_m: 0.2, to_m: 0.4, gold_mg: 16 },
        { from_m: 0.4, to_m: 0.6, gold_mg: 3.2 },
      ],
    },
    // What is bounded from below here would be 0.8 % if all gold were of one size.
    (a: { loss: { kind: string; atLeast: number } }) =>
      a.loss.kind === 'bound' && a.loss.atLeast > 0 && a.loss.atLeast < 0.008,
  ],
  'loss-by-size': [
    {
      screens_m: [0.001],
      sections: [
        { from_m: 0, to_m: 0.2, cells_mg: [80, 40] },
        { from_m: 0.2, to_m: 0.4, cells_mg: [16, 20] },
        { from_m: 0.4, to_m: 0.6, cells_mg: [3.2, 10] },
      ],
    },
    // Each stretch holds a fifth, and a half, of the one above: so much of a size lies past the end, exactly (0.2 and 0.5, cubed).
    (a: { sizes: { lost: { middle: number } }[] }) =>
      Math.abs((a.sizes[0]?.lost.middle ?? 0) - 0.008) < 1e-5 &&
      Math.abs((a.sizes[1]?.lost.middle ?? 0) - 0.125) < 1e-4,
  ],
  // Of each size that went over, between half of the share it took the first time and all of it.
  'tails-again': [
    {
      screens_m: [0.001],
      sections: [
        { from_m: 0, to_m: 0.2, cells_mg: [80, 40] },
        { from_m: 0.2, to_m: 0.4, cells_mg: [16, 20] },
        { from_m: 0.4, to_m: 0.6, cells_mg: [3.2, 10] },
      ],
      running_h: 2,
    },
    // 99.2 and 70 mg held in two hours; 0.8 and 10 mg went over.
    (a: { freshPerHour_mg: number; gold_mg: { middle: number }; paysFromDigging_h_h: { middle: number } }) =>
      Math.abs(a.freshPerHour_mg - 84.6) < 1e-9 &&
      Math.abs(a.gold_mg.middle - 0.75 * (0.8 * 0.992 + 10 * 0.875)) < 0.01 &&
      a.paysFromDigging_h_h.middle > 20,
  ],
  // Nothing seen: at most ln 20 colors are expected (Garwood 1936).
  'left-in-tub': [
    { colors: 0, panned_L: 0.5, left_L: 5, finest_mg: 0.02, usual_mg: 0.1 },
    (a: { low: number; high: number }) => a.low === 0 && Math.abs(a.high - Math.log(20)) < 1e-4,
  ],
  'repeat-weighing': [
    { tare_mg: 12_345.6, gross_mg: [12_379.8, 12_380], step_mg: 0.1 },
    (a: { net_mg: number; agree: boolean }) => Math.abs(a.net_mg - 34.3) < 1e-9 && a.agree,
  ],
  'share-rinse': [
    {
      gold_mg: 35,
      fed: [
        { groundId: 'g', gold_mg: 140 },
        { groundId: 'h', gold_mg: 70 },
      ],
    },
    (a: { gold_mg: number }[]) => a.map((s) => s.gold_mg).join() === '23.3,11.7',
  ],
  // A square of 1 km at the equator is 0.008998 degrees (40 007 863 m around): its middle lies half of that in.
  'hide-place': [
    { positions: [[0.001, 0.002]], given: { way: 'blurred', size_m: 1000 } },
    (a: { positions: [number, number][] }) =>
      Math.abs((a.positions[0]?.[0] ?? 0) - 0.0045) < 1e-5 && Math.abs((a.positions[0]?.[1] ?? 0) - 0.0045) < 1e-5,
  ],
  // The smallest color of the best case is 60 micrometres, common practice; a bare pan doubles it.
  'detection-limit': [
    { pan: 'bare steel', light: 'sun', eyes: 'sharp or with glasses' },
    (a: { size_m: number; mass_mg: number }) => Math.abs(a.size_m - 120e-6) < 1e-9 && a.mass_mg > 0,
  ],
  // A lognormal of mean 1 and deviation 1 has its median at 1/sqrt(2) (moments of the lognormal).
  'chance-it-pays': [
    { grade_mg_L: 1, sd_mg_L: 1, cutoff_mg_L: Math.SQRT1_2 },
    (a: { chance: number }) => Math.abs(a.chance - 0.5) < 1e-6,
  ],
  // Midway between two points both weigh the same; at a point it is the point (Shepard 1968).
  'inverse-distance': [
    {
      points: [
        { x_m: 0, y_m: 0, value: 2 },
        { x_m: 10, y_m: 0, value: 6 },
      ],
      at: [
        { x_m: 5, y_m: 3 },
        { x_m: 10, y_m: 0 },
      ],
    },
    (a: { value: number }[]) => Math.abs((a[0]?.value ?? 0) - 4) < 1e-9 && a[1]?.value === 6,
  ],
  'nearest-sample': [
    {
      points: [
        { x_m: 0, y_m: 0, value: 2 },
        { x_m: 10, y_m: 0, value: 6 },
      ],
      at: [{ x_m: 4, y_m: 3 }],
    },
    (a: { value: number }[]) => a[0]?.value === 2,
  ],
  // Two hours at 0.6 L and 3 L/s each, 0.4 g: 3 L a gram, 21.6 m3.
  'what-it-took': [
    {
      runs: [
        { running_s: 3600, fuel_L: 0.6, flow_m3_s: 0.003 },
        { running_s: 3600, fuel_L: 0.6, flow_m3_s: 0.003 },
      ],
      gold_mg: 400,
    },
    (a: { fuelAGram_L: number; water_m3: number }) =>
      Math.abs(a.fuelAGram_L - 3) < 1e-9 && Math.abs(a.water_m3 - 21.6) < 1e-9,
  ],
  // Two clean-ups, one of a mix; 25 % of swell: 100 L loose are 80 L in the bank.
  book: [
    {
      swell_percent: 25,
      cleanups: [
        {
          day: '2026-06-01',
          gold_mg: 120.3,
          boxWasClean: true,
          tallies: [{ buckets: 10, volumeLoose_L: 100, bySpot_L: { a: 100 }, running_s: 3600 }],
        },
        {
          day: '2026-06-02',
          gold_mg: 40.2,
          boxWasClean: false,
          tallies: [{ buckets: 5, volumeLoose_L: 50, bySpot_L: { a: 25, b: 25 }, running_s: 1800 }],
        },
      ],
    },
    (a: {
      lines: { spotIds: string[]; gold_mg: number; volumeBank_L: number; mayHoldOldGold: boolean }[];
      total: { gold_mg: number; volumeBank_L: number };
    }) =>
      a.total.gold_mg === 160.5 &&
      Math.abs(a.total.volumeBank_L - 120) < 1e-9 &&
      JSON.stringify(a.lines.map((l) => [l.spotIds, l.gold_mg, l.mayHoldOldGold])) ===
        JSON.stringify([
          [['a'], 120.3, false],
          [['a', 'b'], 40.2, true],
        ]),
  ],
};
