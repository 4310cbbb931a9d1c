import { bankVolume_L, type Looked } from '@riffle/core';
import type { StoredGround, StoredSpot } from '@riffle/contract';
import { useContainers } from '../../../records/useContainers.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { readVolume } from '../../../units/readEntered.ts';

const A_BUCKET = { text: '1', unit: 'bucket' } as const;

/** The oversize looked through at a spot, all of the crew's, and one more look. */
export function useLooks(ground: StoredGround, spot: StoredSpot | undefined) {
  const book = useKeep('looks');
  const mine = useRecords('looks', ground.id).items.filter((l) => l.spotId === spot?.id);
  const bucket = readVolume(A_BUCKET, useContainers());
  const bucket_L = bucket.ok ? bucket.value : NaN;
  const looks = mine.map(({ aperture_mm, pieces, volume_L }): Looked => ({
    aperture_mm,
    pieces,
    volumeBank_L: bankVolume_L(volume_L, ground.swell_percent),
  }));
  const last = [...mine].sort((a, b) => a.lookedAt.localeCompare(b.lookedAt)).at(-1);
  return {
    looks,
    bucketBank_L: bankVolume_L(bucket_L, ground.swell_percent),
    /** Looks at one screen, and the pieces found in them. */
    at: (aperture_mm: number): { readonly looks: number; readonly pieces: number } => {
      const there = mine.filter((l) => l.aperture_mm === aperture_mm);
      return { looks: there.length, pieces: there.reduce((sum, l) => sum + l.pieces, 0) };
    },
    /** One bucket more at a screen, with so many pieces in it; none before the spot is said. */
    look:
      spot &&
      ((aperture_mm: number, pieces: number): void => {
        book.add({
          groundId: ground.id,
          spotId: spot.id,
          lookedAt: new Date().toISOString(),
          aperture_mm,
          volume_L: bucket_L,
          volumeEntered: A_BUCKET,
          pieces,
        });
      }),
    takeBack: last && ((): void => book.takeOut(last, 'The last look is taken back.')),
  };
}
