import type { AnyKind, SignKindName } from './signKinds.ts';

/** What brought the gold of a district to its creeks, as far as people know. */
export const FED_BY = ['quartz veins', 'a contact', 'old channels', 'ice'] as const;
export type FedBy = (typeof FED_BY)[number];

/** A source in words, and what it adds to signs in log odds. */
interface Feed {
  readonly says: string;
  readonly adds: Readonly<Partial<Record<SignKindName, number>>>;
}

/**
 * What a source makes of the signs: where veins feed a creek their float points at them; where old channels do, gold lies where they were cut,
 * and rounded quartz was laid down with them and points nowhere; where ice brought it no trail leads up to a source. The directions are common
 * practice, no source; the sizes are stated assumptions, small beside what own pans say.
 */
export const GOLD_SOURCES: Readonly<Record<FedBy, Feed>> = {
  'quartz veins': {
    says: 'veins feed this ground',
    adds: { float: 0.2, 'stained float': 0.25, 'draw mouth': 0.15, 'rock change': 0.1 },
  },
  'a contact': {
    says: 'a contact feeds this ground',
    adds: { 'rock change': 0.3, 'stained float': 0.2, 'draw mouth': 0.1 },
  },
  'old channels': {
    says: 'old channels feed this ground',
    adds: { bench: 0.3, 'cut bank': 0.3, hardpan: 0.1, float: -0.2, 'stained float': -0.1, 'rock change': -0.2 },
  },
  ice: {
    says: 'ice brought the gold',
    adds: { float: -0.25, 'stained float': -0.15, 'rock change': -0.2, 'draw mouth': -0.1, 'clay seam': 0.1 },
  },
};

/** What a source adds to a kind of sign, log odds; 0 where it says nothing of it, or is not known. */
export const fedLogOdds = (kind: AnyKind, fedBy: FedBy | null): number =>
  fedBy === null ? 0 : (GOLD_SOURCES[fedBy].adds[kind as SignKindName] ?? 0);
