import { NUMBERS, numberProblem, textProblem, TEXTS, type StoredGround } from '@riffle/contract';
import type { Entered, FedBy } from '@riffle/core';
import { enterLength } from '../../units/enterLength.ts';
import { readEntered, readSlope } from '../../units/readEntered.ts';
import { asText, readTide, type TideText } from './readTide.ts';
import { numberTyped } from '../../units/numberTyped.ts';

/** A ground's own facts as they are typed. */
export interface GroundDraft {
  readonly name: string;
  readonly kind: StoredGround['kind'];
  readonly swell: string;
  /** An IANA name; empty: the clock of whoever looks. */
  readonly timeZone: string;
  readonly length: Entered;
  /** What fed the district; empty: not known. */
  readonly fedBy: FedBy | '';
  readonly catchment: Entered;
  readonly note: string;
  readonly profile: StoredGround['profile'];
  readonly tide: TideText;
  /** Rise of a beach's face. */
  readonly faceSlope: Entered;
  readonly joinsId: string;
  readonly joinsAt: Entered;
  readonly joinsBank: 'left' | 'right';
}

export const groundAsDraft = (ground: StoredGround): GroundDraft => ({
  name: ground.name,
  kind: ground.kind,
  swell: String(ground.swell_percent),
  timeZone: ground.timeZone ?? '',
  length: enterLength(ground.length_m, 'm'),
  fedBy: ground.fedBy ?? '',
  catchment: ground.catchmentEntered ?? { text: '', unit: 'ha' },
  note: ground.note,
  profile: ground.profile,
  tide: asText(ground.tide),
  faceSlope: ground.faceSlopeEntered ?? { text: '', unit: '%' },
  joinsId: ground.joins?.groundId ?? '',
  joinsAt: enterLength(ground.joins?.distance_m, 'm', 0),
  joinsBank: ground.joins?.bank ?? 'left',
});

/**
 * The fields in numbers, what is wrong beside each, and what of the ground they change (null while something is wrong).
 * @param others grounds it could run into
 * @param sayDistance a length in the person's unit, for what is said of a place past the end
 */
export function readGround(
  draft: GroundDraft,
  ground: StoredGround,
  others: readonly StoredGround[],
  sayDistance: (m: number) => string,
) {
  const length = readEntered('length', draft.length);
  const joinsAt = readEntered('length', draft.joinsAt);
  const catchment = draft.catchment.text.trim() === '' ? null : readEntered('area', draft.catchment);
  const tide = readTide(draft.tide);
  const faceSlope = draft.faceSlope.text.trim() === '' ? null : readSlope(draft.faceSlope);
  const mouth = others.find((g) => g.id === draft.joinsId);
  const swell_percent = numberTyped(draft.swell.replace('%', ''));
  const pastTheEnd = joinsAt.ok && mouth !== undefined && joinsAt.value > mouth.length_m + 0.5;
  const problems = {
    name: textProblem(TEXTS.name, draft.name),
    note: textProblem(TEXTS.note, draft.note),
    swell:
      draft.swell.trim() === '' || numberProblem(NUMBERS.swell_percent, swell_percent)
        ? 'Gravel swells by 0 to 80 %; 10 to 25 % is usual.'
        : null,
    length: length.ok ? numberProblem(NUMBERS.typedLength_m, length.value) : length.problem,
    catchment: catchment?.ok ? numberProblem(NUMBERS.catchment_m2, catchment.value) : (catchment?.problem ?? null),
    tide: 'problem' in tide ? tide.problem : null,
    faceSlope: faceSlope?.ok ? numberProblem(NUMBERS.faceSlope, faceSlope.value) : (faceSlope?.problem ?? null),
    joins: mouth ? (pastTheEnd ? `${mouth.name} is ${sayDistance(mouth.length_m)} long.` : unread(joinsAt)) : null,
  };
  const fits = Object.values(problems).every((p) => p === null);
  return {
    length,
    catchment,
    faceSlope,
    joinsAt,
    mouth,
    problems,
    change:
      fits && length.ok && 'tide' in tide
        ? {
            name: draft.name.trim(),
            kind: draft.kind,
            swell_percent,
            timeZone: draft.timeZone === '' ? null : draft.timeZone,
            fedBy: draft.fedBy === '' ? null : draft.fedBy,
            catchment_m2: catchment?.ok ? catchment.value : null,
            catchmentEntered: catchment?.ok ? draft.catchment : null,
            note: draft.note,
            tide: tide.tide,
            faceSlope: faceSlope?.ok ? faceSlope.value : null,
            faceSlopeEntered: faceSlope?.ok ? draft.faceSlope : null,
            profile: draft.profile,
            lookedAt: ground.lookedAt,
            joins:
              mouth && joinsAt.ok ? { groundId: mouth.id, distance_m: joinsAt.value, bank: draft.joinsBank } : null,
            // A ground with a line keeps the line's own length.
            length_m: ground.line ? ground.length_m : length.value,
          }
        : null,
  };
}

const unread = (r: ReturnType<typeof readEntered>): string | null => (r.ok ? null : r.problem);
