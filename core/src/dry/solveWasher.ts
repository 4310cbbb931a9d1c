import { DENSITY_KG_M3, GRAVITY_M_S2 } from '../grains/constants.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { TILT_AT_M, type GoldShare } from '../set/goldMix.ts';
import { dryAir, type Air } from './air.ts';
import { liftsFlake_m_s, liftsGrain_m_s, loosens_m_s } from './airSizes.ts';
import { bellowsAir, blowerAir, openShare, type ClothAir } from './bellows.ts';
import { leftOfSize } from './passes.ts';
import type { WasherParameters } from './washerParameters.ts';

/** What drives the air. */
export type AirDrive =
  | { readonly kind: 'bellows'; readonly puffs_min: number; readonly stroke_m3: number }
  | { readonly kind: 'blower'; readonly shutoff_Pa: number; readonly freeFlow_m3_s: number };

/** A dry washer as it is set and fed. */
export interface WasherSetting {
  readonly width_m: number;
  readonly length_m: number;
  /** Height of its riffles, and how far apart they stand. */
  readonly riffle_m: number;
  readonly spacing_m: number;
  /** Drop over length. */
  readonly slope: number;
  readonly drive: AirDrive;
  /** Darcy resistance of the cloth, Pa s/m. */
  readonly cloth_Pa_s_m: number;
  /** What goes into the hopper passes this. */
  readonly screen_m: number;
  /** Sauter size of the screened feed; null: by its screen. */
  readonly feedSize_m: number | null;
  readonly altitude_m: number;
  readonly temperature_C: number;
  /** Of the feed, by weight. */
  readonly moisture_percent: number;
  readonly isClayey: boolean;
  /** What the crew can bring, loose m3/s. */
  readonly crew_m3_s: number;
  /** Fed so and not otherwise; null: at the pace that suits. */
  readonly feed_m3_s: number | null;
  readonly gold: readonly GoldShare[];
}

/** Darcy resistance of a cloth by how it is woven, Pa s/m: most washers have the middle one. Stated assumptions. */
export const CLOTHS_PA_S_M = { open: 600, usual: 1250, tight: 2500 } as const;
export type ClothWeave = keyof typeof CLOTHS_PA_S_M;
export const USUAL_CLOTH_PA_S_M = CLOTHS_PA_S_M.usual;
/** The leak of bellows per cloth area. Stated assumption. */
const LEAK_M_S_PA = 1.2e-4;
/** Half of a bellows' turn blows. */
const BELLOWS_BLOW = 0.5;
/** Loose bed: density kg/m3, share of a riffle's height it fills, viscosity as it runs m2/s. Stated assumptions. */
const [BED_KG_M3, BED_FILLS, BED_NU_M2_S] = [1500, 0.6, 1.2e-3];
/** Sauter size of screened feed over its screen. Stated assumption. */
const SAUTER_OF_SCREEN = 0.08;
/** Clay clumps at half the moisture; the cloth holds air back evenly from so much of the bed's weight on. Stated assumptions. */
const [CLAY_CLUMPS, EVEN_CLOTH] = [0.5, 0.3];
const FLATTEST = 0.005;
/** What the crew of a dry washer shovels, loose m3/s: four buckets an hour. Stated assumption. */
export const USUAL_WASHER_CREW_M3_S = (4 * 0.0189) / 3600;
/** A washer is fed six tenths of what it takes at most, as a box is. Common practice, no source. */
export const WASHER_PRUDENT = 0.6;

/** The tray of one draw, before any gold: its air, whether its bed is loose, what it takes. */
export interface Tray {
  readonly air: ClothAir;
  readonly loosens_m_s: number;
  /** Share of the cycle in which the bed is loose, and in which air blows at all. */
  readonly open: number;
  readonly blows: number;
  /** 1 bone dry, toward 0 as it clumps. */
  readonly damp: number;
  readonly runs: boolean;
  readonly capacity_m3_s: number;
  readonly pace_m3_s: number;
  readonly load: number;
  /** Sauter size of the feed, m. */
  readonly sauter_m: number;
  /** Cloth over feed, s/m: how long the loose bed lies there for a depth of it. */
  readonly clothOverFeed_s_m: number;
  /** Share of the cloth that the wedges cover. */
  readonly wedge: number;
  /** Boiling mixes what has sunk: 1 none of it. */
  readonly calm: number;
  /** The air takes the thin places of the bed: the cloth hardly holds it back. */
  readonly uneven: boolean;
}

