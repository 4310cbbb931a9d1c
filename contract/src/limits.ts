import { grouped } from '@riffle/core';

/**
 * What a record may hold. Each limit stands here once: forms, table cells, imports, the schemas and (held by a test) the
 * database take it from here, and say what is wrong in the same words. Plain values, so that a screen can use them
 * without loading the schemas. Bounds are common practice, no source: wide enough for any hand-worked ground.
 */
export interface NumberLimit {
  readonly unit: string;
  readonly least: number;
  /** The least itself is too little: a volume is more than 0. */
  readonly open: boolean;
  readonly most: number;
  readonly tooLittle: string;
  readonly tooMuch: string;
}
export interface TextLimit {
  /** What it is called where one is told it is too long. */
  readonly called: string;
  /** Characters (UTF-16 units: a sign outside the basic plane counts twice, here and in the schema). */
  readonly longest: number;
  /** Said when nothing stands there; undefined: it may be left empty. */
  readonly needed?: string;
}
type Words = Partial<Pick<NumberLimit, 'tooLittle' | 'tooMuch'>>;

const figure = (n: number): string => grouped(n, 4);
const above0 = (most: number, unit: string, words: Words = {}): NumberLimit => ({
  unit,
  least: 0,
  open: true,
  most,
  tooLittle: `More than nothing: above 0 ${unit}.`,
  tooMuch: `At most ${figure(most)} ${unit}.`,
  ...words,
});
const between = (least: number, most: number, unit: string, words: Words = {}): NumberLimit => ({
  unit,
  least,
  open: false,
  most,
  tooLittle: least === 0 ? `Cannot be less than 0 ${unit}.` : `At least ${figure(least)} ${unit}.`,
  tooMuch: `At most ${figure(most)} ${unit}.`,
  ...words,
});

