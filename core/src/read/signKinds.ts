/** How a sign belongs with others: signs of one family tell much the same thing, so together they count less than their sum. */
export type SignFamily = 'slow water' | 'bed' | 'bank' | 'heavies' | 'float' | 'people' | 'note' | 'own';

/** What prospectors hold of a kind of place or find. */
export interface SignKind {
  readonly family: SignFamily;
  /** Tries and how many of them paid, as if seen before the first own try: how much weight common practice carries. */
  readonly prior: { readonly paid: number; readonly tried: number };
  /** Share of an old blank's weight that is left after a flood: skins are renewed, bedrock is not. */
  readonly blankAfterFlood: number;
  /** In words, after "because of". */
  readonly says: string;
}

/** Chance that a pan at a usual place of a ground worth walking pays: one in four. Common practice, no source. */
export const COMMON_BASE = 0.25;

/**
 * Signs and what they are worth. Common practice, no source: the order is the trade's (bedrock cracks and inside bends before
 * lees, lees before bare black sand), the numbers are stated assumptions worth about six tries each, and own results move them.
 * Place kinds come first and are also kinds of spot.
 */
export const SIGN_KINDS = {
  bar: { family: 'slow water', prior: { paid: 1.5, tried: 6 }, blankAfterFlood: 0.3, says: 'a bar' },
  'inside bend': {
    family: 'slow water',
    prior: { paid: 2.4, tried: 6 },
    blankAfterFlood: 0.3,
    says: 'inside of a bend',
  },
  'boulder lee': {
    family: 'slow water',
    prior: { paid: 2.1, tried: 6 },
    blankAfterFlood: 0.5,
    says: 'lee of boulders',
  },
  bedrock: { family: 'bed', prior: { paid: 2.7, tried: 6 }, blankAfterFlood: 1, says: 'bedrock within reach' },
  crevice: { family: 'bed', prior: { paid: 3, tried: 6 }, blankAfterFlood: 0.9, says: 'cracks in the bedrock' },
  undercut: { family: 'bank', prior: { paid: 2.1, tried: 6 }, blankAfterFlood: 0.3, says: 'undercut bank' },
  bench: { family: 'bank', prior: { paid: 1.8, tried: 6 }, blankAfterFlood: 1, says: 'old channel on a bench' },
  'draw mouth': { family: 'slow water', prior: { paid: 1.8, tried: 6 }, blankAfterFlood: 0.5, says: 'a draw joins' },
  'cut bank': {
    family: 'bank',
    prior: { paid: 1.8, tried: 6 },
    blankAfterFlood: 0.4,
    says: 'gravel seam in a cut bank',
  },
  other: { family: 'slow water', prior: { paid: 1.2, tried: 6 }, blankAfterFlood: 0.6, says: 'no sign named' },
  'clay seam': { family: 'bed', prior: { paid: 2.1, tried: 6 }, blankAfterFlood: 1, says: 'clay that stops gold' },
  'black sand': { family: 'heavies', prior: { paid: 1.8, tried: 6 }, blankAfterFlood: 0.3, says: 'black sand' },
  'lead or iron': {
    family: 'heavies',
    prior: { paid: 2.1, tried: 6 },
    blankAfterFlood: 0.5,
    says: 'lead and iron lie there',
  },
  float: { family: 'float', prior: { paid: 1.7, tried: 6 }, blankAfterFlood: 1, says: 'float quartz' },
  'stained float': { family: 'float', prior: { paid: 2.2, tried: 6 }, blankAfterFlood: 1, says: 'iron-stained float' },
  'old workings': {
    family: 'people',
    prior: { paid: 1.8, tried: 6 },
    blankAfterFlood: 1,
    says: 'old hand workings beside it',
  },
  'virgin ground': {
    family: 'people',
    prior: { paid: 2.1, tried: 6 },
    blankAfterFlood: 1,
    says: 'ground nobody has turned',
  },
  hardpan: { family: 'bed', prior: { paid: 2.1, tried: 6 }, blankAfterFlood: 1, says: 'hardpan that stops gold' },
  hollow: {
    family: 'slow water',
    prior: { paid: 1.7, tried: 6 },
    blankAfterFlood: 0.6,
    says: 'a hollow on flat ground',
  },
  'berm toe': { family: 'bank', prior: { paid: 2.4, tried: 6 }, blankAfterFlood: 0.2, says: 'toe of a cut berm' },
  'rock change': {
    family: 'float',
    prior: { paid: 1.9, tried: 6 },
    blankAfterFlood: 1,
    says: 'the rock changes there',
  },
  step: { family: 'slow water', prior: { paid: 2, tried: 6 }, blankAfterFlood: 0.5, says: 'foot of a step' },
  slack: { family: 'slow water', prior: { paid: 2, tried: 6 }, blankAfterFlood: 0.4, says: 'slack below fast water' },
  narrows: { family: 'slow water', prior: { paid: 1.8, tried: 6 }, blankAfterFlood: 0.6, says: 'below a narrows' },
  // Notes to take: they say nothing for or against a pan.
  'flood mark': { family: 'note', prior: { paid: 1.5, tried: 6 }, blankAfterFlood: 0.5, says: 'a flood mark' },
  'water hole': { family: 'note', prior: { paid: 1.5, tried: 6 }, blankAfterFlood: 0.5, says: 'water to pan with' },
  'box site': { family: 'note', prior: { paid: 1.5, tried: 6 }, blankAfterFlood: 0.5, says: 'a place for the box' },
  'turned over': {
    family: 'people',
    prior: { paid: 0.7, tried: 6 },
    blankAfterFlood: 1,
    says: 'turned over by others',
  },
} as const satisfies Readonly<Record<string, SignKind>>;
export type SignKindName = keyof typeof SIGN_KINDS;
export const SIGN_KIND_NAMES = Object.keys(SIGN_KINDS) as SignKindName[];

