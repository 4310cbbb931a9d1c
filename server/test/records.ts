import { v7 as uuidv7 } from 'uuid';
import {
  PLAIN_PAN,
  type Agreement,
  type Attachment,
  type BoxTest,
  type Cleanup,
  type Forecast,
  type Container,
  type GaugeReading,
  type SwellReading,
  type GoldEntry,
  type Ground,
  type Jar,
  type LoggedEvent,
  type Look,
  type Sweep,
  type Lift,
  type Lot,
  type Outline,
  type Permission,
  type Pit,
  type DaySheet,
  type Rig,
  type Run,
  type Sample,
  type SamplePlan,
  type Screening,
  type Seeding,
  type Setup,
  type Sign,
  type SizeWord,
  type Spot,
  type Trial,
  type Tub,
  type Washer,
  type WasherAir,
  type WorkRound,
} from '@riffle/contract';

/** For tests: one right record of each kind, new. Anything may be changed by the caller. */
type New<T> = T & { baseVersion: number };

const entered = (text: string, unit: string): { text: string; unit: string } => ({ text, unit });
const fresh = (): { id: string; deleted: boolean; baseVersion: number } => ({
  id: uuidv7(),
  deleted: false,
  baseVersion: 0,
});

export const newGround = (some: Partial<New<Ground>> = {}): New<Ground> => ({
  ...fresh(),
  name: 'Test creek',
  kind: 'creek',
  length_m: 500,
  swell_percent: 25,
  timeZone: 'Etc/GMT+2',
  fedBy: 'quartz veins',
  catchment_m2: 400_000,
  catchmentEntered: entered('40', 'ha'),
  note: '',
  tide: null,
  faceSlope: null,
  faceSlopeEntered: null,
  profile: [],
  lookedAt: [],
  joins: null,
  ...some,
});

export const newSpot = (groundId: string, some: Partial<New<Spot>> = {}): New<Spot> => ({
  ...fresh(),
  groundId,
  name: 'Bar',
  kind: 'bar',
  distance_m: 100,
  bank: 'left',
  offset_m: 3,
  position: null,
  worksBelow_m: null,
  worksBelowEntered: null,
  samplePlanId: null,
  note: '',
  ...some,
});

export const newSign = (groundId: string, some: Partial<New<Sign>> = {}): New<Sign> => ({
  ...fresh(),
  groundId,
  kind: 'boulder lee',
  distance_m: 120,
  bank: 'right',
  offset_m: 4,
  position: null,
  seenAt: '2026-05-01T08:00:00.000Z',
  size_mm: null,
  sizeEntered: null,
  cover_m: null,
  coverEntered: null,
  height_m: null,
  heightEntered: null,
  weight: null,
  comeBackWith: '',
  note: '',
  traits: {},
  ...some,
});

export const newGaugeReading = (groundId: string, some: Partial<New<GaugeReading>> = {}): New<GaugeReading> => ({
  ...fresh(),
  groundId,
  readAt: '2026-05-01T08:00:00.000Z',
  level_m: 0.34,
  levelEntered: entered('34', 'cm'),
  isFlood: false,
  note: '',
  ...some,
});

export const newSwellReading = (groundId: string, some: Partial<New<SwellReading>> = {}): New<SwellReading> => ({
  ...fresh(),
  groundId,
  readAt: '2026-05-01T08:00:00.000Z',
  height_m: 1.2,
  heightEntered: entered('1.2', 'm'),
  period_s: 9,
  isStorm: false,
  cut_m: null,
  cutEntered: null,
  note: '',
  ...some,
});

export const newPermission = (groundId: string, some: Partial<New<Permission>> = {}): New<Permission> => ({
  ...fresh(),
  groundId,
  name: 'Spawning',
  kind: 'closed season',
  from: '2026-08-15',
  to: '2026-10-31',
  everyYear: true,
  note: '',
  ...some,
});

