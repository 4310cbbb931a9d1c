import type { StoredPermission } from '@riffle/contract';
import { dayMonth, dayMonthYear } from '../when/localTime.ts';

/** The days of a permission in words, after its kind. */
export function daysWords({ from, to, everyYear }: StoredPermission): string {
  const words = (d: string): string => (everyYear ? dayMonth : dayMonthYear)(d);
  if (from === null && to === null) return ', no days noted';
  return `, ${everyYear ? 'every year ' : ''}${from ? `from ${words(from)}` : ''}${from && to ? ' ' : ''}${to ? `to ${words(to)}` : ''}`;
}
