import type { ReadingVerdict } from '@riffle/core';
import { firstWord } from '../api/opening.ts';
import { useWaiting } from '../offline/outbox.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { useOpened } from '../ui/useSeen.ts';

/**
 * What the document said of a ground, for the first drawing of a page alone. Null once that was seen, and where it would be worked out otherwise here:
 * by other preferences, or with what was done on this device and is not sent yet.
 */
export function useFirstWord(groundId: string): ReadingVerdict | null {
  const opened = useOpened();
  const { pays_mg_L, colorSchool } = usePreferences().preferences;
  const waiting = useWaiting();
  return !opened &&
    firstWord?.groundId === groundId &&
    firstWord.pays_mg_L === pays_mg_L &&
    firstWord.school === colorSchool &&
    waiting.length === 0
    ? firstWord.verdict
    : null;
}

/** The day it is on a ground as the document told, for the first drawing alone: to find it in a time zone costs a slow phone a sixth of a second, once. */
export function useFirstDay(groundId: string): string | null {
  const opened = useOpened();
  return !opened && firstWord?.groundId === groundId ? firstWord.today : null;
}