export const newSample = (groundId: string, spotId: string, some: Partial<New<Sample>> = {}): New<Sample> => ({
  ...fresh(),
  groundId,
  spotId,
  takenAt: '2026-05-01T08:00:00.000Z',
  depth_m: 0.3,
  depthEntered: entered('1', 'ft'),
  volume_L: 9.5,
  volumeEntered: entered('2', 'pan'),
  volumeState: 'loose',
  counts: { '+10': 0, '10-20': 0, '20-40': 1, '-40': 2 },
  blackSand: 1,
  gold_mg: null,
  goldEntered: null,
  ...PLAIN_PAN,
  note: '',
  ...some,
});

export const newRig = (some: Partial<New<Rig>> = {}): New<Rig> => ({
  ...fresh(),
  name: 'Box',
  sections: [newRigSection()],
  leakPoints: [],
  washer: null,
  note: '',
  ...some,
});
export const newRigSection = (some: Partial<Rig['sections'][number]> = {}): Rig['sections'][number] => ({
  lining: 'riffles',
  own: null,
  width_m: 0.254,
  widthEntered: entered('10', 'in'),
  length_m: 1.2,
  lengthEntered: entered('1.2', 'm'),
  step_m: 0,
  stepEntered: null,
  ...some,
});

export const newWasher = (some: Partial<Washer> = {}): Washer => ({
  riffle_m: 0.012,
  riffleEntered: entered('12', 'mm'),
  spacing_m: 0.09,
  spacingEntered: entered('90', 'mm'),
  cloth: 'usual',
  drive: {
    kind: 'bellows',
    stroke_L: 6.5,
    strokeEntered: entered('6.5', 'L'),
    motor: { speed_rpm: 1750, pulley_mm: 40, drivenPulley_mm: 250 },
  },
  battery: { usable_Ah: 17.5, drawn_A: 5 },
  ...some,
});
export const newAir = (some: Partial<WasherAir> = {}): WasherAir => ({
  drive: { kind: 'bellows', puffs_min: 270 },
  driveEntered: '',
  altitude_m: 600,
  altitudeEntered: entered('600', 'm'),
  squeeze: 'dusts',
  isClayey: false,
  pass: 1,
  ...some,
});

export const newSetup = (groundId: string, rigId: string, some: Partial<New<Setup>> = {}): New<Setup> => ({
  ...fresh(),
  groundId,
  rigId,
  spotId: null,
  setAt: '2026-05-01T08:00:00.000Z',
  slope: 0.05,
  pitchEntered: entered('5', '%'),
  depth_m: null,
  depthEntered: null,
  flow_m3_s: 0.003,
  flowEntered: entered('3', 'L/s'),
  air: null,
  stone_m: 0.0127,
  stoneEntered: entered('1/2', 'in'),
  temperature_C: 10,
  scoop_L: 0.28,
  scoopEntered: entered('1', 'scoop'),
  bucket_L: 20,
  bucketEntered: entered('20', 'L'),
  note: '',
  ...some,
});

export const newRun = (groundId: string, setupId: string, spotId: string, some: Partial<New<Run>> = {}): New<Run> => ({
  ...fresh(),
  groundId,
  setupId,
  spotId,
  startedAt: '2026-05-01T09:00:00.000Z',
  bucket_L: 20,
  bucketEntered: entered('20', 'L'),
  people: null,
  who: '',
  layer: '',
  fuel_L: null,
  fuelEntered: null,
  note: '',
  ...some,
});

/** What most other records hang on, by kind, in the order they must be written. */
export function firstRecords() {
  const ground = newGround();
  const spot = newSpot(ground.id);
  const rig = newRig();
  const setup = newSetup(ground.id, rig.id);
  return { grounds: ground, spots: spot, rigs: rig, setups: setup, runs: newRun(ground.id, setup.id, spot.id) };
}

/** A full bucket of 20 L, so many minutes into a run that began at nine. */
export const bucketAt = (minute: number, spotId: string | null, some: Partial<LoggedEvent> = {}): LoggedEvent => ({
  id: uuidv7(),
  kind: 'bucket',
  at: new Date(Date.UTC(2026, 4, 1, 9, minute)).toISOString(),
  spotId,
  volume_L: 20,
  fullness: 'full',
  undoes: null,
  deviceId: null,
  deviceCount: null,
  by: null,
  ...some,
});

