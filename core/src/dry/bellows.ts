import { requirePositive, requireWithin } from '../outOfRange.ts';

/** Puffs a minute of bellows turned by a motor over two pulleys. @param beltSlip share lost, 0 to 0.5 */
export function puffsPerMinute(
  motor_rpm: number,
  motorPulley_m: number,
  drivenPulley_m: number,
  puffsPerTurn = 1,
  beltSlip = 0.03,
): number {
  requirePositive('motor_rpm', motor_rpm);
  requirePositive('motorPulley_m', motorPulley_m, 'm');
  requirePositive('drivenPulley_m', drivenPulley_m, 'm');
  requireWithin('beltSlip', beltSlip, 0, 0.5);
  return ((motor_rpm * motorPulley_m) / drivenPulley_m) * (1 - beltSlip) * puffsPerTurn;
}

/** The cloth and what lies on it. */
export interface Cloth {
  readonly area_m2: number;
  /** Darcy: pressure over speed through it, Pa s/m. */
  readonly resistance_Pa_s_m: number;
  /** Weight of the bed under a riffle, Pa. */
  readonly bed_Pa: number;
}

/** Air through the cloth. */
export interface ClothAir {
  /** At the height of a puff; of a blower all the time. */
  readonly peak_m_s: number;
  readonly mean_m_s: number;
  readonly clothPressure_Pa: number;
}

/**
 * Bellows: half-sine puffs over the share D of the cycle, a leak that goes with the pressure below the cloth. Continuity;
 * the form of puff and leak are stated assumptions.
 * @param stroke_m3 air of one puff
 * @param blows D, the share of the cycle that blows, 0.1 to 1
 * @param leak_m_s_Pa per cloth area
 */
export function bellowsAir(
  puffs_min: number,
  stroke_m3: number,
  { area_m2, resistance_Pa_s_m, bed_Pa }: Cloth,
  blows: number,
  leak_m_s_Pa: number,
): ClothAir & { readonly supplied_m_s: number } {
  requirePositive('area_m2', area_m2, 'm²');
  requirePositive('stroke_m3', stroke_m3, 'm³');
  requirePositive('puffs_min', puffs_min);
  requireWithin('blows', blows, 0.1, 1);
  const supplied_m_s = (stroke_m3 * puffs_min) / 60 / area_m2;
  const peak_m_s =
    Math.max(0, (Math.PI / (2 * blows)) * supplied_m_s - leak_m_s_Pa * bed_Pa) / (1 + leak_m_s_Pa * resistance_Pa_s_m);
  return {
    supplied_m_s,
    peak_m_s,
    mean_m_s: (2 * blows * peak_m_s) / Math.PI,
    clothPressure_Pa: resistance_Pa_s_m * peak_m_s,
  };
}

/** A blower against cloth and bed: its curve taken as a parabola from the pressure with the outlet shut to the flow with it free (stated assumption). */
export function blowerAir(
  shutoff_Pa: number,
  freeFlow_m3_s: number,
  { area_m2, resistance_Pa_s_m: R, bed_Pa }: Cloth,
): ClothAir {
  requirePositive('shutoff_Pa', shutoff_Pa, 'Pa');
  requirePositive('freeFlow_m3_s', freeFlow_m3_s, 'm³/s');
  requirePositive('area_m2', area_m2, 'm²');
  const spare_Pa = shutoff_Pa - bed_Pa;
  const u =
    spare_Pa <= 0
      ? 0
      : (2 * spare_Pa) / (R + Math.sqrt(R ** 2 + 4 * shutoff_Pa * (area_m2 / freeFlow_m3_s) ** 2 * spare_Pa));
  return { peak_m_s: u, mean_m_s: u, clothPressure_Pa: R * u };
}

/** Share of the cycle in which air of half-sine puffs is faster than a speed. */
export const openShare = (peak_m_s: number, loosens_m_s: number, blows: number): number =>
  peak_m_s <= loosens_m_s ? 0 : blows * (1 - (2 / Math.PI) * Math.asin(Math.min(1, loosens_m_s / peak_m_s)));

/** Hours a battery lasts: what may be drawn of it over what the motor draws. */
export function batteryHours(usable_Ah: number, drawn_A: number): number {
  requirePositive('usable_Ah', usable_Ah, 'Ah');
  requirePositive('drawn_A', drawn_A, 'A');
  return usable_Ah / drawn_A;
}