/** What one draw of a washer does with the gold of its setting. */
export interface SolvedWasher extends Tray {
  /** Share of each size of the gold held in one pass, in the order of the setting, and the exponents it comes from. */
  readonly held: readonly number[];
  readonly exponents: readonly number[];
  readonly heldOfMix: number;
}

/**
 * One washer as drawn: its air, whether the bed is loose, what it takes and what it holds. A wedge of loose bed lies on the
 * **uphill** side of each riffle; dense grains sink into it, large ones ride over. Riffle's own model; the sinking speed is
 * fitted so that one pass of the usual rig loses 20-30 % (common practice, no source).
 * @param lifts_m_s as `goldLifts_m_s`, where the same gold is tried at many settings
 * @throws OutOfRange for sizes, pitch (0.02-0.6) or moisture (0-30 %) that are none
 */
export function solveWasher(
  setting: WasherSetting,
  washer: WasherParameters,
  lifts_m_s: readonly number[] = goldLifts_m_s(setting, washer),
): SolvedWasher {
  const tray = trayOf(setting, washer, dryAir(setting.altitude_m, setting.temperature_C));
  const { gold } = setting;
  const exponents = gold.map(({ size_m }, k) =>
    catchExponent(tray, washer, {
      size_m,
      density_kg_m3: DENSITY_KG_M3.placerGold,
      lifts_m_s: lifts_m_s[k] ?? Infinity,
    }),
  );
  const held = exponents.map((e) => 1 - leftOfSize(e, 1, washer.scatter));
  const shares = fedShares(gold, washer);
  return { ...tray, exponents, held, heldOfMix: held.reduce((sum, h, i) => sum + h * (shares[i] ?? 0), 0) };
}

/** Air that lifts each size of the gold in one draw, m/s. */
export const goldLifts_m_s = (
  { gold, altitude_m, temperature_C }: Pick<WasherSetting, 'gold' | 'altitude_m' | 'temperature_C'>,
  washer: Pick<WasherParameters, 'lifting' | 'csf'>,
): number[] => {
  const air = dryAir(altitude_m, temperature_C);
  return gold.map(({ size_m }) => washer.lifting * liftsFlake_m_s(size_m, washer.csf, air));
};

/** Shares of the sizes as one draw has them; they sum to 1. */
export function fedShares(gold: readonly GoldShare[], { mixTilt }: Pick<WasherParameters, 'mixTilt'>): number[] {
  const shares = gold.map((g) => g.share * (g.size_m / TILT_AT_M) ** mixTilt);
  const all = shares.reduce((a, s) => a + s, 0);
  return shares.map((s) => s / all);
}

