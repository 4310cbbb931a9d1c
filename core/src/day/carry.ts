import { requirePositive, requireWithin } from '../outOfRange.ts';

/** Tools of a sampling day with usual weights. Common practice, no source; a person weighs their own once. */
export const USUAL_TOOLS: readonly { readonly name: string; readonly kg: number }[] = [
  { name: 'pans, two', kg: 0.8 },
  { name: 'shovel', kg: 2 },
  { name: 'pry bar and hammer', kg: 3.2 },
  { name: 'screens', kg: 1.2 },
  { name: 'bucket', kg: 1 },
  { name: 'snuffer, vials, lens', kg: 0.4 },
  { name: 'water and food', kg: 3 },
  { name: 'first aid, light, whistle', kg: 1 },
];

/** Wet gravel as dug, kg per litre loose: a 19 L bucket of it is about 32 kg. Common practice, no source (25-35 kg a full bucket). */
export const WET_GRAVEL_KG_L = 1.7;

/**
 * Trips it takes to carry a load away with so much room left beside the tools.
 * @throws OutOfRange when the limit leaves no room beside the tools, or a weight is negative
 */
export function carryingTrips(load_kg: number, tools_kg: number, limit_kg: number): number {
  requireWithin('load_kg', load_kg, 0, 100_000, 'kg');
  requireWithin('tools_kg', tools_kg, 0, 1000, 'kg');
  requirePositive('limit_kg', limit_kg, 'kg');
  if (load_kg === 0) return 0;
  requirePositive('room beside the tools', limit_kg - tools_kg, 'kg');
  return Math.ceil(load_kg / (limit_kg - tools_kg) - 1e-9);
}
