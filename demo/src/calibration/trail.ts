import { poissonDraw, traceColors, type Random } from '@riffle/core';
import { Tally } from './tally.ts';
import { FORMS, factorOf } from './world.ts';

const PLACES = 12;

/** A creek panned at a dozen places: colors per pan at each, with the place's own luck and what the pan's is. */
function walk(rateAt: (share: number) => number, random: Random) {
  const form = FORMS[Math.floor(random() * FORMS.length)] ?? 'gamma';
  const cv = 0.3 + 0.8 * random();
  const pan_L = 4 + 4 * random();
  return Array.from({ length: PLACES }, (_, i) => {
    const distance_m = 80 * i + 50 * random();
    return {
      id: `p${i}`,
      distance_m,
      volumeBank_L: pan_L,
      colors: poissonDraw(rateAt((i + 0.5) / PLACES) * factorOf(form, cv, random) * pan_L, random),
    };
  });
}

/** Where colors stop: creeks without a stop (even, fading, rising, richest in the middle) and with one. */
export function calibrateTrail(creeks: number, random: Random) {
  const falsely = new Tally('Colors stop, said in creeks without a stop', 'at most 15 %');
  const found = new Tally('A tenfold stop, 12 places: found, at the place or its neighbor', 'at least 70 %');
  const certainty = new Tally(
    'A stop said, and there it is (half of the creeks have one)',
    'as often as said, within 10 points',
  );
  const fading = new Tally('A fading called a stop', 'at most 15 %');
  for (let i = 0; i < creeks; i++) {
    const rate = Math.exp(Math.log(1.2) + 0.7 * (random() * 2 - 1));
    const shape = i % 4;
    const fall = 0.05 + 0.45 * random();
    const without =
      shape === 0
        ? () => rate
        : shape === 1
          ? (x: number) => rate * fall ** x
          : shape === 2
            ? (x: number) => rate * (1 / fall) ** (x - 1)
            : (x: number) => rate * (0.3 + 0.7 * Math.exp(-(((x - 0.5) / 0.25) ** 2)));
    const none = traceColors(walk(without, random));
    (shape === 1 ? fading : falsely).add(none.kind === 'break');
    if (none.kind === 'break') certainty.add(false, none.certainty);
    const at = 3 + Math.floor(random() * (PLACES - 6));
    const trace = traceColors(walk((x) => (x * PLACES < at ? rate * 1.5 : rate * 0.15), random));
    const hit = trace.kind === 'break' && Math.abs(Number(trace.above.id.slice(1)) - at) <= 1;
    found.add(hit);
    if (trace.kind === 'break') certainty.add(hit, trace.certainty);
    else found.silent++;
  }
  return { falsely, fading, found, certainty };
}