export const newSection = (from_m: number, to_m: number, gold_mg: number): Cleanup['sections'][number] => ({
  name: '',
  from_m,
  to_m,
  lining: 'riffles',
  gold_mg,
  goldEntered: entered(String(gold_mg), 'mg'),
  colors: null,
  bySize: [],
  weighing: null,
});

export const newCleanup = (
  groundId: string,
  runIds: string[],
  sections: Cleanup['sections'],
  some: Partial<New<Cleanup>> = {},
): New<Cleanup> => ({
  ...fresh(),
  groundId,
  runIds,
  rinseOutOf: [],
  cleanedAt: '2026-05-01T15:00:00.000Z',
  sections,
  screens: [],
  blackSand_g: null,
  blackSandEntered: null,
  rinsedClean: 'yes',
  worked_s: null,
  note: '',
  ...some,
});

export const newTrial = (groundId: string, some: Partial<New<Trial>> = {}): New<Trial> => ({
  ...fresh(),
  groundId,
  a: 'raised riffles',
  b: 'vortex cells',
  measure: 'gold in the box',
  rounds: [
    {
      tossedAt: '2026-05-01T09:00:00.000Z',
      first: 'B',
      a: { value: 12.5, entered: entered('12.5', 'mg') },
      b: { value: null, entered: null },
    },
  ],
  note: '',
  ...some,
});

export const newDaySheet = (groundId: string, some: Partial<New<DaySheet>> = {}): New<DaySheet> => ({
  ...fresh(),
  groundId,
  day: '2026-05-02',
  start_min: 480,
  back_min: 960,
  start_m: 0,
  rest_min: 30,
  limit_kg: 20,
  tools: [{ name: 'shovel', kg: 2 }],
  aim: 'best traps',
  way: 'quick pans',
  frozen: false,
  waterAway: false,
  stops: [{ placeId: 'signs-1', spotId: null, name: 'Bar', distance_m: 100, bank: 'left', offset_m: 3, work_min: 30 }],
  note: '',
  ...some,
});

export const newOutline = (groundId: string, some: Partial<New<Outline>> = {}): New<Outline> => ({
  ...fresh(),
  groundId,
  name: 'Upper bench',
  kind: 'bench',
  points: [
    [-33, 46.5],
    [-33.001, 46.5],
    [-33.001, 46.501],
  ],
  height_m: 4,
  holder: null,
  permissionId: null,
  note: '',
  ...some,
});

export const newAttachment = (
  groundId: string,
  aboutId: string,
  some: Partial<New<Attachment>> = {},
): New<Attachment> => ({
  ...fresh(),
  groundId,
  about: 'spot',
  aboutId,
  name: 'bar.png',
  mime: 'image/png',
  takenAt: null,
  position: null,
  width_px: 1,
  height_px: 1,
  note: '',
  ...some,
});

export const newLot = (groundId: string, spotId: string | null, some: Partial<New<Lot>> = {}): New<Lot> => ({
  ...fresh(),
  groundId,
  spotId,
  tag: uuidv7().slice(-12),
  layer: '',
  volume_L: 9.5,
  volumeEntered: entered('2', 'pan'),
  screen: '',
  takenAt: '2026-05-01T08:00:00.000Z',
  state: 'waiting',
  place: '',
  holder: '',
  samplePlanId: null,
  fromDepth_m: null,
  toDepth_m: null,
  note: '',
  ...some,
});

export const newSamplePlan = (groundId: string, some: Partial<New<SamplePlan>> = {}): New<SamplePlan> => ({
  ...fresh(),
  groundId,
  name: 'Across the bar',
  pattern: 'traverse',
  madeAt: '2026-05-01T08:00:00.000Z',
  bag_L: 9.5,
  bagEntered: entered('2', 'pan'),
  note: '',
  ...some,
});

export const newLayer = (thickness_m: number, some: Partial<Pit['layers'][number]> = {}): Pit['layers'][number] => ({
  id: uuidv7(),
  thickness_m,
  thicknessEntered: entered(String(thickness_m), 'm'),
  material: 'gravel',
  color: 'brown',
  firmness: 'loose',
  moisture: 'moist',
  clay: 0,
  iron: false,
  blackSand_percent: null,
  cobbles_percent: 10,
  pay: false,
  note: '',
  ...some,
});

