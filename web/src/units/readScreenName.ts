import { OutOfRange, sieveAperture_mm } from '@riffle/core';
import { readEntered } from './readEntered.ts';

/** Opening of a screen, or why its name gives none. */
export type Aperture = { readonly ok: true; readonly mm: number } | { readonly ok: false; readonly problem: string };

/**
 * Opening of a screen as it is called: a US sieve ("No. 30", "30 mesh", "1/4 in") or a size ("3 mm"). "mil" and numbers in no series are asked about.
 */
export function readScreenName(name: string): Aperture {
  const said = name.trim();
  const mesh = /^(?:no\.?\s*|#)?(\d+)(?:\s*mesh)?$/i.exec(said);
  const metric = /^([\d.]+)\s*mm$/i.exec(said);
  if (said === '') return { ok: false, problem: 'Name the screen: “1/4 in”, “No. 30” or “3 mm”.' };
  if (/\bmils?\b/i.test(said))
    return { ok: false, problem: '“mil” is millimetre to some and a thousandth of an inch to others. Write mm or in.' };
  if (metric)
    return Number(metric[1]) > 0 ? { ok: true, mm: Number(metric[1]) } : { ok: false, problem: 'More than 0 mm.' };
  try {
    return { ok: true, mm: sieveAperture_mm(mesh ? `No. ${mesh[1]}` : said.replace(/\s*(inch(es)?|")$/, ' in')) };
  } catch (error) {
    const inches = readEntered('length', { text: said, unit: 'in' });
    if (/in|"/.test(said) && inches.ok && inches.value > 0)
      return { ok: true, mm: Math.round(inches.value * 1e6) / 1000 };
    const near = mesh && error instanceof OutOfRange ? /near it are (.+)$/.exec(error.message)?.[1] : undefined;
    return {
      ok: false,
      problem: near
        ? `${said} is in no standard series; near it are ${near.replace(/\.$/, '')}.`
        : 'Write “1/4 in”, “No. 30” or “3 mm”.',
    };
  }
}
