/** A clean-up as the book sees it: what was weighed and where the gravel behind it came from. */
export interface CleanupCredit {
  readonly gold_mg: number;
  readonly bySpot_L: Readonly<Record<string, number>>;
  /** Was the box rinsed clean at the clean-up before this one? */
  readonly boxWasClean: boolean;
}

/** A line of the book: the spots that fed it (one, or a mix of several). Sorted spot ids. */
export interface Credit {
  readonly spotIds: readonly string[];
  readonly volumeLoose_L: number;
  readonly gold_mg: number;
  readonly cleanups: number;
  /** Some of the gold may be left from ground run before. */
  readonly mayHoldOldGold: boolean;
}

/**
 * Credits gold to where it came from. A clean-up fed by one spot is that spot's; one fed by several is the mix's,
 * never shared out by volume: no one knows which bucket held the gold.
 */
export function creditGold(cleanups: readonly CleanupCredit[]): Credit[] {
  const book = new Map<string, Credit>();
  for (const c of cleanups) {
    const fed = Object.entries(c.bySpot_L).filter(([, litres]) => litres > 0);
    // What was rinsed out of a carpet later fed nothing: it is credited to the spots it names.
    const spotIds = (fed.length > 0 ? fed : Object.entries(c.bySpot_L)).map(([id]) => id).sort();
    const key = spotIds.join('+');
    const before = book.get(key);
    book.set(key, {
      spotIds,
      volumeLoose_L: (before?.volumeLoose_L ?? 0) + Object.values(c.bySpot_L).reduce((a, b) => a + b, 0),
      gold_mg: (before?.gold_mg ?? 0) + c.gold_mg,
      cleanups: (before?.cleanups ?? 0) + 1,
      mayHoldOldGold: (before?.mayHoldOldGold ?? false) || !c.boxWasClean,
    });
  }
  return [...book.values()];
}
