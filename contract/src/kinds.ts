/** Kinds a person chooses from. Plain lists, so that a screen can show them without loading the schemas. */
export const GROUND_KINDS = ['creek', 'beach', 'wash', 'bench'] as const;
export const SPOT_KINDS = ['bar', 'inside bend', 'boulder lee', 'bedrock', 'crevice', 'undercut', 'bench', 'draw mouth', 'cut bank', 'other'] as const;
