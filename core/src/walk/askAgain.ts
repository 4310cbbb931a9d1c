/** A brisk walk on stones, m/s: nobody is at the next mark sooner. Common practice, no source. */
const BRISK_M_S = 1.6;
/** The receiver is asked at most so often and at least so often, s. Common practice, no source. */
const [OFTEN_S, SELDOM_S] = [2, 20];

/**
 * How long the receiver may sleep, s: until a third of the way to the nearest mark can have been walked. That is what saves
 * the battery, since a receiver asked once in 20 s is off for most of them.
 * @param nearest_m to the nearest place or edge, m; null where there is none
 */
export const askAgainAfter_s = (nearest_m: number | null): number =>
  nearest_m === null ? SELDOM_S : Math.min(SELDOM_S, Math.max(OFTEN_S, Math.abs(nearest_m) / (3 * BRISK_M_S)));
