import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { bisect } from '../maths/bisect.ts';
import { requirePositive } from '../outOfRange.ts';
import type { BoxParameters } from './boxParameters.ts';
import { SOLID_SHARE_LOOSE } from './feed.ts';
import { liningOf } from './linings.ts';
import { loadUp } from './loadUp.ts';
import { toldSection, type BoxSetting, type LinedSection, type SolvedBox } from './solveBox.ts';
import { weighBox, weighedSpread, type DrawnBoxes, type Spread } from './weighBox.ts';

/** A lining this full along its length is cleaned up. Common practice, no source: black sand stands to the rim over most of it. */
const FULL = 0.7;
/** So full no one overlooks it. */
export const BLACK_SAND_FULL = 0.9;
/** No box is fed more than this between two clean-ups, m3: what holds so long holds for the season. */
const MOST_M3 = 1000;
/** What black sand of a ground differs by from one clean-up to the next, as a share of what it may be anywhere. Stated assumption. */
const KNOWN_SPREAD = 0.5;
/** Black sand anywhere, share by mass: the middle of what is believed before it was weighed. */
const USUAL_BLACK_SAND = 0.01;

/**
 * Loose gravel after which the longest lining is seven tenths full of black sand (`loadUp`). A short mat at the head is left aside: it fills and passes on.
 * A lining that sheds so much of it that it never is so full holds for the season.
 * @param blackSand share by mass as it was weighed on this ground; null: nobody did
 * @throws OutOfRange as `solveBox`
 */
export function cleanUpAfter_m3(setting: BoxSetting, drawn: DrawnBoxes, blackSand: number | null = null): Spread {
  if (blackSand !== null) requirePositive('blackSand', blackSand);
  const { solved } = weighBox(setting, drawn);
  const volumes = drawn.boxes.map((box, d) => {
    const share = blackSand === null ? box.blackSand : blackSand * (box.blackSand / USUAL_BLACK_SAND) ** KNOWN_SPREAD;
    return fullAfter_m3(setting, { blackSand: share }, solved[d] as SolvedBox, FULL);
  });
  return weighedSpread(volumes, drawn.weights);
}

/** Loose gravel after which the longest lining of one solved box is so full of black sand, m3. */
export function fullAfter_m3(
  { sections }: Pick<BoxSetting, 'sections'>,
  { blackSand }: Pick<BoxParameters, 'blackSand'>,
  solved: Pick<SolvedBox, 'sections'>,
  full: number,
): number {
  const told = toldSection(sections);
  const longest = sections[told] as LinedSection;
  const { width_m, length_m } = longest;
  const { holds_kg_m2 } = liningOf(longest);
  const heavyRate_per_m = solved.sections[told]?.heavyRate_per_m ?? 0;
  const kgPerM3 = SOLID_SHARE_LOOSE * DENSITY_KG_M3.quartz * blackSand;
  const held_kg = (fed_m3: number): number =>
    loadUp([{ length_m, width_m, holds_kg_m2, heavyRate_per_m, goldRate_per_m: 0 }], fed_m3 * kgPerM3)[0]?.held_kg ?? 0;
  return bisect((fed_m3) => held_kg(fed_m3) - full * holds_kg_m2 * width_m * length_m, 0, MOST_M3);
}

/** Share of black sand in gravel, by mass, from what a clean-up weighed of it and the loose gravel fed. */
export function blackSandShare(blackSand_kg: number, fedLoose_m3: number): number {
  requirePositive('fedLoose_m3', fedLoose_m3, 'm3');
  return blackSand_kg / (fedLoose_m3 * SOLID_SHARE_LOOSE * DENSITY_KG_M3.quartz);
}
