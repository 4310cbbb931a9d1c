import { expose } from 'comlink';
import jsQR from 'jsqr';

export const tagWorker = {
  /** The words of a square code (ISO/IEC 18004) in a picture; null when there is none that can be read. */
  read: (picture: ImageData): string | null => jsQR(picture.data, picture.width, picture.height)?.data ?? null,
};
export type TagWorker = typeof tagWorker;
expose(tagWorker);
