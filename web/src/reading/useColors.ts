import type { Pan, StoredGround } from '@riffle/contract';
import { groundColors, type GroundColors } from '@riffle/core';
import { useMemo } from 'react';
import { usePreferences } from '../preferences/preferences.ts';

/** What a color weighs on a ground, and how sure that is: worked out in one place for every screen, by the person's school. */
export function useColors(ground: StoredGround, samples: readonly Pan[]): GroundColors {
  const { colorSchool } = usePreferences().preferences;
  return useMemo(
    () => groundColors(samples, ground.swell_percent, colorSchool),
    [samples, ground.swell_percent, colorSchool],
  );
}
