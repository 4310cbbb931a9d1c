/** Kinds of spot nobody digs at: way points of a camp or a car, and marks that stand for something else. */
export const NO_DIG_KINDS = ['camp or car', 'mark'] as const;
export type NoDigKind = (typeof NO_DIG_KINDS)[number];
export const isNoDig = (kind: string): kind is NoDigKind => (NO_DIG_KINDS as readonly string[]).includes(kind);

/** What way points of a receiver are called that mark no ground. Common practice, no source. */
const NO_GROUND = /\b(camp|car|truck|parking|parked|tent|cabin|hut|home|gate|trail ?head|landing)\b/i;
/** What a way point seems to be by its name, until a person says: a place to dig unless it is called after a camp or a car. */
export const waypointKind = (name: string): 'other' | NoDigKind => (NO_GROUND.test(name) ? 'camp or car' : 'other');