function trayOf(setting: WasherSetting, washer: WasherParameters, air: Air): Tray {
  const { width_m: b, length_m: L, riffle_m: H, spacing_m, drive } = setting;
  for (const [name, value] of Object.entries({ width_m: b, length_m: L, riffle_m: H, spacing_m }))
    requirePositive(name, value, 'm');
  requirePositive('screen_m', setting.screen_m, 'm');
  requirePositive('crew_m3_s', setting.crew_m3_s, 'm³/s');
  requireWithin('slope', setting.slope, 0.02, 0.6);
  requireWithin('moisture_percent', setting.moisture_percent, 0, 30, '%');
  const slope = Math.max(FLATTEST, setting.slope + washer.dropError_m / L);
  const bed_Pa = BED_FILLS * BED_KG_M3 * GRAVITY_M_S2 * H;
  const cloth = { area_m2: b * L, resistance_Pa_s_m: setting.cloth_Pa_s_m, bed_Pa };
  const blown =
    drive.kind === 'bellows'
      ? bellowsAir(drive.puffs_min, drive.stroke_m3, cloth, BELLOWS_BLOW, LEAK_M_S_PA)
      : blowerAir(drive.shutoff_Pa, drive.freeFlow_m3_s, cloth);
  const blows = drive.kind === 'bellows' ? BELLOWS_BLOW : 1;
  const u = blown.peak_m_s * washer.air;
  const sauter_m = (setting.feedSize_m ?? SAUTER_OF_SCREEN * setting.screen_m) * washer.feedSize;
  const uMf = loosens_m_s(sauter_m, air);
  const clumps = washer.clumps_percent * (setting.isClayey ? CLAY_CLUMPS : 1);
  const damp = 1 / (1 + (setting.moisture_percent / clumps) ** 3);
  const open = openShare(u, uMf / Math.sqrt(damp), blows);
  const capacity_m3_s = (washer.running * b * GRAVITY_M_S2 * H ** 3 * slope * open) / (3 * BED_NU_M2_S);
  const runs = open > 0;
  const pace_m3_s = runs ? (setting.feed_m3_s ?? Math.min(setting.crew_m3_s, WASHER_PRUDENT * capacity_m3_s)) : 0;
  return {
    air: { peak_m_s: u, mean_m_s: blown.mean_m_s * washer.air, clothPressure_Pa: blown.clothPressure_Pa * washer.air },
    loosens_m_s: uMf,
    open,
    blows,
    damp,
    runs,
    capacity_m3_s,
    pace_m3_s,
    load: runs ? pace_m3_s / capacity_m3_s : Infinity,
    sauter_m,
    clothOverFeed_s_m: pace_m3_s > 0 ? (b * L) / pace_m3_s : 0,
    wedge: Math.min(1, H / (slope * spacing_m)),
    calm: 1 / (1 + (u / (3 * uMf)) ** 4),
    uneven: setting.cloth_Pa_s_m * u < EVEN_CLOTH * bed_Pa,
  };
}

/** A grain in the tray, and the air that lifts it. */
interface TrayGrain {
  readonly size_m: number;
  readonly density_kg_m3: number;
  readonly lifts_m_s: number;
}

/** How strongly one pass catches a grain: it leaves e^-E of those that are all alike. */
function catchExponent(tray: Tray, washer: WasherParameters, { size_m, density_kg_m3, lifts_m_s }: TrayGrain): number {
  if (!tray.runs || tray.clothOverFeed_s_m === 0) return 0;
  const sink = Math.max(0, 1 - (DENSITY_KG_M3.quartz / density_kg_m3) * Math.cbrt(size_m / tray.sauter_m));
  const stay = 1 / (1 + (tray.air.peak_m_s / lifts_m_s) ** 3);
  return (
    ((size_m / TILT_AT_M) ** washer.tilt *
      washer.sinking_m_s *
      (tray.open / tray.blows) *
      tray.clothOverFeed_s_m *
      tray.wedge *
      sink *
      stay *
      tray.calm *
      tray.damp) /
    (1 + tray.load ** 4)
  );
}

/** How strongly one pass catches a compact mineral: fine black sand stays, quartz rides over; lead shot as fed to try a washer. @param density_kg_m3 2000 to 20,000 */
export function grainExponent(
  setting: WasherSetting,
  washer: WasherParameters,
  size_m: number,
  density_kg_m3: number,
): number {
  requireWithin('density_kg_m3', density_kg_m3, 2000, 20_000, 'kg/m³');
  const air = dryAir(setting.altitude_m, setting.temperature_C);
  const grain = { size_m, density_kg_m3, lifts_m_s: liftsGrain_m_s(size_m, density_kg_m3, air) };
  return catchExponent(trayOf(setting, washer, air), washer, grain);
}

/** The share of a compact mineral held in one pass. */
export const heldGrain = (
  setting: WasherSetting,
  washer: WasherParameters,
  size_m: number,
  density_kg_m3: number,
): number => 1 - leftOfSize(grainExponent(setting, washer, size_m, density_kg_m3), 1, washer.scatter);
