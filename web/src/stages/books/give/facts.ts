import type { StoredPit, StoredSample, StoredSpot } from '@riffle/contract';
import { groupBook, sayCounts, type BookAmounts, type SpotGrade, type WeighedCleanup } from '@riffle/core';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';
import type { Names } from '../../../give/place.ts';
import type { SeasonFacts } from '../../../give/seasonSheet.ts';
import type { SpotFacts } from '../../../give/spotSheet.ts';
import type { OpenBook } from '../../../records/useBook.ts';
import { plural } from '../../../ui/plural.ts';
import type { Show } from '../../../units/useShow.ts';

/** How days are said. */
interface DayWords {
  readonly day: (moment: string) => string;
}

/** The facts of a season's sheet. Names are those that are given. */
export function seasonFacts(
  book: OpenBook,
  names: Names,
  swell_percent: number,
  boxOf: (cleanup: Pick<WeighedCleanup, 'id'>) => string,
): Omit<SeasonFacts, 'waiting' | 'given'> {
  const days = [...book.days].sort((a, b) => a.day.localeCompare(b.day));
  const said = (day: string): string => format(parseISO(day), 'd MMM yyyy');
  const first = days[0]?.day ?? '';
  return {
    ground: names.ground,
    from: first && said(first),
    to: first && said(days.at(-1)?.day ?? first),
    total: book.total,
    sources: book.lines.map((l) => ({ ...l, name: l.spotIds.map(names.spot).join(' + ') || 'no spot named' })),
    boxes: groupBook(swell_percent, book.weighed, boxOf).map((g): BookAmounts & { name: string } => ({
      ...g,
      name: g.key,
    })),
    days: days.map((d) => ({
      at: differenceInCalendarDays(parseISO(d.day), parseISO(first)),
      name: format(parseISO(d.day), 'd MMM'),
      gold_mg: d.gold_mg,
    })),
  };
}

interface SpotBehind {
  readonly spot: StoredSpot;
  readonly names: Names;
  /** Remarks may name places: they go along only with names. */
  readonly withRemarks: boolean;
  /** As far as it is given. */
  readonly where: string;
  readonly grade: SpotGrade | undefined;
  readonly samples: readonly StoredSample[];
  readonly pits: readonly StoredPit[];
  readonly weighed: readonly WeighedCleanup[];
  readonly gradeOf: (sample: StoredSample) => number;
}

/** The facts of a spot's sheet. */
export function spotFacts(behind: SpotBehind, show: Show, local: DayWords): Omit<SpotFacts, 'given'> {
  const { spot, names, grade, samples, pits, weighed } = behind;
  const found = grade?.grade;
  const band = found?.kind === 'band' ? found : null;
  const pit = [...pits].sort((a, b) => b.dugAt.localeCompare(a.dugAt)).find((p) => p.layers.length > 0);
  let down_m = 0;
  const alone = weighed.filter((w) => {
    const fed = w.tallies.flatMap((t) => Object.keys(t.bySpot_L).filter((id) => (t.bySpot_L[id] ?? 0) > 0));
    return fed.length > 0 && fed.every((id) => id === spot.id);
  });
  return {
    spot: names.spot(spot.id),
    ground: names.ground,
    kind: spot.kind,
    where: behind.where,
    headline: band
      ? `${show.grade(band.grade_mg_L)}, between ${show.grade(band.low_mg_L)} and ${show.grade(band.high_mg_L)} nine times in ten.`
      : found?.kind === 'blank'
        ? `No color yet: less than ${show.grade(found.lessThan_mg_L)}.`
        : samples.length > 0
          ? 'A piece not weighed yet.'
          : 'Not panned yet.',
    rests: grade
      ? `${plural(grade.samples, 'sample')}, ${show.volume(grade.volumeBank_L)} of bank ground${grade.blanks > 0 ? `, ${grade.blanks} of them blank` : ''}.`
      : '',
    samples: [...samples]
      .sort((a, b) => b.takenAt.localeCompare(a.takenAt))
      .map((s) => ({
        day: local.day(s.takenAt),
        depth: show.length(s.depth_m),
        amount: show.volume(s.volume_L),
        found: sayCounts(s.counts),
        grade_mg_L: behind.gradeOf(s),
      })),
    layers: (pit?.layers ?? []).map((l) => {
      const from_m = down_m;
      down_m += l.thickness_m;
      return {
        name: l.material,
        from_m,
        to_m: down_m,
        pay: l.pay,
        says: `${show.length(l.thickness_m)}, ${l.firmness}, ${l.moisture}${l.pay ? ', dug for' : ''}`,
      };
    }),
    cleanups: alone.map((w) => {
      const loose_L = w.tallies.reduce((sum, t) => sum + t.volumeLoose_L, 0);
      return {
        day: format(parseISO(w.day), 'd MMM yyyy'),
        gold: show.gold(w.gold_mg),
        grade: loose_L > 0 ? `from ${show.volume(loose_L)} loose` : 'rinsed out of the carpet',
      };
    }),
    remarks: behind.withRemarks ? spot.note : '',
  };
}
