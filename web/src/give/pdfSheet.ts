import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, rgb, type PDFFont, type PDFPage, type RGB } from 'pdf-lib';

/** Letters of a page: a heading's, the text's, the text's bold; each with those of further Latin alphabets behind it. */
export interface Letters {
  readonly heading: readonly ArrayBuffer[];
  readonly text: readonly ArrayBuffer[];
  readonly bold: readonly ArrayBuffer[];
}
export type Hand = keyof Letters;

export const INK = rgb(0.12, 0.14, 0.13);
export const FAINT = rgb(0.38, 0.38, 0.36);
export const GOLD = rgb(0.48, 0.32, 0.02);
export const GOLD_FILL = rgb(0.75, 0.54, 0.08);
export const RULE = rgb(0.78, 0.76, 0.7);

/** A4 in points, and the margin. */
export const WIDE = 595.28;
export const HIGH = 841.89;
export const MARGIN = 48;

interface TextOptions {
  readonly hand?: Hand;
  readonly size?: number;
  readonly color?: RGB;
  /** Ends at x rather than beginning there. */
  readonly toTheRight?: boolean;
  /** Not wider than this: longer words are set smaller, and at last cut. */
  readonly within?: number;
}

/** Words are not set smaller than this share of their size. */
const SMALLEST = 0.7;
/** Between what stands left and right at the head of a sheet. */
const GAP = 18;

/** One sheet of A4 to write and draw on; y is from the top. */
export interface PdfSheet {
  readonly page: PDFPage;
  readonly text: (x: number, y: number, words: string, options?: TextOptions) => void;
  /** What the sheet is about, and beside it whose or when, over a line. */
  readonly head: (about: string, beside: string) => void;
  /** Lines no wider than this; answers where the next one would stand. What would stand below `lowest` is left out, and said to be. */
  readonly paragraph: (
    x: number,
    y: number,
    wide: number,
    words: string,
    options?: TextOptions & { readonly lowest?: number },
  ) => number;
  readonly line: (x1: number, y1: number, x2: number, y2: number, thick?: number, color?: RGB) => void;
  readonly box: (x: number, y: number, wide: number, high: number, color: RGB) => void;
  readonly bytes: () => Promise<Uint8Array<ArrayBuffer>>;
}

/** Opens a sheet. Nothing of who wrote it, when or where stands in the file besides what is drawn. */
export async function openPdfSheet(letters: Letters, title: string): Promise<PdfSheet> {
  const doc = await PDFDocument.create({ updateMetadata: false });
  doc.setTitle(title);
  doc.registerFontkit(fontkit);
  const embed = (files: readonly ArrayBuffer[]): Promise<PDFFont[]> =>
    Promise.all(files.map((bytes) => doc.embedFont(bytes, { subset: true })));
  const fonts: Record<Hand, PDFFont[]> = {
    heading: await embed(letters.heading),
    text: await embed(letters.text),
    bold: await embed(letters.bold),
  };
  const page = doc.addPage([WIDE, HIGH]);

  /** Words in runs of one font each; a letter no font has stands as a question mark. */
  const runsOf = (words: string, hand: Hand): { font: PDFFont; words: string }[] => {
    const known = fonts[hand].map((font) => ({ font, letters: new Set(font.getCharacterSet()) }));
    const runs: { font: PDFFont; words: string }[] = [];
    for (const letter of words.replaceAll('\u00a0', ' ')) {
      const has = known.find((k) => k.letters.has(letter.codePointAt(0) ?? 0));
      const font = (has ?? known[0])?.font;
      if (!font) continue;
      const last = runs.at(-1);
      const drawn = has ? letter : '?';
      if (last?.font === font) last.words += drawn;
      else runs.push({ font, words: drawn });
    }
    return runs;
  };
  const widthOf = (words: string, hand: Hand, size: number): number =>
    runsOf(words, hand).reduce((sum, r) => sum + r.font.widthOfTextAtSize(r.words, size), 0);
  /** The size that fits, and the words, cut where even the smallest is too wide. */
  const fitted = (words: string, hand: Hand, size: number, within: number): { size: number; words: string } => {
    const wide = widthOf(words, hand, size);
    if (wide <= within) return { size, words };
    const smaller = Math.max(SMALLEST * size, (size * within) / wide);
    const letters = [...words];
    const cut = (): string => `${letters.join('').trimEnd()}…`;
    if (widthOf(words, hand, smaller) <= within + 0.01) return { size: smaller, words };
    while (letters.length > 1 && widthOf(cut(), hand, smaller) > within) letters.pop();
    return { size: smaller, words: cut() };
  };
  const text: PdfSheet['text'] = (x, y, said, options = {}) => {
    const { hand = 'text', color = INK, toTheRight = false, within = Infinity } = options;
    const { size, words } = fitted(said, hand, options.size ?? 10, within);
    let at = toTheRight ? x - widthOf(words, hand, size) : x;
    for (const run of runsOf(words, hand)) {
      page.drawText(run.words, { x: at, y: HIGH - y, size, font: run.font, color });
      at += run.font.widthOfTextAtSize(run.words, size);
    }
  };
  const line: PdfSheet['line'] = (x1, y1, x2, y2, thick = 0.8, color = INK) =>
    page.drawLine({ start: { x: x1, y: HIGH - y1 }, end: { x: x2, y: HIGH - y2 }, thickness: thick, color });
  return {
    page,
    text,
    head: (about, beside) => {
      const right = WIDE - MARGIN;
      const wide = right - MARGIN;
      const small = { size: 11, color: FAINT, toTheRight: true, within: 0.4 * wide };
      const taken = Math.min(small.within, widthOf(beside, 'text', small.size));
      text(MARGIN, 62, about, { hand: 'heading', size: 24, within: wide - taken - GAP });
      text(right, 62, beside, small);
      line(MARGIN, 74, right, 74, 1.6);
    },
    paragraph: (x, y, wide, words, options = {}) => {
      const { hand = 'text', size = 10, lowest = Infinity } = options;
      let [begun, at] = ['', y];
      for (const word of words.split(/ +/)) {
        const longer = begun === '' ? word : `${begun} ${word}`;
        if (begun !== '' && widthOf(longer, hand, size) > wide) {
          const isLast = at + 1.35 * size > lowest;
          text(x, at, isLast ? `${begun} …` : begun, { ...options, within: wide });
          at += 1.35 * size;
          if (isLast) return at;
          begun = word;
        } else begun = longer;
      }
      text(x, at, begun, { ...options, within: wide });
      return at + 1.35 * size;
    },
    line,
    box: (x, y, wide, high, color) => page.drawRectangle({ x, y: HIGH - y - high, width: wide, height: high, color }),
    bytes: async () => new Uint8Array(await doc.save()),
  };
}