/** A kind the crew named itself: common practice holds nothing of it, so only own results move it. */
export type OwnKind = `own: ${string}`;
export const OWN_KIND = /^own: .{1,30}$/;
export type AnyKind = SignKindName | OwnKind;

/** What is held of a kind, the crew's own ones included. */
export const signKind = (kind: AnyKind): SignKind =>
  SIGN_KINDS[kind as SignKindName] ?? {
    family: 'own',
    prior: { paid: 6 * COMMON_BASE, tried: 6 },
    blankAfterFlood: 0.6,
    says: kind.slice('own: '.length),
  };

/** A closer look at a sign, and what each answer adds to it in log odds. */
export interface SignTrait {
  readonly name: string;
  readonly asks: string;
  readonly of: readonly SignKindName[];
  readonly choices: readonly { readonly value: string; readonly logOdds: number }[];
}

/**
 * What a closer look adds. Common practice, no source (the trade's rules of bedrock, cracks, float and layers): the signs of the
 * numbers are the trade's, their sizes stated assumptions, small beside what own pans say.
 */
export const SIGN_TRAITS: readonly SignTrait[] = [
  {
    name: 'strike',
    asks: 'Crack runs',
    of: ['crevice', 'bedrock'],
    choices: [
      { value: 'across the flow', logOdds: 0.35 },
      { value: 'slanting', logOdds: 0 },
      { value: 'along the flow', logOdds: -0.35 },
    ],
  },
  {
    name: 'depth',
    asks: 'Crack depth',
    of: ['crevice'],
    choices: [
      { value: 'a finger', logOdds: -0.1 },
      { value: 'a hand', logOdds: 0.1 },
      { value: 'an arm', logOdds: 0.3 },
    ],
  },
  {
    name: 'soundness',
    asks: 'Rock sounds',
    of: ['bedrock', 'crevice'],
    choices: [
      { value: 'rings hard', logOdds: -0.2 },
      { value: 'dull knock', logOdds: 0.1 },
      { value: 'rotten, still standing', logOdds: 0.4 },
    ],
  },
  {
    name: 'roughness',
    asks: 'Rock looks',
    of: ['bedrock'],
    choices: [
      { value: 'polished', logOdds: -0.35 },
      { value: 'rough', logOdds: 0.2 },
      { value: 'ribbed across', logOdds: 0.35 },
    ],
  },
  {
    name: 'tightness',
    asks: 'Bend turns',
    of: ['inside bend'],
    choices: [
      { value: 'gently', logOdds: -0.1 },
      { value: 'sharply', logOdds: 0.2 },
      { value: 'right round', logOdds: 0.3 },
    ],
  },
  {
    name: 'firmness',
    asks: 'Layer is',
    of: ['undercut', 'bench', 'cut bank', 'clay seam', 'bar'],
    choices: [
      { value: 'loose', logOdds: -0.15 },
      { value: 'firm', logOdds: 0.1 },
      { value: 'rings hard', logOdds: 0.25 },
    ],
  },
  {
    name: 'wear',
    asks: 'Float is',
    of: ['float', 'stained float'],
    choices: [
      { value: 'rounded', logOdds: -0.25 },
      { value: 'edges worn', logOdds: 0 },
      { value: 'sharp-edged', logOdds: 0.3 },
    ],
  },
  {
    name: 'stain',
    asks: 'Stain',
    of: ['float', 'stained float'],
    choices: [
      { value: 'white', logOdds: -0.2 },
      { value: 'rusty', logOdds: 0.1 },
      { value: 'dark', logOdds: 0.25 },
    ],
  },
  {
    name: 'pits',
    asks: 'Cavities',
    of: ['float', 'stained float'],
    choices: [
      { value: 'none', logOdds: -0.1 },
      { value: 'empty', logOdds: 0.1 },
      { value: 'dark-filled', logOdds: 0.3 },
    ],
  },
  {
    name: 'amount',
    asks: 'Black sand',
    of: ['black sand'],
    choices: [
      { value: 'a trace', logOdds: -0.2 },
      { value: 'streaks', logOdds: 0.1 },
      { value: 'a seam', logOdds: 0.35 },
    ],
  },
  {
    name: 'grains',
    asks: 'Grains are',
    of: ['black sand', 'lead or iron', 'bar', 'inside bend', 'bedrock', 'crevice', 'clay seam', 'draw mouth'],
    choices: [
      { value: 'flat and thin', logOdds: -0.05 },
      { value: 'rough', logOdds: 0.2 },
    ],
  },
  {
    name: 'part',
    asks: 'Part of the bar',
    of: ['bar'],
    choices: [
      { value: 'head', logOdds: 0.25 },
      { value: 'inside line', logOdds: 0.15 },
      { value: 'tail', logOdds: -0.15 },
    ],
  },
  {
    name: 'company',
    asks: 'With it',
    of: ['black sand', 'bar', 'inside bend', 'bedrock', 'crevice', 'clay seam', 'hardpan', 'boulder lee'],
    choices: [
      { value: 'garnet', logOdds: 0.1 },
      { value: 'lead or shot', logOdds: 0.2 },
      { value: 'wire or scrap iron', logOdds: 0.15 },
      { value: 'mica only', logOdds: -0.2 },
    ],
  },
  {
    name: 'rock',
    asks: 'What it is',
    of: ['rock change'],
    choices: [
      { value: 'ironstone', logOdds: 0.15 },
      { value: 'schist', logOdds: 0.1 },
      { value: 'a dyke', logOdds: 0.15 },
      { value: 'altered', logOdds: 0.2 },
    ],
  },
  {
    name: 'holds',
    asks: 'Water',
    of: ['water hole'],
    choices: [
      { value: 'holds all year', logOdds: 0 },
      { value: 'dry in summer', logOdds: 0 },
    ],
  },
  {
    name: 'stream',
    asks: 'Water there',
    of: ['box site'],
    choices: [
      { value: 'fast and smooth', logOdds: 0 },
      { value: 'slow', logOdds: 0 },
      { value: 'broken', logOdds: 0 },
    ],
  },
  {
    name: 'narrowing',
    asks: 'To dam it takes',
    of: ['box site'],
    choices: [
      { value: 'nothing', logOdds: 0 },
      { value: 'a few stones', logOdds: 0 },
      { value: 'a long wing', logOdds: 0 },
    ],
  },
  {
    name: 'footing',
    asks: 'Footing',
    of: ['box site'],
    choices: [
      { value: 'firm', logOdds: 0 },
      { value: 'loose stones', logOdds: 0 },
      { value: 'soft', logOdds: 0 },
    ],
  },
  {
    name: 'left',
    asks: 'Left beside it',
    of: ['old workings', 'turned over'],
    choices: [
      { value: 'nothing', logOdds: -0.3 },
      { value: 'a virgin strip', logOdds: 0.4 },
    ],
  },
  {
    name: 'ledge',
    asks: 'Step',
    of: ['boulder lee', 'draw mouth'],
    choices: [
      { value: 'deep hole', logOdds: -0.1 },
      { value: 'shallow lee', logOdds: 0.15 },
    ],
  },
];

/** Signs that mean more together than alone: bend, undercut and bedrock at once is the best there is. Common practice, no source. */
export const COMBINATIONS: readonly {
  readonly kinds: readonly SignKindName[];
  readonly logOdds: number;
  readonly says: string;
}[] = [
  { kinds: ['inside bend', 'undercut', 'bedrock'], logOdds: 0.7, says: 'bend, undercut and bedrock at once' },
  { kinds: ['boulder lee', 'bedrock'], logOdds: 0.3, says: 'a lee on bedrock' },
  { kinds: ['inside bend', 'black sand'], logOdds: 0.2, says: 'black sand where a bend drops it' },
];
