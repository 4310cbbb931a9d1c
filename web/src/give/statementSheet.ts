import { FAINT, GOLD, HIGH, MARGIN, openPdfSheet, RULE, WIDE, type Letters } from './pdfSheet.ts';

/** What a partner's statement tells. */
export interface StatementFacts {
  readonly name: string;
  readonly day: string;
  /** The account, line by line, from what came in to what is due. */
  readonly account: readonly { readonly what: string; readonly amount: string; readonly isSum?: boolean }[];
  readonly agreed: readonly { readonly since: string; readonly parts: string }[];
  readonly handedOut: readonly { readonly day: string; readonly what: string }[];
}

const RIGHT = WIDE - MARGIN;
const MOST_LINES = 18;

/** What one partner has coming, on one sheet to hand over: no ground, no spot and no position is in it. */
export async function statementSheet(facts: StatementFacts, letters: Letters): Promise<Uint8Array<ArrayBuffer>> {
  const { head, text, line, paragraph, bytes } = await openPdfSheet(letters, `Statement for ${facts.name}`);
  head(facts.name, facts.day);
  let y = 110;
  for (const a of facts.account) {
    const hand = a.isSum ? 'heading' : 'text';
    if (a.isSum) line(MARGIN, y - 16, RIGHT, y - 16, 1.2);
    text(MARGIN, y, a.what, { hand, size: a.isSum ? 16 : 11.5, within: 0.7 * (RIGHT - MARGIN) });
    text(RIGHT, y, a.amount, { hand, size: a.isSum ? 16 : 11.5, toTheRight: true, ...(a.isSum && { color: GOLD }) });
    y += a.isSum ? 34 : 21;
  }
  const list = (title: string, rows: readonly (readonly [string, string])[]): void => {
    if (rows.length === 0) return;
    text(MARGIN, y + 12, title, { hand: 'heading', size: 13 });
    line(MARGIN, y + 18, RIGHT, y + 18);
    y += 34;
    for (const [left, right] of rows.slice(0, MOST_LINES)) {
      text(MARGIN, y, left, { size: 10, within: 104 });
      text(MARGIN + 110, y, right, { size: 10, within: RIGHT - (MARGIN + 110) });
      line(MARGIN, y + 6, RIGHT, y + 6, 0.5, RULE);
      y += 18;
    }
    if (rows.length > MOST_LINES)
      text(MARGIN, y, `and ${rows.length - MOST_LINES} earlier`, { size: 10, color: FAINT });
    y += 18;
  };
  list(
    'What was agreed',
    facts.agreed.map((a) => [`since ${a.since}`, a.parts]),
  );
  list(
    'Handed out',
    facts.handedOut.map((h) => [h.day, h.what]),
  );
  line(MARGIN, HIGH - 58, RIGHT, HIGH - 58, 0.8, RULE);
  paragraph(
    MARGIN,
    HIGH - 44,
    RIGHT - MARGIN,
    'By the crew’s own ledger, to the tenth of a milligram. No ground, spot or position is in it.',
    {
      size: 8.5,
      color: FAINT,
    },
  );
  return bytes();
}
