import type { Cleanup } from '@riffle/contract';
import { asTyped } from '../../units/readEntered.ts';

/** What the scale gave: "the vial “12.345 g” empty, “12.385 g” and “12.386 g” with it". */
export function scaleWords({ empty, full }: NonNullable<Cleanup['sections'][number]['weighing']>): string {
  const each = full.map(asTyped);
  const listed = each.length > 1 ? `${each.slice(0, -1).join(', ')} and ${each.at(-1)}` : each[0];
  return `the vial ${asTyped(empty)} empty, ${listed} with it`;
}
