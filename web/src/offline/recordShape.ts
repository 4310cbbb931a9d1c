declare const RECORD_SHAPE: string;

/**
 * What records look like in this build: a name for the contract and the migrations it was made with. Lists kept under
 * another are read anew as a whole, for no version of a record tells of a field that came since.
 */
export const recordShape = RECORD_SHAPE;
