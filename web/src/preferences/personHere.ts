import { textProblem, TEXTS } from '@riffle/contract';
import { loadPreferences } from './preferences.ts';

/** Who works with this device; null where that is not said. */
export function personHere(): string | null {
  const person = loadPreferences().person.trim();
  // A name the book cannot take must hold up no tap: the field says so.
  return person === '' || textProblem(TEXTS.panner, person) ? null : person;
}
