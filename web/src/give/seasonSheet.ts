import { goldAnHour_mg, type BookAmounts } from '@riffle/core';
import { plural } from '../ui/plural.ts';
import {
  FAINT,
  GOLD,
  GOLD_FILL,
  HIGH,
  MARGIN,
  openPdfSheet,
  RULE,
  WIDE,
  type Letters,
  type PdfSheet,
} from './pdfSheet.ts';

/** Figures as this person reads them. */
export interface Figures {
  readonly gold: (mg: number) => string;
  readonly grade: (mg_per_L: number) => string;
  readonly volume: (L: number) => string;
  readonly hours: (s: number) => string;
}

/** What a season's sheet tells. */
export interface SeasonFacts {
  readonly ground: string;
  readonly from: string;
  readonly to: string;
  readonly total: BookAmounts;
  /** Told apart by where it came from, the most gold first. */
  readonly sources: readonly (BookAmounts & { readonly name: string })[];
  readonly boxes: readonly (BookAmounts & { readonly name: string })[];
  /** In the order of time, `at` days after the first. */
  readonly days: readonly { readonly at: number; readonly name: string; readonly gold_mg: number }[];
  /** What waits in boxes and tubs, in a sentence; empty: nothing. */
  readonly waiting: string;
  /** What of the place this sheet gives, in a sentence. */
  readonly given: string;
}

const RIGHT = WIDE - MARGIN;

/** From when to when; a season in which nothing was weighed has neither. */
export const seasonDays = ({ from, to }: Pick<SeasonFacts, 'from' | 'to'>): string =>
  from === '' ? 'nothing weighed yet' : from === to ? from : `${from} to ${to}`;

/** A season on one sheet: what it gave, where from, through which box, day by day. */
export async function seasonSheet(
  facts: SeasonFacts,
  show: Figures,
  letters: Letters,
): Promise<Uint8Array<ArrayBuffer>> {
  const sheet = await openPdfSheet(letters, `A season: ${facts.ground}`);
  const { text, line, total } = { ...sheet, total: facts.total };
  sheet.head(facts.ground, seasonDays(facts));

  const head = total.volumeBank_L > 0 ? show.grade(total.gold_mg / total.volumeBank_L) : '';
  text(MARGIN, 116, show.gold(total.gold_mg), { hand: 'heading', size: 34, color: GOLD });
  text(MARGIN, 136, `out of ${show.volume(total.volumeBank_L)} of bank ground${head && `: ${head}`}`, { size: 13 });
  const anHour = goldAnHour_mg(total);
  const perHour = anHour.running === null ? '' : `${show.gold(anHour.running)} an hour of running`;
  const perPerson = anHour.person === null ? '' : `${show.gold(anHour.person)} for each person’s hour`;
  sheet.paragraph(
    MARGIN,
    156,
    RIGHT - MARGIN,
    [
      `${plural(total.buckets, 'bucket')} in ${show.hours(total.running_s)}, weighed ${total.cleanups === 1 ? 'once' : `${total.cleanups} times`}.`,
      perHour && `${[perHour, perPerson].filter(Boolean).join(', ')}.`,
      facts.waiting,
    ]
      .filter(Boolean)
      .join(' '),
    { size: 10.5, color: FAINT },
  );

  text(MARGIN, 206, 'Day by day', { hand: 'heading', size: 13 });
  drawDays(sheet, facts, show, { left: MARGIN, right: RIGHT, top: 220, foot: 350 });
  const y = drawTable(sheet, 'Where it came from', facts.sources, show, 396);
  drawTable(sheet, 'Through which box', facts.boxes, show, y + 26);
  line(MARGIN, HIGH - 58, RIGHT, HIGH - 58, 0.8, RULE);
  sheet.paragraph(MARGIN, HIGH - 44, RIGHT - MARGIN, facts.given, { size: 8.5, color: FAINT });
  return sheet.bytes();
}

interface Frame {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly foot: number;
}

/** Bars for what was weighed each day, and a line for all so far. */
function drawDays(sheet: PdfSheet, { days }: SeasonFacts, show: Figures, { left, right, top, foot }: Frame): void {
  const all = days.reduce((sum, d) => sum + d.gold_mg, 0);
  const most = Math.max(...days.map((d) => d.gold_mg), 0);
  sheet.line(left, foot, right, foot, 1);
  if (all === 0 || most === 0) return;
  const last = Math.max(1, days.at(-1)?.at ?? 1);
  const wide = Math.min(14, (right - left) / (last + 2));
  const x = (at: number): number => left + 8 + ((right - left - 70 - wide) * at) / last;
  let sum = 0;
  let before: readonly [number, number] = [x(0), foot];
  for (const d of days) {
    const high = ((foot - top) * 0.62 * d.gold_mg) / most;
    sheet.box(x(d.at), foot - high, wide, high, GOLD_FILL);
    sum += d.gold_mg;
    const now = [x(d.at) + wide / 2, foot - ((foot - top) * sum) / all] as const;
    sheet.line(...before, now[0], before[1], 1.2);
    sheet.line(now[0], before[1], ...now, 1.2);
    before = now;
  }
  sheet.text(before[0] + 8, before[1] + 4, show.gold(all), { hand: 'bold', size: 10 });
  // Days are named where there is room for their names.
  let free = 0;
  for (const d of days) {
    if (x(d.at) < free) continue;
    sheet.text(x(d.at), foot + 13, d.name, { size: 8.5, color: FAINT });
    free = x(d.at) + 46;
  }
}

const COLUMNS = [
  { name: 'gold', at: 330 },
  { name: 'grade', at: 405 },
  { name: 'bank ground', at: 480 },
  { name: 'running', at: RIGHT },
] as const;
/** Room for a name before the first of them. */
const NAMES = 215;
/** More do not fit: the rest stand in one line. */
const MOST_LINES = 7;

/** Amounts line by line; answers where the page is free again. */
function drawTable(
  sheet: PdfSheet,
  title: string,
  rows: readonly (BookAmounts & { readonly name: string })[],
  show: Figures,
  top: number,
): number {
  const { text, line } = sheet;
  text(MARGIN, top, title, { hand: 'heading', size: 13 });
  for (const c of COLUMNS) text(c.at, top, c.name, { size: 9, color: FAINT, toTheRight: true });
  line(MARGIN, top + 6, RIGHT, top + 6);
  let y = top + 21;
  const shown = rows.slice(0, MOST_LINES);
  for (const r of shown) {
    text(MARGIN, y, r.name, { hand: 'bold', size: 10, within: NAMES });
    const cells = [
      show.gold(r.gold_mg),
      r.volumeBank_L > 0 ? show.grade(r.gold_mg / r.volumeBank_L) : '',
      show.volume(r.volumeBank_L),
      show.hours(r.running_s),
    ];
    cells.forEach((cell, i) => {
      text(COLUMNS[i]?.at ?? 0, y, cell, { size: 10, toTheRight: true, ...(i < 2 && { color: GOLD }) });
    });
    line(MARGIN, y + 6, RIGHT, y + 6, 0.5, RULE);
    y += 20;
  }
  const left = rows.slice(MOST_LINES);
  if (left.length > 0) {
    const gold = left.reduce((sum, r) => sum + r.gold_mg, 0);
    text(MARGIN, y, `and ${left.length} more`, { size: 10, color: FAINT });
    text(COLUMNS[0].at, y, show.gold(gold), { size: 10, toTheRight: true, color: GOLD });
    y += 20;
  }
  return y;
}