export const NUMBERS = {
  along_m: between(0, 1_000_000, 'm'),
  groundLength_m: above0(1_000_000, 'm', { tooMuch: 'A ground is at most 1,000 km long.' }),
  /** A length typed by hand: what one can believe of a ground that has no line. */
  typedLength_m: between(5, 200_000, 'm', {
    tooLittle: 'A ground is between 5 m and 200 km long.',
    tooMuch: 'A ground is between 5 m and 200 km long.',
  }),
  swell_percent: between(0, 80, '%'),
  bedHeight_m: between(-500, 9000, 'm'),
  offset_m: between(0, 5000, 'm', { tooMuch: 'More than 5 km from the line is another ground.' }),
  tideLevel_m: between(-20, 20, 'm'),
  tideAmplitude_m: between(0, 20, 'm'),
  tidePhase_deg: between(-360, 360, '°'),
  /** What is left over before the tide is back. */
  shoreMargin_min: between(0, 360, 'min'),
  /** Rise over run of a beach's face. */
  faceSlope: between(0.005, 0.5, '', {
    tooLittle: 'A beach rises at least 1 in 200.',
    tooMuch: 'Steeper than 1 in 2 is no beach: give its rise over its run.',
  }),
  waveHeight_m: above0(25, 'm', { tooMuch: 'At most 25 m (80 ft) of swell.' }),
  wavePeriod_s: between(2, 30, 's', {
    tooLittle: 'At least 2 s from crest to crest.',
    tooMuch: 'At most 30 s from crest to crest.',
  }),
  /** What a storm took of a berm. */
  bermCut_m: between(0, 20, 'm'),
  /** River level at the stake. */
  level_m: between(-20, 30, 'm'),
  /** Below the surface, by hand. */
  depth_m: between(0, 30, 'm', { tooMuch: 'At most 30 m: a hand-dug hole is between 0 and 30 m deep.' }),
  cover_m: between(0, 30, 'm'),
  signSize_mm: above0(5000, 'mm', { tooMuch: 'At most 5 m (16 ft) across.' }),
  /** Log odds of an own word. */
  ownWeight: between(-2, 2, '', { tooLittle: 'At most 2 against.', tooMuch: 'At most 2 for.' }),
  outlineHeight_m: between(-5, 300, 'm'),
  picture_px: between(1, 100_000, 'px'),

  sampleVolume_L: above0(10_000, 'L', {
    tooLittle: 'A volume is more than nothing. A count needs the volume it came from.',
    tooMuch: 'More than 10,000 L is a run, not a sample: at most 10 m³.',
  }),
  bagVolume_L: above0(10_000, 'L', { tooMuch: 'At most 10 m³ (13 yd³).' }),
  planBag_L: above0(1000, 'L', { tooMuch: 'At most 1 m³ (35 ft³).' }),
  containerVolume_L: above0(1000, 'L', { tooMuch: 'At most 1 m³ (35 ft³).' }),
  colors: between(0, 100_000, 'colors', {
    tooLittle: 'A count cannot be less than 0.',
    tooMuch: 'At most 100,000 colors.',
  }),
  grains: between(0, 1000, 'grains', { tooLittle: 'A count cannot be less than 0.' }),
  blackSand: between(0, 4, ''),
  sampleGold_mg: between(0.0001, 10_000_000, 'mg', {
    tooLittle: 'Less than a tenth of a microgram cannot be weighed.',
    tooMuch: 'At most 10 kg.',
  }),
  pansOfABucket: between(1, 60, 'pans', { tooLittle: 'The top pan is 1.', tooMuch: 'At most 60 pans a bucket.' }),
  rest_min: between(0, 240, 'min', { tooMuch: 'At most four hours.' }),
  took_min: between(0, 1440, 'min', { tooMuch: 'At most a day.' }),

  pitSide_m: above0(100, 'm'),
  /** How far each wall leans in for each metre down. */
  batter: between(0, 3, 'm a metre'),
  layerThickness_m: above0(30, 'm'),
  clay: between(0, 3, ''),
  percent: between(0, 100, '%'),
  creviceWidth_m: above0(5, 'm'),
  creviceLength_m: above0(200, 'm'),
  creviceDepth_m: above0(10, 'm'),
  /** What a draw or a creek drains. */
  catchment_m2: above0(1e11, 'm²', { tooMuch: 'At most 100,000 km².' }),
  aperture_mm: above0(500, 'mm'),
  screened: between(0, 100_000, 'kg or L'),
  wentIn: above0(100_000, 'kg or L'),

  boxWidth_m: between(0.05, 2, 'm', {
    tooLittle: 'A box is between 50 mm (2 in) and 2 m (6.5 ft) wide.',
    tooMuch: 'A box is between 50 mm (2 in) and 2 m (6.5 ft) wide.',
  }),
  boxLength_m: between(0.2, 10, 'm', {
    tooLittle: 'A box is between 0.2 m (8 in) and 10 m (33 ft) long.',
    tooMuch: 'A box is between 0.2 m (8 in) and 10 m (33 ft) long.',
  }),
  /** One stretch of a box with one lining. */
  sectionLength_m: between(0.02, 10, 'm', {
    tooLittle: 'A section is between 20 mm (1 in) and 10 m (33 ft) long.',
    tooMuch: 'A section is between 20 mm (1 in) and 10 m (33 ft) long.',
  }),
  /** Height of the riffles, pockets or pile of a lining of one's own. */
  liningHeight_m: {
    open: false,
    least: 0.001,
    most: 0.06,
    unit: 'm',
    tooLittle: 'At least 1 mm.',
    tooMuch: 'At most 60 mm.',
  },
  step_m: between(0, 0.5, 'm', {
    tooLittle: 'A step goes down.',
    tooMuch: 'A step of more than 500 mm is a fall, not a step.',
  }),
  slope: between(0.002, 0.4, '', {
    tooLittle: 'Flatter than 0.2 % is not a set box.',
    tooMuch: 'Steeper than 40 % is not a set box.',
  }),
  waterDepth_m: above0(1, 'm'),
  flow_m3_s: above0(5, 'm³/s'),
  stone_m: above0(0.5, 'm'),
  temperature_C: between(0, 40, '°C', { tooLittle: 'Water is at least 0 °C.' }),
  /** Water or, of a dry washer, air. */
  anyTemperature_C: between(-20, 55, '°C', { tooLittle: 'At least −20 °C.', tooMuch: 'At most 55 °C (131 °F).' }),
  riffle_m: between(0.003, 0.05, 'm', {
    tooLittle: 'Riffles are between 3 mm (1/8 in) and 50 mm (2 in) high.',
    tooMuch: 'Riffles are between 3 mm (1/8 in) and 50 mm (2 in) high.',
  }),
  riffleSpacing_m: between(0.02, 0.5, 'm', {
    tooLittle: 'Riffles stand between 20 mm (1 in) and 500 mm (20 in) apart.',
    tooMuch: 'Riffles stand between 20 mm (1 in) and 500 mm (20 in) apart.',
  }),
  stroke_L: between(0.1, 100, 'L', { tooLittle: 'A puff is at least 0.1 L.', tooMuch: 'A puff is at most 100 L.' }),
  motor_rpm: between(10, 20_000, '/min', { tooLittle: 'At least 10 turns a minute.', tooMuch: 'At most 20,000.' }),
  pulley_mm: between(5, 1000, 'mm', { tooLittle: 'At least 5 mm across.', tooMuch: 'At most 1 m across.' }),
  shutoff_Pa: between(50, 20_000, 'Pa', { tooLittle: 'At least 50 Pa.', tooMuch: 'At most 20,000 Pa.' }),
  freeFlow_m3_s: between(0.005, 2, 'm³/s', { tooLittle: 'At least 5 L/s.', tooMuch: 'At most 2,000 L/s.' }),
  battery_Ah: between(0.1, 2000, 'Ah', { tooLittle: 'At least 0.1 Ah.', tooMuch: 'At most 2,000 Ah.' }),
  drawn_A: between(0.1, 200, 'A', { tooLittle: 'At least 0.1 A.', tooMuch: 'At most 200 A.' }),
  puffs_min: between(10, 2000, '/min', { tooLittle: 'At least 10 puffs a minute.', tooMuch: 'At most 2,000.' }),
  blowerSpeed: between(0.05, 3, '', { tooLittle: 'At least 5 % of full speed.', tooMuch: 'At most three times full.' }),
  altitude_m: between(-450, 6000, 'm', { tooLittle: 'No ground lies lower.', tooMuch: 'At most 6,000 m.' }),
  pass: between(1, 9, 'passes', { tooLittle: 'The first pass is 1.', tooMuch: 'At most 9 passes.' }),
  jar_L: above0(200, 'L', { tooMuch: 'At most 200 L: that is no jar.' }),
  feature_m: between(0.00005, 0.02, 'm', { tooLittle: 'At least 0.05 mm high.', tooMuch: 'At most 20 mm high.' }),
  floorWidth_m: between(0.02, 1, 'm', { tooLittle: 'At least 20 mm wide.', tooMuch: 'At most 1 m wide.' }),
  floorSlope: between(0.005, 0.4, '', { tooLittle: 'Flatter than 0.5 % nothing goes.', tooMuch: 'At most 40 %.' }),
  film_m: between(0.0002, 0.05, 'm', { tooLittle: 'At least 0.2 mm of water.', tooMuch: 'At most 50 mm of water.' }),
  spoon_s: between(2, 7200, 's', { tooLittle: 'At least 2 s.', tooMuch: 'At most two hours.' }),
  sluiceRiffle_m: between(0.001, 0.05, 'm', { tooLittle: 'At least 1 mm high.', tooMuch: 'At most 50 mm high.' }),
  sluiceSpacing_m: between(0.005, 1, 'm', { tooLittle: 'At least 5 mm apart.', tooMuch: 'At most 1 m apart.' }),
  sluiceRiffles: between(1, 60, 'riffles', { tooLittle: 'At least one.', tooMuch: 'At most 60.' }),
  sluiceWidth_m: between(0.05, 2, 'm', { tooLittle: 'At least 50 mm wide.', tooMuch: 'At most 2 m wide.' }),
  sluiceDepth_m: between(0.002, 0.15, 'm', {
    tooLittle: 'At least 2 mm of water.',
    tooMuch: 'At most 150 mm of water.',
  }),
  blackShare: between(0.01, 1, '', { tooLittle: 'At least a hundredth.', tooMuch: 'At most all of it.' }),
  sluice_s: between(60, 259_200, 's', { tooLittle: 'At least a minute.', tooMuch: 'At most three days.' }),
  washedShare: between(0.01, 1, '', { tooLittle: 'At least a hundredth.', tooMuch: 'At most all of it.' }),
  scoop_L: above0(50, 'L'),
  bucket_L: above0(500, 'L'),
  /** Burnt in a run. */
  fuel_L: between(0, 1000, 'L'),
  people: between(1, 100, 'people', { tooLittle: 'At least one.' }),
  /** At one post of a line: more do not find room there. */
  hands: between(1, 11, 'people', { tooLittle: 'At least one.', tooMuch: 'At most 11 at one place.' }),
  /** Buckets that go round. */
  pails: between(1, 200, 'buckets', { tooLittle: 'At least one.' }),
  /** One bucket at one task. */
  task_s: between(1, 7200, 's', { tooLittle: 'At least 1 s.', tooMuch: 'At most two hours.' }),
  /** A clean-up, all hands together. */
  worked_s: between(0, 3_600_000, 's', { tooMuch: 'At most 1,000 hours.' }),
  section_m: between(0, 10, 'm'),
  /** Clearing one bucket that was fed as fast as the box takes it. */
  cleared_s: between(5, 7200, 's', { tooLittle: 'At least 5 s.', tooMuch: 'At most two hours.' }),
  /** A figure two things are compared by: mg, colors or minutes. */
  trialFigure: between(0, 1_000_000, '', { tooLittle: 'Not below 0.', tooMuch: 'At most 1,000,000.' }),
  tracers: between(1, 10_000, 'flakes', { tooLittle: 'At least one.', tooMuch: 'At most 10,000.' }),
  tracersHeld: between(0, 10_000, 'flakes', {
    tooLittle: 'A count cannot be less than 0.',
    tooMuch: 'At most 10,000.',
  }),
  /** Fed between two clean-ups, in the bank. */
  fedBank_L: above0(10_000_000, 'L'),
  sectionGold_mg: between(0, 100_000_000, 'mg', { tooMuch: 'At most 100 kg.' }),
  ledgerGold_mg: between(0, 100_000_000, 'mg', { tooMuch: 'At most 100 kg.' }),
  fineness_permille: between(0, 1000, '‰'),
  price: between(0, 1_000_000_000, 'of your money'),
  /** Parts a partner has of what is won. */
  parts: between(0, 10_000, 'parts'),
  blackSand_g: between(0, 1_000_000, 'g', { tooMuch: 'At most 1,000 kg.' }),

  startMinute: between(0, 1439, 'min', { tooLittle: 'Not before midnight.', tooMuch: 'Before midnight.' }),
  backMinute: between(1, 1440, 'min', { tooLittle: 'Not before midnight.', tooMuch: 'Not after midnight.' }),
  work_min: between(1, 1440, 'min', { tooLittle: 'At least a minute.', tooMuch: 'At most a day.' }),
  carry_kg: above0(200, 'kg'),
  tool_kg: between(0, 100, 'kg'),
} as const satisfies Readonly<Record<string, NumberLimit>>;

