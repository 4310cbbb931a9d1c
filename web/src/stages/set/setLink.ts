import type { Entered } from '@riffle/core';
import type { SetupDraft } from './readSetup.ts';

/** Fields a link carries, as they were typed. Where it lies and what it is fed from stay out of it. */
const CARRIED = ['pitch', 'depth', 'flow', 'crossFall', 'stone', 'temperature', 'scoop', 'bucket'] as const;
type Carried = (typeof CARRIED)[number];
const BOX = 'box';
const PACE = 'pace';
/** More of a text than this nobody typed in a field. */
const LONGEST = 60;

const asText = ({ text, unit }: Entered): string => `${text.trim()} ${unit}`;

/** What of an address makes a setting: the box and each field as it was typed, in words one can read. */
export function settingSearch(draft: SetupDraft, rigId: string): string {
  const search = new URLSearchParams({ [BOX]: rigId });
  for (const field of CARRIED) {
    if (field === (draft.known === 'depth' ? 'flow' : 'depth') || draft[field].text.trim() === '') continue;
    search.set(field, asText(draft[field]));
  }
  if (draft.pace.trim() !== '') search.set(PACE, draft.pace.trim());
  return search.toString();
}

export interface LinkedSetting {
  readonly rigId: string | null;
  readonly draft: Partial<SetupDraft>;
}

/** The setting an address carries; null where it carries none. What it says is read as if it was typed. */
export function settingFrom(search: URLSearchParams): LinkedSetting | null {
  if (!search.has('pitch')) return null;
  const draft: Partial<Record<Carried, Entered>> = {};
  for (const field of CARRIED) {
    const said = search.get(field)?.slice(0, LONGEST).trim();
    if (!said) continue;
    const space = said.lastIndexOf(' ');
    draft[field] = space > 0 ? { text: said.slice(0, space), unit: said.slice(space + 1) } : { text: said, unit: '' };
  }
  return {
    rigId: search.get(BOX),
    draft: {
      ...draft,
      known: draft.flow && !draft.depth ? 'flow' : 'depth',
      crossFall: draft.crossFall ?? { text: '', unit: 'mm' },
      pace: search.get(PACE)?.slice(0, LONGEST) ?? '',
      seen: {},
    },
  };
}

/** An address without the setting it carried. */
export function withoutSetting(search: URLSearchParams): URLSearchParams {
  const rest = new URLSearchParams(search);
  for (const field of [...CARRIED, BOX, PACE]) rest.delete(field);
  return rest;
}