export const newPit = (groundId: string, spotId: string, some: Partial<New<Pit>> = {}): New<Pit> => ({
  ...fresh(),
  groundId,
  spotId,
  name: 'Pit 1',
  dugAt: '2026-05-01T08:00:00.000Z',
  planned: '1 m square',
  length_m: 1,
  lengthEntered: entered('1', 'm'),
  width_m: 0.8,
  widthEntered: entered('80', 'cm'),
  batter: 0,
  layers: [newLayer(0.4, { material: 'silt' }), newLayer(0.3, { pay: true })],
  bottom: 'clay',
  waterAt_m: null,
  crevice: null,
  filledIn: false,
  putBack: false,
  note: '',
  ...some,
});

export const newScreening = (groundId: string, spotId: string, some: Partial<New<Screening>> = {}): New<Screening> => ({
  ...fresh(),
  groundId,
  spotId,
  lotId: null,
  screenedAt: '2026-05-01T08:00:00.000Z',
  measure: 'mass',
  way: 'wet',
  moisture_percent: 8,
  wentIn: 20,
  wentInEntered: entered('20', 'kg'),
  screens: [
    { name: '1/4 in', aperture_mm: 6.3, shape: 'square', kept: 8, keptEntered: entered('8', 'kg'), colors: 0 },
    { name: 'No. 10', aperture_mm: 2, shape: 'square', kept: 6, keptEntered: entered('6', 'kg'), colors: null },
  ],
  through: 5.8,
  throughEntered: entered('5.8', 'kg'),
  note: '',
  ...some,
});

export const newLook = (groundId: string, spotId: string, some: Partial<New<Look>> = {}): New<Look> => ({
  ...fresh(),
  groundId,
  spotId,
  lookedAt: '2026-05-01T08:30:00.000Z',
  aperture_mm: 6.3,
  volume_L: 18.9,
  volumeEntered: entered('1', 'bucket'),
  pieces: 0,
  ...some,
});

export const newSweep = (groundId: string, spotId: string, some: Partial<New<Sweep>> = {}): New<Sweep> => ({
  ...fresh(),
  groundId,
  spotId,
  sweptAt: '2026-05-01T08:40:00.000Z',
  what: 'floor of the hole',
  coil: '6 in',
  setting: 'fine gold, sensitivity 8',
  floor_m: 0.6,
  floorEntered: entered('0.6', 'm'),
  signals: 4,
  gold: 1,
  note: '',
  ...some,
});

export const newBoxTest = (groundId: string, setupId: string, some: Partial<New<BoxTest>> = {}): New<BoxTest> => ({
  ...fresh(),
  groundId,
  setupId,
  testedAt: '2026-05-01T10:00:00.000Z',
  tested: { kind: 'timed bucket', took_s: 240, volume_L: 20, volumeEntered: entered('20', 'L') },
  note: '',
  ...some,
});

export const newJar = (groundId: string, some: Partial<New<Jar>> = {}): New<Jar> => ({
  ...fresh(),
  groundId,
  name: 'Tub 2, minus 30',
  madeAt: '2026-05-02T18:00:00.000Z',
  coarsest_mm: 0.6,
  finest_mm: 0.3,
  volume_L: 0.4,
  volumeEntered: entered('400', 'mL'),
  way: 'recirculating box',
  state: 'washed',
  floor: {
    feature_m: 0.0005,
    featureEntered: entered('0.5', 'mm'),
    width_m: 0.2,
    widthEntered: entered('20', 'cm'),
    slope: 0.08,
    pitchEntered: entered('8', '%'),
    companion: 'magnetite',
    saltWater: false,
  },
  sluice: {
    riffle_m: 0.006,
    riffleEntered: entered('6', 'mm'),
    spacing_m: 0.075,
    spacingEntered: entered('75', 'mm'),
    riffles: 12,
    width_m: 0.254,
    widthEntered: entered('10', 'in'),
    slope: 1 / 12,
    pitchEntered: entered('1', 'in/ft'),
    depth_m: 0.016,
    depthEntered: entered('16', 'mm'),
    blackShare: 0.5,
    took_s: 7200,
  },
  spoons: [{ depth_m: 0.002, depthEntered: entered('2', 'mm'), saw: 'right', took_s: 90, level: '42 mm' }],
  magnet: { washedShare: 0.25, found: 2, elsewhere: 120 },
  gold_mg: 812.4,
  goldEntered: entered('812.4', 'mg'),
  note: '',
  ...some,
});

