import type { Reading } from '../units/readEntered.ts';

const SECONDS = { h: 3600, m: 60, s: 1 } as const;
type Unit = keyof typeof SECONDS;
const AFTER: Readonly<Record<Unit, Unit | null>> = { h: 'm', m: 's', s: null };
const HOW: Readonly<Record<Unit, string>> = {
  h: 'Write it like “3 h 20” or “200 min”.',
  m: 'Write it like “2:10” or “2 min 10 s”.',
  s: 'Write it like “2:10” or “130 s”.',
};

/**
 * A length of time as people say it, in seconds: "2:10", "2 min 10", "1.5 h", "90 s".
 * @param plain what a bare number is; after "h" bare means minutes, after "min" seconds, and "3:20" is hours and minutes where `plain` is hours
 */
export function readDuration(text: string, plain: Unit): Reading {
  const said = text
    .trim()
    .toLowerCase()
    .replaceAll(/(\d),(\d{1,2})(?!\d)/g, '$1.$2');
  if (said === '') return { ok: false, problem: HOW[plain] };
  const clock = /^(\d+):([0-5]\d)(?::([0-5]\d))?$/.exec(said);
  if (clock) {
    const [a, b, c] = [Number(clock[1]), Number(clock[2]), Number(clock[3] ?? NaN)];
    if (!Number.isNaN(c)) return { ok: true, value: 3600 * a + 60 * b + c };
    return { ok: true, value: plain === 'h' ? 3600 * a + 60 * b : 60 * a + b };
  }
  let next: Unit | null = plain;
  let [left, value] = [said, 0];
  while (left !== '') {
    const part = /^(\d+(?:\.\d+)?)\s*(h(?:ours?|rs?)?|m(?:in(?:utes?|s)?)?|s(?:ec(?:onds?|s)?)?|'|")?\s*/.exec(left);
    const named = part?.[2]?.replace("'", 'm').replace('"', 's')[0] as Unit | undefined;
    const unit: Unit | null = named ?? next;
    if (!part || !unit) return { ok: false, problem: HOW[plain] };
    value += Number(part[1]) * SECONDS[unit];
    next = AFTER[unit];
    left = left.slice(part[0].length);
  }
  return { ok: true, value };
}

/** A length of time as it is written again: "2:10", "1:05:00". */
export function durationText(seconds: number): string {
  const whole = Math.round(seconds);
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  const two = (n: number): string => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** Hours of work as they are written again: "3 h 20 min". */
export function durationHours(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  const [h, m] = [Math.floor(minutes / 60), minutes % 60];
  return [h > 0 && `${h} h`, (m > 0 || h === 0) && `${m} min`].filter(Boolean).join(' ');
}
