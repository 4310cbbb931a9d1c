import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import boldExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url';
import text from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import textExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url';
import heading from '@fontsource/bitter/files/bitter-latin-600-normal.woff?url';
import headingExt from '@fontsource/bitter/files/bitter-latin-ext-600-normal.woff?url';
import type { Letters } from './pdfSheet.ts';

/** The letters of printed pages; they ship with the app. */
export async function readLetters(): Promise<Letters> {
  const read = (...urls: string[]): Promise<ArrayBuffer[]> =>
    Promise.all(urls.map(async (url) => (await fetch(url)).arrayBuffer()));
  return { heading: await read(heading, headingExt), text: await read(text, textExt), bold: await read(bold, boldExt) };
}
