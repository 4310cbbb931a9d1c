import { keepableText } from '@riffle/contract';
import { strFromU8, unzipSync } from 'fflate';
import { Refusal } from '../http/problems.ts';

/** The most a packed file may unpack to: a track of 100,000 points with times is about 15 MB. */
const LARGEST_UNPACKED_BYTES = 64 * 1024 * 1024;

const refuse = (detail: string): never => {
  throw new Refusal('FILE_UNREADABLE', detail, [{ path: 'file', message: detail }]);
};

/**
 * The text of a file as devices write it: UTF-8, UTF-16 by its mark, or what its XML declaration says (ISO-8859-1 and the
 * like); of a KMZ the KML in it. Signs that cannot be kept are left out.
 * @throws Refusal FILE_UNREADABLE where it is packed otherwise, or its text is in an encoding that is not known
 */
export function fileText(bytes: Uint8Array): string {
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03 && bytes[3] === 0x04;
  return keepableText(decoded(isZip ? kmlOf(bytes) : bytes));
}

/** The main KML of a KMZ: by the standard (OGC 12-007r2) the first file in it that ends in .kml. */
function kmlOf(zip: Uint8Array): Uint8Array {
  let first: string | null = null;
  let unpacked: Record<string, Uint8Array>;
  try {
    unpacked = unzipSync(zip, {
      filter: ({ name, originalSize }) => {
        if (first !== null || !/\.kml$/i.test(name)) return false;
        if (originalSize > LARGEST_UNPACKED_BYTES) refuse('The KML in this KMZ is too large to be a ground.');
        first = name;
        return true;
      },
    });
  } catch (error) {
    if (error instanceof Refusal) throw error;
    return refuse('This packed file is damaged. Export it again from where it came.');
  }
  return (first !== null && unpacked[first]) || refuse('There is no KML in this packed file.');
}

function decoded(bytes: Uint8Array): string {
  const encoding = marked(bytes) ?? declared(bytes) ?? 'utf-8';
  try {
    return new TextDecoder(encoding).decode(bytes);
  } catch {
    return refuse(`This file is written in “${encoding}”, which is not read here. Export it as UTF-8.`);
  }
}

/** By the mark at its start, or the shape of its first sign: "<" with an empty byte before or after it (XML 1.0, appendix F). */
function marked(bytes: Uint8Array): string | null {
  const [a, b] = bytes;
  if ((a === 0xff && b === 0xfe) || (a === 0x3c && b === 0)) return 'utf-16le';
  if ((a === 0xfe && b === 0xff) || (a === 0 && b === 0x3c)) return 'utf-16be';
  return null;
}

/** By its XML declaration, whose own letters are those of ASCII. */
function declared(bytes: Uint8Array): string | null {
  const start = strFromU8(bytes.subarray(0, 200), true);
  return /^\s*<\?xml[^>]*\bencoding\s*=\s*["']([^"']{1,40})["']/.exec(start.replace(/^ï»¿/, ''))?.[1] ?? null;
}
