import { useDraft } from '../ui/useDraft.ts';
import { NOTHING_GIVEN, type Given } from './place.ts';

/** What this person gives away of a place, as chosen last on this device; nothing until something was chosen. */
export function useGiven(): [Given, (given: Given) => void] {
  const [given, setGiven] = useDraft<Given>('given-away', () => NOTHING_GIVEN);
  return [given, setGiven];
}
