import { z } from 'zod';
import { Id, Timestamp } from './shared.ts';

const column = z.array(z.number());

/**
 * The samples of a ground as far as reading it goes, in columns by spot: a tenth of what their records take, for grounds
 * with so many that the records come too late for a first look.
 */
export const Pans = z.object({
  /** What was written up to this moment is in them. */
  asOf: Timestamp,
  /** Those of them that were written later. What is written later and not named here is not in them. */
  later: z.array(Id),
  spots: z.array(
    z.object({
      spotId: Id,
      takenAt_ms: column,
      depth_m: column,
      /** Which of the spot's layers it is from: a place in `layerIds`, -1 for none. */
      layer: column,
      layerIds: z.array(Id),
      volume_L: column,
      isLoose: z.array(z.boolean()),
      counts: z.object({ '+10': column, '10-20': column, '20-40': column, '-40': column }),
      gold_mg: z.array(z.number().nullable()),
    }),
  ),
});
export type Pans = z.infer<typeof Pans>;