export const TEXTS = {
  name: { called: 'A name', longest: 80, needed: 'Give it a name.' },
  fileName: { called: 'A name', longest: 120, needed: 'Give it a name.' },
  note: { called: 'A note', longest: 4000 },
  layerNote: { called: 'A note', longest: 400 },
  /** A number or a measure as a person typed it. */
  entered: { called: 'A measure', longest: 60 },
  unit: { called: 'A unit', longest: 20 },
  comeBackWith: { called: 'What it needs', longest: 400 },
  coil: { called: 'A coil', longest: 80 },
  setting: { called: 'A setting', longest: 200 },
  trait: { called: 'A trait', longest: 30 },
  tub: { called: 'A tub’s number', longest: 20, needed: 'Give the tub a number.' },
  leak: { called: 'A place in the box', longest: 60, needed: 'Name the place.' },
  tag: { called: 'A tag', longest: 20, needed: 'Give the bag a tag.' },
  layer: { called: 'A layer', longest: 80 },
  who: { called: 'Who was at it', longest: 200 },
  screenSaid: { called: 'A screen', longest: 40 },
  screenName: { called: 'A screen', longest: 40, needed: 'Name the screen.' },
  place: { called: 'A place', longest: 80 },
  holder: { called: 'A name', longest: 80 },
  panner: { called: 'A name', longest: 80 },
  color: { called: 'A color', longest: 40 },
  planned: { called: 'What was planned', longest: 60 },
  container: { called: 'A name', longest: 40, needed: 'Give it a name.' },
  sizeWord: { called: 'A word', longest: 30, needed: 'Give it a word.' },
  section: { called: 'A name', longest: 60 },
  fullness: { called: 'How full', longest: 20 },
  jar: { called: 'A name', longest: 80, needed: 'Give the jar a name.' },
  level: { called: 'A mark', longest: 40 },
  vial: { called: 'A name', longest: 80 },
} as const satisfies Readonly<Record<string, TextLimit>>;

