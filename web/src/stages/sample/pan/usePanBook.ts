import type { StoredGround, StoredLot, StoredPit, StoredSample, StoredSeeding, StoredSpot } from '@riffle/contract';
import { bestSpot, type GroundColors, type PanSays, type SizeWord, type SpotGrade } from '@riffle/core';
import { useMemo } from 'react';
import type { RankedReading } from '../../../reading/rankReading.ts';
import { useLateRanking } from '../../../reading/useLateRanking.ts';
import { useReading } from '../../../reading/useReading.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { useSizeWords } from '../hands/useSizeWords.ts';

/** The richest other spot of the ground that has a grade. */
export interface BestSpot {
  readonly name: string;
  readonly grade: SpotGrade['grade'] & { kind: 'band' };
}

/** What the book holds that a pan is written down against. It stays as it is while the colors are counted. */
export interface PanBook {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  /** Where this pan is from. */
  readonly spot: StoredSpot | undefined;
  readonly picked: string | null;
  readonly pick: (spotId: string | null) => void;
  readonly samples: readonly StoredSample[];
  /** Those of the spot. */
  readonly before: readonly StoredSample[];
  readonly pits: readonly StoredPit[];
  readonly seedings: readonly StoredSeeding[];
  readonly containers: Readonly<Record<string, number>>;
  /** The crew's words for sizes of gold. */
  readonly words: readonly SizeWord[];
  readonly colors: GroundColors;
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly best: BestSpot | null;
  readonly ranking: RankedReading | null;
  /** What Riffle would say of a pan here, before it is panned. */
  readonly riffle: PanSays | null;
}

/** @param lot the bag this pan is of, which says where it is from; otherwise the address does */
export function usePanBook(lot: StoredLot | undefined): PanBook {
  const { ground, spots } = useGround();
  const { picked: inAddress, pick } = usePicked();
  const picked = lot?.spotId ?? inAddress;
  const pits = useRecords('pits', ground.id).items;
  const seedings = useRecords('seedings').items;
  const samples = useRecords('samples', ground.id).items;
  const containers = useContainers();
  const { words } = useSizeWords();
  const reading = useReading(ground);
  const { colors, grades } = reading;
  const ranking = useLateRanking(reading, spots);
  const spot = spots.find((s) => s.id === picked);
  const before = useMemo(() => samples.filter((s) => s.spotId === spot?.id), [samples, spot?.id]);
  const best = useMemo(() => {
    const top = bestSpot([...grades.values()].filter((g) => g.spotId !== picked));
    const name = spots.find((s) => s.id === top?.spotId)?.name;
    return top && name ? { name, grade: top.grade } : null;
  }, [grades, spots, picked]);
  const riffle = (spot && ranking?.foretell(spot.id)) ?? null;
  return {
    ground,
    spots,
    spot,
    picked,
    pick,
    samples,
    before,
    pits,
    seedings,
    containers,
    words,
    colors,
    grades,
    best,
    ranking,
    riffle,
  };
}
