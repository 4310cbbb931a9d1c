/** Kinds a person chooses from. Plain lists, so that a screen can show them without loading the schemas. */
export const GROUND_KINDS = ['creek', 'beach', 'wash', 'bench', 'hillside'] as const;
export const LOT_STATES = ['waiting', 'panned', 'run', 'lost'] as const;
export const SPOT_KINDS = ['bar', 'inside bend', 'boulder lee', 'bedrock', 'crevice', 'undercut', 'bench', 'draw mouth', 'cut bank', 'other'] as const;
/** What a day looks for: places likeliest to pay, or the ones that teach most. */
export const DAY_AIMS = ['best traps', 'odd places'] as const;
/** How each place is tried: a few quick pans, or one square metre taken down well. */
export const DAY_WAYS = ['quick pans', 'one square metre'] as const;
export const OUTLINE_KINDS = ['bar', 'bench', 'claim', 'workings', 'path'] as const;