export const newWorkRound = (groundId: string, some: Partial<New<WorkRound>> = {}): New<WorkRound> => ({
  ...fresh(),
  groundId,
  timedAt: '2026-05-01T11:00:00.000Z',
  bucket_L: 20,
  bucketEntered: { text: '20', unit: 'L' },
  dig_s: 150,
  carry_s: 60,
  screen_s: null,
  feed_s: 90,
  posts: [
    { tasks: ['dig'], people: 1 },
    { tasks: ['carry', 'feed'], people: 1 },
  ],
  pails: 4,
  note: '',
  ...some,
});

export const newLift = (groundId: string, runIds: string[], some: Partial<New<Lift>> = {}): New<Lift> => ({
  ...fresh(),
  groundId,
  runIds,
  liftedAt: '2026-05-01T14:10:00.000Z',
  tubs: [newTub('1', 0, 0.2), newTub('2', 0.2, 1.2)],
  rinsedClean: 'no',
  leaksWashed: ['under the mat'],
  note: '',
  ...some,
});
export const newTub = (tag: string, from_m: number, to_m: number, some: Partial<Tub> = {}): Tub => ({
  tag,
  name: 'head',
  from_m,
  to_m,
  lining: 'riffles',
  place: '',
  holder: '',
  lost: false,
  finish: null,
  ...some,
});

export const newForecast = (
  groundId: string,
  setupId: string,
  runIds: string[],
  some: Partial<New<Forecast>> = {},
): New<Forecast> => ({
  ...fresh(),
  groundId,
  setupId,
  runIds,
  sealedAt: '2026-05-01T14:00:00.000Z',
  volumeBank_L: 170,
  sections: [
    { from_m: 0, to_m: 0.2, low_mg: 2, middle_mg: 5, high_mg: 12 },
    { from_m: 0.2, to_m: 1.2, low_mg: 1, middle_mg: 2, high_mg: 6 },
  ],
  all: { low_mg: 3, middle_mg: 7, high_mg: 17 },
  pans: 4,
  measuredBy: 0,
  ...some,
});

export const newContainer = (some: Partial<New<Container>> = {}): New<Container> => ({
  ...fresh(),
  name: `pan ${uuidv7().slice(-8).replaceAll(/\d/g, 'x')}`,
  volume_L: 5.1,
  volumeEntered: entered('5.1', 'L'),
  way: 'weight of water',
  note: '',
  ...some,
});

export const newSizeWord = (some: Partial<New<SizeWord>> = {}): New<SizeWord> => ({
  ...fresh(),
  word: `bit ${uuidv7().slice(-8).replaceAll(/\d/g, 'x')}`,
  size: '20-40',
  ...some,
});

export const newSeeding = (some: Partial<New<Seeding>> = {}): New<Seeding> => ({
  ...fresh(),
  panner: 'Ada',
  seededAt: '2026-05-01T08:00:00.000Z',
  size: '-40',
  putIn: 10,
  cameBack: 8,
  way: 'wet',
  note: '',
  ...some,
});

export const newGoldEntry = (some: Partial<New<GoldEntry>> = {}): New<GoldEntry> => ({
  ...fresh(),
  at: '2026-05-02T18:00:00.000Z',
  deed: 'moved',
  from: 'unsorted',
  to: 'vial A',
  amount_mg: 12.5,
  amountEntered: entered('12.5', 'mg'),
  out_mg: null,
  outEntered: null,
  fineness_permille: null,
  price: null,
  corrects: null,
  note: '',
  ...some,
});

export const newAgreement = (some: Partial<New<Agreement>> = {}): New<Agreement> => ({
  ...fresh(),
  since: '2026-05-01',
  partners: [
    { name: 'Ana', parts: 2 },
    { name: 'Ben', parts: 1 },
  ],
  note: '',
  ...some,
});
