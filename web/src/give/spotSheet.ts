import { FAINT, GOLD, GOLD_FILL, HIGH, INK, MARGIN, openPdfSheet, RULE, WIDE, type Letters } from './pdfSheet.ts';

/** What a spot's sheet tells. */
export interface SpotFacts {
  readonly spot: string;
  readonly ground: string;
  readonly kind: string;
  /** Where it lies, as far as it is given; empty: nothing is. */
  readonly where: string;
  /** Its grade in a sentence, the largest thing on the sheet. */
  readonly headline: string;
  readonly rests: string;
  readonly samples: readonly {
    readonly day: string;
    readonly depth: string;
    readonly amount: string;
    readonly found: string;
    /** Grade of that pan, mg/L; for the bars. */
    readonly grade_mg_L: number;
  }[];
  /** From the top down. */
  readonly layers: readonly {
    readonly name: string;
    readonly from_m: number;
    readonly to_m: number;
    /** What is dug for. */
    readonly pay: boolean;
    readonly says: string;
  }[];
  /** Gold of clean-ups fed from it alone. */
  readonly cleanups: readonly { readonly day: string; readonly gold: string; readonly grade: string }[];
  readonly remarks: string;
  readonly given: string;
}

const RIGHT = WIDE - MARGIN;
const MOST_SAMPLES = 14;

/** A spot on one sheet: what it holds, pan by pan, what lies on what, what came of it. */
export async function spotSheet(facts: SpotFacts, letters: Letters): Promise<Uint8Array<ArrayBuffer>> {
  const sheet = await openPdfSheet(letters, `A spot: ${facts.spot}`);
  const { text, line, box, paragraph } = sheet;
  sheet.head(facts.spot, facts.ground);
  text(MARGIN, 92, [facts.kind, facts.where].filter(Boolean).join(', '), {
    size: 10.5,
    color: FAINT,
    within: RIGHT - MARGIN,
  });
  let y = paragraph(MARGIN, 126, RIGHT - MARGIN, facts.headline, { hand: 'heading', size: 20 });
  y = paragraph(MARGIN, y + 2, RIGHT - MARGIN, facts.rests, { size: 10.5, color: FAINT }) + 18;

  text(MARGIN, y, 'Pan by pan', { hand: 'heading', size: 13 });
  line(MARGIN, y + 6, RIGHT, y + 6);
  y += 22;
  const most = Math.max(...facts.samples.map((s) => s.grade_mg_L), 1e-9);
  for (const s of facts.samples.slice(0, MOST_SAMPLES)) {
    text(MARGIN, y, s.day, { size: 9.5, within: 66 });
    text(MARGIN + 70, y, s.depth, { size: 9.5, within: 56 });
    text(MARGIN + 130, y, s.amount, { size: 9.5, within: 76 });
    text(MARGIN + 210, y, s.found, { size: 9.5, within: RIGHT - 134 - (MARGIN + 210) });
    const wide = (130 * s.grade_mg_L) / most;
    if (wide > 0.5) box(RIGHT - 130, y - 8, wide, 9, GOLD_FILL);
    else line(RIGHT - 130, y - 8, RIGHT - 130, y + 1, 1.4);
    y += 17;
  }
  if (facts.samples.length === 0) text(MARGIN, y, 'None yet.', { size: 10, color: FAINT });
  if (facts.samples.length > MOST_SAMPLES)
    text(MARGIN, y, `and ${facts.samples.length - MOST_SAMPLES} more`, { size: 9.5, color: FAINT });
  y += 34;

  if (facts.layers.length > 0) {
    text(MARGIN, y, 'What lies on what', { hand: 'heading', size: 13 });
    line(MARGIN, y + 6, RIGHT, y + 6);
    y += 14;
    const deep = Math.max(...facts.layers.map((l) => l.to_m));
    const high = Math.min(150, 30 * facts.layers.length);
    for (const l of facts.layers) {
      const [top, foot] = [y + (high * l.from_m) / deep, y + (high * l.to_m) / deep];
      if (l.pay) box(MARGIN, top, 70, foot - top, GOLD_FILL);
      line(MARGIN, top, MARGIN + 70, top, 1.2);
      line(MARGIN, foot, MARGIN + 70, foot, 1.2);
      line(MARGIN, top, MARGIN, foot, 1.2);
      line(MARGIN + 70, top, MARGIN + 70, foot, 1.2);
      text(MARGIN + 84, (top + foot) / 2 + 3, l.name, { hand: 'bold', size: 9.5, within: 140 });
      text(MARGIN + 230, (top + foot) / 2 + 3, l.says, { size: 9.5, color: FAINT, within: RIGHT - (MARGIN + 230) });
    }
    y += high + 30;
  }
  if (facts.cleanups.length > 0 && y < HIGH - 140) {
    text(MARGIN, y, 'Weighed out of it alone', { hand: 'heading', size: 13 });
    line(MARGIN, y + 6, RIGHT, y + 6);
    y += 22;
    for (const c of facts.cleanups.slice(0, Math.floor((HIGH - 110 - y) / 18))) {
      text(MARGIN, y, c.day, { size: 10 });
      text(MARGIN + 190, y, c.gold, { hand: 'bold', size: 10, color: GOLD, toTheRight: true });
      text(MARGIN + 290, y, c.grade, { size: 10, toTheRight: true });
      line(MARGIN, y + 6, RIGHT, y + 6, 0.5, RULE);
      y += 18;
    }
    y += 14;
  }
  if (facts.remarks && y < HIGH - 90)
    paragraph(MARGIN, y, RIGHT - MARGIN, facts.remarks, { size: 10, color: INK, lowest: HIGH - 66 });
  line(MARGIN, HIGH - 58, RIGHT, HIGH - 58, 0.8, RULE);
  paragraph(MARGIN, HIGH - 44, RIGHT - MARGIN, facts.given, { size: 8.5, color: FAINT });
  return sheet.bytes();
}
