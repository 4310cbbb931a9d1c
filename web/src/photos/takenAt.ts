import type { LocalTime } from '../when/localTime.ts';

/** What a camera writes of when (Exif 2.32, tags 36867 and 36881): "2026:07:28 09:20:00", and perhaps its zone, "+02:00". */
export interface CameraClock {
  readonly DateTimeOriginal?: unknown;
  readonly OffsetTimeOriginal?: unknown;
}

/**
 * When a picture was taken, ISO. Most cameras name no zone: their clock is the ground's, wherever the picture is brought in.
 * @returns null where the camera's clock was never set, or is no time
 */
export function takenAt(
  { DateTimeOriginal: clock, OffsetTimeOriginal: zone }: CameraClock,
  local: LocalTime,
): string | null {
  const [, year, month, day, time] =
    /^(\d{4}):(\d{2}):(\d{2})[ T](\d{2}:\d{2}:\d{2})/.exec(typeof clock === 'string' ? clock : '') ?? [];
  if (year === undefined || Number(year) < 1900) return null;
  const moment = `${year}-${month}-${day}T${time}`;
  // A day that no calendar has would roll over into the next month.
  const asWritten = new Date(`${moment}Z`);
  if (Number.isNaN(asWritten.getTime()) || asWritten.toISOString().slice(0, 19) !== moment) return null;
  const named = typeof zone === 'string' && /^(Z|[+-]\d{2}:\d{2})$/.test(zone.trim());
  return (named ? new Date(moment + zone.trim()) : local.at(moment)).toISOString();
}
