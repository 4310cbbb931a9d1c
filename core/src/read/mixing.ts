import { requirePositive } from '../outOfRange.ts';

/**
 * What two streams carry together: C = (Q1 C1 + Q2 C2) / (Q1 + Q2). Conservation of mass; any one unit of flow and of concentration.
 * @returns `shareOfSide`: how much of it the side stream brought, 0 to 1; null where neither carries anything, for then no share is anyone's
 */
export function mixBelow(
  main: { flow: number; concentration: number },
  side: { flow: number; concentration: number },
): { concentration: number; shareOfSide: number | null } {
  requirePositive('main.flow', main.flow);
  requirePositive('side.flow', side.flow);
  const carried = main.flow * main.concentration + side.flow * side.concentration;
  return {
    concentration: carried / (main.flow + side.flow),
    shareOfSide: carried === 0 ? null : (side.flow * side.concentration) / carried,
  };
}

/** What a side stream must carry for the main one to be what it is below: C2 = (C (Q1 + Q2) - Q1 C1) / Q2; below 0 when it cannot be the source. */
export function mustCarry(
  main: { flow: number; concentration: number },
  sideFlow: number,
  concentrationBelow: number,
): number {
  requirePositive('main.flow', main.flow);
  requirePositive('sideFlow', sideFlow);
  return (concentrationBelow * (main.flow + sideFlow) - main.flow * main.concentration) / sideFlow;
}
