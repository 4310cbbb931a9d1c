import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { keepPreferences, loadPreferences, PreferencesContext } from './preferences.ts';

/** Holds units, light and price for the whole application and keeps them on this device. */
export function PreferencesProvider({ children }: { children: ReactNode }) {
  const [preferences, setPreferences] = useState(loadPreferences);
  useEffect(() => {
    document.documentElement.dataset['light'] = preferences.light;
    keepPreferences(preferences);
  }, [preferences]);
  const inHand = useMemo(
    () => ({
      preferences,
      change: (some: Partial<typeof preferences>) => setPreferences((before) => ({ ...before, ...some })),
    }),
    [preferences],
  );
  return <PreferencesContext value={inHand}>{children}</PreferencesContext>;
}
