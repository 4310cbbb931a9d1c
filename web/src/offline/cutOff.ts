import { left, notes } from './notes.ts';
import type { QueuedWrite } from './write.ts';

/** Hands over what earlier pages noted and no store took, oldest first, and lets go of the notes. Another page may still be at it. */
export async function handOverNoted(
  takeOver: (noted: readonly { write: QueuedWrite; refused: null }[]) => Promise<void>,
): Promise<void> {
  const noted = left.flatMap((key) => {
    const write = JSON.parse(notes?.getItem(key) ?? 'null') as QueuedWrite | null;
    return write ? [{ write, refused: null }] : [];
  });
  // Their ids are UUIDs of version 7.
  await takeOver(noted.sort((a, b) => (a.write.writeId < b.write.writeId ? -1 : 1)));
  for (const key of left) notes?.removeItem(key);
}
