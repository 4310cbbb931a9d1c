import type { HourAtDepth } from '@riffle/core';
import { usePreferences } from '../preferences/preferences.ts';
import { moneyText } from './moneyText.ts';
import { useShow } from './useShow.ts';

export interface SayHour {
  /** Gold an hour with its band: "38 mg (12–80) an hour"; of blank pans the most there may be. */
  readonly gold: (at: HourAtDepth) => string;
  /** The same in the person's own terms: what it is worth, or the hours a gram takes; null where the pans were blank. */
  readonly terms: (at: HourAtDepth) => string | null;
}

/** What an hour of work brings, in words. */
export function useSayHour(): SayHour {
  const show = useShow();
  const { pricePerGram, money } = usePreferences().preferences;
  return {
    gold: ({ gold_mg_h, low_mg_h, high_mg_h }) =>
      gold_mg_h === null
        ? `under ${show.gold(high_mg_h)} an hour`
        : `${show.band('gold', gold_mg_h, low_mg_h, high_mg_h)} an hour`,
    terms: ({ gold_mg_h, low_mg_h, high_mg_h }) => {
      if (gold_mg_h === null) return null;
      const hours = (mg_h: number): string => {
        const h = 1000 / mg_h;
        return h < 10 ? h.toFixed(1) : String(Math.round(h));
      };
      const gram = `a gram takes ${hours(gold_mg_h)} hours (${hours(high_mg_h)}–${hours(low_mg_h)})`;
      return pricePerGram === null
        ? gram
        : `${gram}; an hour is worth ${moneyText((gold_mg_h / 1000) * pricePerGram, money)}`;
    },
  };
}
