import type { StoredForecast } from '@riffle/contract';
import { RICHEST_MG_L, UNITS, unlikelyGold, type ExpectedGold, type GoldUnit, type UnlikelyGold } from '@riffle/core';
import { unitTyped } from '../../units/readEntered.ts';
import type { CleanupDraft, SectionDraft, SectionReading } from './readCleanup.ts';

/** What the gold of this clean-up should come to: by what was said beforehand, by the ground's clean-ups before, or by any ground there is. */
export function expectedGold(
  forecast: StoredForecast | null,
  before: readonly { readonly gold_mg: number; readonly volumeBank_L: number }[],
  volumeBank_L: number,
): ExpectedGold[] {
  const known: ExpectedGold[] = [];
  if (forecast) known.push({ by: 'forecast', low_mg: forecast.all.low_mg, high_mg: forecast.all.high_mg });
  const grades = before.flatMap((c) => (c.volumeBank_L > 0 && c.gold_mg > 0 ? [c.gold_mg / c.volumeBank_L] : []));
  if (grades.length > 0)
    known.push({
      by: 'clean-ups',
      low_mg: Math.min(...grades) * volumeBank_L,
      high_mg: Math.max(...grades) * volumeBank_L,
    });
  if (known.length === 0 && volumeBank_L > 0)
    known.push({ by: 'any ground', low_mg: 0, high_mg: RICHEST_MG_L * volumeBank_L });
  return known;
}

/** Weighed gold that is asked about: null where nothing is odd, or it was said to be so. */
export function oddGold(
  {
    sections,
    readings,
    draft,
  }: {
    readonly sections: readonly SectionDraft[];
    readonly readings: readonly SectionReading[];
    readonly draft: Pick<CleanupDraft, 'sure_mg'>;
  },
  expected: readonly ExpectedGold[],
): (UnlikelyGold & { readonly sections: readonly number[] }) | null {
  const read = sections.flatMap((s, i) => {
    const gold = readings[i]?.gold;
    const unit = unitTyped('mass', s.gold) as GoldUnit;
    return gold?.ok && s.gold.text.trim() !== '' ? [{ i, unit, value: gold.value / UNITS.mass[unit] }] : [];
  });
  const odd = unlikelyGold(read, expected, read.length === sections.length);
  if (!odd || draft.sure_mg === odd.total_mg) return null;
  return { ...odd, sections: (odd.other?.of ?? []).map((nth) => read[nth]?.i ?? 0) };
}

/** A section's gold with its number as typed, in another unit. */
export function inOtherUnit(section: SectionDraft, gold: SectionReading['gold'], unit: GoldUnit): SectionDraft {
  if (!gold.ok) return section;
  const value = gold.value / UNITS.mass[unitTyped('mass', section.gold) as GoldUnit];
  return { ...section, gold: { text: String(Number(value.toPrecision(6))), unit } };
}
