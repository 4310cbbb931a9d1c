import {
  METRIC,
  US,
  USUAL_PAYS_MG_L,
  USUAL_SCHOOL,
  type Display,
  type RankingRules,
  type WeightSchool,
} from '@riffle/core';
import { createContext, use } from 'react';
import type { PositionSource } from '../position/currentPosition.ts';

export const LIGHTS = ['shade', 'sun', 'headlamp'] as const;
export type Light = (typeof LIGHTS)[number];

/** What a person chose on this device. The price is their own; Riffle knows none. */
export interface Preferences {
  readonly display: Display;
  readonly light: Light;
  /** Value of a gram of their gold, as they typed it, and what they call the money. */
  readonly pricePerGram: number | null;
  readonly money: string;
  /** What an hour of work has to bring them, in the same money. */
  readonly hourMustBring: number | null;
  /** Grade from which ground pays them, mg/L bank, and how deep their tools reach, m. */
  readonly pays_mg_L: number;
  readonly reach_m: number;
  /** Their own opinion of kinds of sign, where it differs from common practice. */
  readonly priors: NonNullable<RankingRules['priors']>;
  /** Whose weights of colors count before anything is weighed. */
  readonly colorSchool: WeightSchool;
  readonly positionFrom: PositionSource;
  /** Who works with this device: what is put right of a run says so. Empty: not said. */
  readonly person: string;
}

const FIRST: Preferences = {
  display: METRIC,
  light: 'shade',
  pricePerGram: null,
  money: '',
  hourMustBring: null,
  pays_mg_L: USUAL_PAYS_MG_L,
  reach_m: 1,
  priors: {},
  colorSchool: USUAL_SCHOOL,
  positionFrom: 'device',
  person: '',
};
const KEY = 'riffle-preferences';

export function loadPreferences(): Preferences {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Preferences>;
    return { ...FIRST, ...kept, display: { ...FIRST.display, ...kept.display } };
  } catch {
    return FIRST;
  }
}

export function keepPreferences(preferences: Preferences): void {
  localStorage.setItem(KEY, JSON.stringify(preferences));
}

/** The other system, with the grade and gold unit that usually go with it. */
export const inSystem = (system: Display['system']): Display => (system === 'US' ? US : METRIC);

export interface PreferencesInHand {
  readonly preferences: Preferences;
  readonly change: (some: Partial<Preferences>) => void;
}

export const PreferencesContext = createContext<PreferencesInHand>({ preferences: FIRST, change: () => undefined });
export const usePreferences = (): PreferencesInHand => use(PreferencesContext);
