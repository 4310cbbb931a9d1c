import { NO_DIG_KINDS } from '@riffle/core';
/** Kinds a person chooses from. Plain lists, so that a screen can show them without loading the schemas. */
export const GROUND_KINDS = ['creek', 'beach', 'wash', 'bench', 'hillside'] as const;
export const LOT_STATES = ['planned', 'waiting', 'panned', 'run', 'lost'] as const;
export const SPOT_KINDS = [
  'bar',
  'inside bend',
  'boulder lee',
  'bedrock',
  'crevice',
  'undercut',
  'bench',
  'draw mouth',
  'cut bank',
  'other',
  ...NO_DIG_KINDS,
] as const;
/** What a day looks for: places likeliest to pay, or the ones that teach most. */
export const DAY_AIMS = ['best traps', 'odd places'] as const;
/** How each place is tried: a few quick pans, or one square metre taken down well. */
export const DAY_WAYS = ['quick pans', 'one square metre'] as const;
/** What a detector was swept over. */
export const SWEPT = [
  'ground before digging',
  'floor of the hole',
  'walls of the hole',
  'tailings',
  'oversize',
] as const;
export const OUTLINE_KINDS = ['bar', 'bench', 'claim', 'protected', 'workings', 'path'] as const;
/** How firm a layer is, by sound and feel. */
export const FIRMNESS = ['loose', 'firm', 'rings hard'] as const;
export const MOISTURE = ['dry', 'moist', 'wet', 'frozen'] as const;
/** What a pit ends on. "false bottom" is a layer that only looks like the end: gold may lie below it too. */
export const PIT_BOTTOMS = [
  'not reached',
  'bedrock, hard and smooth',
  'bedrock, cracked',
  'bedrock, rotten',
  'false bottom',
  'clay',
  'water',
  'frozen',
] as const;
export const CREVICE_STATES = ['found', 'part cleaned', 'frozen', 'part cleaned, frozen', 'cleaned out'] as const;
export const CREVICE_STRIKES = ['across the flow', 'slantwise', 'along the flow'] as const;
/** The rock a crack is in, as it sounds to the bar. */
export const CREVICE_ROCKS = ['rings hard', 'dull knock', 'rotten, still standing'] as const;
export const SCREEN_SHAPES = ['square', 'round', 'slot'] as const;
export const SAMPLE_PATTERNS = ['traverse', 'grid', 'test square', 'crevice sweep', 'upstream series'] as const;
/** What may happen at a box while it runs, tapped as it happens. */
export const BOX_EVENTS = ['big stone', 'dry feed', 'clay', 'bubbles'] as const;
/** And at a dry washer. */
export const WASHER_EVENTS = ['damp feed', 'lies still', 'dust blows', 'cloth torn'] as const;
/** The state of a jar of concentrate of one fraction, in the order of the work. */
export const JAR_STATES = [
  'waiting',
  'looked through',
  'washed',
  'tails washed',
  'dry',
  'magnet off',
  'weighed',
] as const;
/** What was seen at a finishing floor while a spoon was on it. */
export const FLOOR_SEEN = ['sand lies still', 'right', 'gold creeps'] as const;
/** How concentrate is brought down to gold. */
export const FINISH_WAYS = ['pan', 'finishing sluice', 'recirculating box', 'otherwise'] as const;
/** What two ways of working are compared by, and which of two figures is the better. */
export const TRIAL_MEASURES = {
  'gold in the box': 'more',
  'colors in the pan': 'more',
  'colors in the tail pan': 'less',
  'minutes a bucket': 'less',
} as const;
/** How a container's size was found. */
export const CONTAINER_WAYS = ['weight of water', 'litres poured', 'said'] as const;
/** How a pan was worked. */
export const PAN_WAYS = ['quick test', 'by fractions', 'dry', 'final separation'] as const;
/** A pan about which nothing more is known than where it was dug, how much it was and what was counted. */
export const PLAIN_PAN = {
  pitId: null,
  layerId: null,
  layer: '',
  lotId: null,
  bucket: null,
  way: 'quick test',
  panner: '',
  took_min: null,
  grownIn: 0,
  fromSafetyPan: 0,
  seenWith: null,
  saidBefore: null,
  riffleSaid: null,
} as const;