/** Most entries of a list. */
export const MOST = {
  tools: 40,
  stops: 60,
  layers: 20,
  screens: 12,
  sections: 20,
  boxSections: 8,
  cleanScreens: 6,
  weighings: 50,
  spoons: 60,
  leaks: 12,
  partners: 20,
  trialRounds: 60,
  runsOfACleanup: 200,
  outlinePoints: 2000,
  profilePoints: 2000,
  lookedAt: 500,
  linePoints: 20_000,
  planPoints: 400,
  planBags: 1000,
  eventsAtOnce: 500,
  deviceCount: 2_147_483_647,
} as const;

/** What is wrong with a number, in words; null when nothing is. */
export function numberProblem(limit: NumberLimit, value: number): string | null {
  if (!(limit.open ? value > limit.least : value >= limit.least)) return limit.tooLittle;
  return value <= limit.most ? null : limit.tooMuch;
}

export const tooLong = ({ called, longest }: TextLimit): string =>
  `${called} has at most ${figure(longest)} characters.`;

/** What is wrong with a text as typed, in words; null when nothing is. Spaces around it do not count. */
export function textProblem(limit: TextLimit, text: string): string | null {
  const written = text.trim();
  if (written === '' && limit.needed !== undefined) return limit.needed;
  return written.length > limit.longest ? `${tooLong(limit)} This has ${figure(written.length)}.` : null;
}

/** What is wrong with the texts of a form, by field; empty when nothing is. */
export function textProblems<F extends string>(
  limits: Readonly<Record<F, TextLimit>>,
  form: Readonly<Record<NoInfer<F>, string>>,
): Partial<Record<F, string>> {
  const wrong: Partial<Record<F, string>> = {};
  for (const field of Object.keys(limits) as F[]) {
    const problem = textProblem(limits[field], form[field]);
    if (problem !== null) wrong[field] = problem;
  }
  return wrong;
}
