import { requirePositive, requireWithin } from '../outOfRange.ts';

/** Gravel to be washed one way or the other. */
export interface ToWash {
  /** Loose. */
  readonly volume_m3: number;
  readonly grade_mg_m3: number;
  /** What an hour of the crew is worth to it. */
  readonly hourValue: number;
}
/** Washing it dry where it lies. */
export interface DryWay {
  readonly pace_m3_h: number;
  readonly passes: number;
  /** Of all passes together. */
  readonly recovered: number;
  readonly setUp_h: number;
  readonly running_per_h: number;
}
/** Carrying it to a water hole, or to the second where the first is dry. */
export interface HaulWay {
  readonly density_kg_m3: number;
  readonly payload_kg: number;
  readonly distance_km: number;
  readonly chanceDry: number;
  /** From the first hole to the second, and from the ground to the second. */
  readonly between_km: number;
  readonly second_km: number;
  readonly speed_km_h: number;
  readonly cost_per_km: number;
  readonly loadUnload_h: number;
  readonly pace_m3_h: number;
  readonly recovered: number;
  readonly running_per_h: number;
}

/** What one way comes to. */
export interface WayCost {
  readonly hours: number;
  readonly cost: number;
  readonly gold_g: number;
  readonly cost_per_g: number;
  readonly gold_g_h: number;
}
export interface HaulOrDry {
  readonly dry: WayCost;
  /** Expected, over whether the first hole is dry. */
  readonly haul: WayCost & { readonly trips: number };
  readonly cheaper: 'dry' | 'haul';
  /** With a sure hole and the same trips both cost the same a gram from so far; null: the haul loses even next door. */
  readonly breakEven_km: number | null;
}

/** A trip for a billionth of a load is none. */
const NO_TRIP = 1e-9;

/**
 * Hours and cost of a gram by washing dry here and by carrying the gravel to water. Bookkeeping, without a source. Money in
 * whatever the crew counts in.
 * @throws OutOfRange for what is not positive, or shares outside 0 to 1
 */
export function haulOrDry({ volume_m3, grade_mg_m3, hourValue }: ToWash, dry: DryWay, haul: HaulWay): HaulOrDry {
  for (const [name, value] of Object.entries({
    volume_m3,
    grade_mg_m3,
    'dry.pace_m3_h': dry.pace_m3_h,
    'haul.pace_m3_h': haul.pace_m3_h,
    'haul.density_kg_m3': haul.density_kg_m3,
    'haul.payload_kg': haul.payload_kg,
    'haul.speed_km_h': haul.speed_km_h,
  }))
    requirePositive(name, value);
  requireWithin('dry.recovered', dry.recovered, 1e-6, 1);
  requireWithin('haul.recovered', haul.recovered, 1e-6, 1);
  requireWithin('haul.chanceDry', haul.chanceDry, 0, 1);
  const inIt_g = (volume_m3 * grade_mg_m3) / 1000;
  const come = (hours: number, cost: number, recovered: number): WayCost => {
    const gold_g = inIt_g * recovered;
    return { hours, cost, gold_g, cost_per_g: cost / gold_g, gold_g_h: gold_g / hours };
  };
  const blow_h = (dry.passes * volume_m3) / dry.pace_m3_h;
  const dry_h = dry.setUp_h + blow_h;
  const byDry = come(dry_h, dry_h * hourValue + blow_h * dry.running_per_h, dry.recovered);

  const trips = Math.max(1, Math.ceil((volume_m3 * haul.density_kg_m3) / haul.payload_kg - NO_TRIP));
  const wash_h = volume_m3 / haul.pace_m3_h;
  const driven = (km: number): { hours: number; cost: number } => {
    const hours = km / haul.speed_km_h + trips * haul.loadUnload_h + wash_h;
    return { hours, cost: hours * hourValue + km * haul.cost_per_km + wash_h * haul.running_per_h };
  };
  const sure = driven(2 * trips * haul.distance_km);
  const found = driven(haul.distance_km + haul.between_km + haul.second_km + 2 * (trips - 1) * haul.second_km);
  const mean = (of: (way: typeof sure) => number): number =>
    (1 - haul.chanceDry) * of(sure) + haul.chanceDry * of(found);
  const byHaul = come(
    mean((w) => w.hours),
    mean((w) => w.cost),
    haul.recovered,
  );
  const nextDoor = driven(0).cost;
  const perKm = 2 * trips * (hourValue / haul.speed_km_h + haul.cost_per_km);
  const spare = byDry.cost_per_g * byHaul.gold_g - nextDoor;
  return {
    dry: byDry,
    haul: { ...byHaul, trips },
    cheaper: byHaul.cost_per_g < byDry.cost_per_g ? 'haul' : 'dry',
    breakEven_km: spare < 0 ? null : spare / perKm,
  };
}
