import { trueNow_ms } from '../api/trueClock.ts';
import { addDays, format, getDay, isValid, parse } from 'date-fns';
import type { LocalTime } from './localTime.ts';

/** A day or moment as typed comes to an ISO text ("2026-07-28", "2026-07-28T09:20"), or why it does not. */
export type WhenRead = { readonly ok: true; readonly iso: string } | { readonly ok: false; readonly problem: string };

const iso = (day: Date): string => format(day, 'yyyy-MM-dd');
const midnight = (isoDay: string): Date => parse(isoDay, 'yyyy-MM-dd', new Date(2000, 0, 1));
const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
const SHORT_YEAR: WhenRead = { ok: false, problem: 'Look at the year: it has four figures.' };
/** With the year, then without one. */
const YEARED = ['yyyy-MM-dd', 'yyyy/MM/dd', 'd MMM yyyy', 'd MMMM yyyy', 'MMM d yyyy', 'MMMM d yyyy', 'd.M.yyyy'];
const UNYEARED = ['d MMM', 'd MMMM', 'MMM d', 'MMMM d', 'd.M.'];

/**
 * A day as people say it: "28 Jul", "Jul 28 2025", "28.7.2026", "2026-07-28", "today", "yesterday", "Tuesday" (the last one).
 * Without a year it is the last such day, or the nearest to today. Days with strokes are asked about where day and month could change places.
 * @param today the day it is, ISO
 */
export function readDay(text: string, today: string, unyeared: 'last' | 'nearest' = 'nearest'): WhenRead {
  const said = text
    .trim()
    .toLowerCase()
    .replaceAll(/[,\s]+/g, ' ')
    .replace(/(\d)(?:st|nd|rd|th)\b/, '$1');
  const now = midnight(today);
  if (said === 'today') return { ok: true, iso: today };
  if (said === 'yesterday') return { ok: true, iso: iso(addDays(now, -1)) };
  if (said === 'tomorrow') return { ok: true, iso: iso(addDays(now, 1)) };
  const weekday = /^[a-z]{3,9}$/.test(said) ? WEEKDAYS.indexOf(said.slice(0, 3)) : -1;
  if (
    weekday >= 0 &&
    format(addDays(now, weekday - getDay(now)), 'EEEE')
      .toLowerCase()
      .startsWith(said)
  )
    return { ok: true, iso: iso(addDays(now, -((getDay(now) - weekday + 7) % 7))) };
  const strokes = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4})$/.exec(said);
  if (strokes) {
    const [a = 0, b = 0] = [Number(strokes[1]), Number(strokes[2])];
    if (a <= 12 && b <= 12 && a !== b)
      return {
        ok: false,
        problem: `Day or month first? Write “${a} ${format(new Date(2000, b - 1, 1), 'MMM')}” or “${b} ${format(new Date(2000, a - 1, 1), 'MMM')}”.`,
      };
    const day = parse(said.replaceAll('-', '/'), a > 12 ? 'd/M/yyyy' : 'M/d/yyyy', now);
    if (isValid(day)) return { ok: true, iso: iso(day) };
  }
  for (const form of YEARED) {
    const day = parse(said, form, now);
    if (isValid(day)) return day.getFullYear() < 1000 ? SHORT_YEAR : { ok: true, iso: iso(day) };
  }
  for (const form of UNYEARED) {
    const near = [-1, 0, 1]
      .map((by) => parse(`${said} ${now.getFullYear() + by}`, `${form} yyyy`, now))
      .filter((day) => isValid(day) && (unyeared === 'nearest' || day <= now))
      .sort((a, b) => Math.abs(a.getTime() - now.getTime()) - Math.abs(b.getTime() - now.getTime()));
    if (near[0]) return { ok: true, iso: iso(near[0]) };
  }
  return { ok: false, problem: 'Write it like “28 Jul”, “yesterday” or “2026-07-28”.' };
}

/** Minutes after midnight of "9:20", "9.20", "0920", "9 am", "5:30 pm", "17"; null where it is none. */
export function readClock(text: string): number | null {
  const said = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(am|pm|a|p)?$/.exec(text.trim().toLowerCase().replaceAll('.m', 'm'));
  if (!said) return null;
  const [hour, minute] = [Number(said[1]), Number(said[2] ?? 0)];
  if (minute > 59 || hour > 23 || (said[3] && (hour < 1 || hour > 12))) return null;
  return ((said[3] ? hour % 12 : hour) + (said[3]?.startsWith('p') ? 12 : 0)) * 60 + minute;
}

/** "09:20" of so many minutes after midnight. */
export const clockText = (minutes: number): string =>
  [Math.floor(minutes / 60), minutes % 60].map((n) => String(n).padStart(2, '0')).join(':');

/**
 * A moment as people say it: a day with its hour behind it ("28 Jul 9:20", "yesterday 5 pm"), an hour alone (of today), or a day alone.
 * @param noHour the hour of a day that names none, "12:00"
 */
export function readWhen(text: string, today: string, noHour = '12:00'): WhenRead {
  const said = text
    .trim()
    .replaceAll(/[,\s]+/g, ' ')
    .replace(/^(\d{4}-\d{2}-\d{2})[Tt]/, '$1 ')
    .replace(/(\d{2}:\d{2}):\d{2}$/, '$1');
  const alone = /[:.]|[ap]\.?m?$/i.test(said) && !/[.].*[.]/.test(said) ? readClock(said) : null;
  if (alone !== null) return { ok: true, iso: `${today}T${clockText(alone)}` };
  const parted = /^(.+?) (?:at )?(\d{1,2}(?:[:.h]\d{2})?(?: ?[ap]\.?m?\.?)?|\d{4})$/i.exec(said);
  if (parted) {
    const [day, minutes] = [readDay(parted[1] ?? '', today, 'last'), readClock(parted[2] ?? '')];
    const isYear = /^\d{4}$/.test(parted[2] ?? '') && readDay(said, today, 'last').ok;
    if (!day.ok && day === SHORT_YEAR) return day;
    if (day.ok && minutes !== null && !isYear) return { ok: true, iso: `${day.iso}T${clockText(minutes)}` };
  }
  const day = readDay(said, today, 'last');
  if (day.ok) return { ok: true, iso: `${day.iso}T${noHour}` };
  return /Day or month|year/.test(day.problem)
    ? day
    : { ok: false, problem: 'Write it like “28 Jul 9:20” or “yesterday 5 pm”.' };
}

const MOMENT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/;
export const isMoment = (value: string): boolean => MOMENT.test(value) && isValid(new Date(`${value}Z`));
export const isDay = (value: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(value) && isValid(new Date(value));

/** What is wrong with a moment that has been; null where it is right, or empty. */
export function whenProblem(value: string, local: LocalTime, now = new Date(trueNow_ms())): string | null {
  if (value === '') return null;
  if (!isMoment(value)) return problemOf(readWhen(value, local.isoDay(now)));
  // Fields have no seconds: the minute that has begun counts as now.
  if (local.at(value).getTime() > now.getTime() + 60_000) return 'That is still to come.';
  return Number(value.slice(0, 4)) < 1900 ? 'Look at the year.' : null;
}
/** What stood in the way of reading; null where nothing did. */
export const problemOf = (read: WhenRead): string | null => (read.ok ? null : read.problem);
