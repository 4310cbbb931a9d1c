import { gps, parse } from 'exifr';
import type { LocalTime } from '../when/localTime.ts';
import { takenAt, type CameraClock } from './takenAt.ts';

/** A picture made ready to keep: small, without its metadata, with what the camera knew beside it. */
export interface ReadyFile {
  readonly bytes: Blob;
  readonly mime: 'image/jpeg' | 'application/pdf';
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly takenAt: string | null;
  readonly position: [number, number] | null;
}

/** Longest side kept: enough to see a crack, small enough to send from a creek. */
const LONGEST_PX = 1600;
const LARGEST_PAPER_BYTES = 8 * 1024 * 1024;
/** Nothing a phone takes is larger; a film is. */
const LARGEST_PICTURE_BYTES = 60 * 1024 * 1024;

/**
 * Reads a picture: when and where it was taken (EXIF), then draws it smaller; drawing it anew leaves all metadata behind.
 * A paper (PDF) is kept as it is.
 * @param local the clock the camera is taken to show, where it names no zone
 * @throws Error in words for the person when it cannot be read or is too large
 */
export async function readPhoto(file: File, local: LocalTime): Promise<ReadyFile> {
  if (file.type === 'application/pdf') {
    if (file.size > LARGEST_PAPER_BYTES)
      throw new Error('This paper is larger than 8 MB. Scan it at a lower resolution.');
    return { bytes: file, mime: 'application/pdf', width_px: null, height_px: null, takenAt: null, position: null };
  }
  if (file.size > LARGEST_PICTURE_BYTES) throw new Error('This file is larger than any photo. Choose a picture.');
  const [taken, place] = await Promise.all([whenTaken(file, local), wherePlaced(file)]);
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error(
      'This picture cannot be read: it is damaged, or of a kind this browser does not know. JPEG and PNG always work.',
    );
  });
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  );
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return {
    bytes: await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.82 }),
    mime: 'image/jpeg',
    width_px: canvas.width,
    height_px: canvas.height,
    takenAt: taken,
    position: place,
  };
}

/** What is not there, or cannot be read, is left open: a picture without it is as good. */
async function whenTaken(file: File, local: LocalTime): Promise<string | null> {
  const pick = ['DateTimeOriginal', 'OffsetTimeOriginal'];
  const clock = (await parse(file, { pick, reviveValues: false }).catch(() => undefined)) as CameraClock | undefined;
  return clock ? takenAt(clock, local) : null;
}

async function wherePlaced(file: File): Promise<[number, number] | null> {
  const place = await gps(file).catch(() => undefined);
  return place && Math.abs(place.latitude) <= 90 && Math.abs(place.longitude) <= 180
    ? [place.longitude, place.latitude]
    : null;
}
