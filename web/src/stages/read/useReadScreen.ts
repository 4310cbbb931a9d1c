import type { StoredGround, StoredOutline, StoredSpot } from '@riffle/contract';
import { centreLine, type GatheredPlace, type GuessedSign, type ReadingVerdict } from '@riffle/core';
import { useCallback, useMemo, useState } from 'react';
import type { RankedReading } from '../../reading/rankReading.ts';
import { useFirstWord } from '../../reading/useFirstWord.ts';
import { useOpenRanking } from '../../reading/useOpenRanking.ts';
import { useReading, type Reading } from '../../reading/useReading.ts';
import { outlineStrips } from '../../ribbon/outlineStrips.ts';
import type { RibbonPlace } from '../../ribbon/placeAt.ts';
import { useRecords, type RecordList } from '../../records/useRecords.ts';
import { usePicked } from '../../shell/useGround.ts';
import { useKeys } from '../../shell/useKeys.ts';

/** The slip that lies open. */
export type Open =
  | { readonly what: 'ground' | 'river' | 'sea' | 'rules' | 'new spot' | 'spot' | 'new sign' }
  | { readonly what: 'sign'; readonly id: string };

/** Where one stands on the ribbon; named where it is a place of signs. */
export type MarkedPlace = RibbonPlace & { readonly name?: string };

export interface ReadInHand extends Reading {
  /** What the document said of it, until its pans are graded here: a moment after the page was opened. */
  readonly told: ReadingVerdict | null;
  /** Without what the river covers or a claim shuts today: no place to send anyone. Null for a moment after the first sight. */
  readonly ranking: RankedReading | null;
  readonly outlines: RecordList<StoredOutline>['items'];
  readonly strips: ReturnType<typeof outlineStrips>;
  /** The creek this ground runs into. */
  readonly into: StoredGround | undefined;
  readonly picked: string | null;
  readonly pickedSpot: StoredSpot | undefined;
  readonly place: MarkedPlace | null;
  /** The place marked last, else the picked spot; null where neither is: no place is made up. */
  readonly here: RibbonPlace | null;
  readonly open: Open | null;
  readonly setOpen: (open: Open | null) => void;
  readonly openSign: (signId: string) => void;
  readonly pickSpot: (spotId: string) => void;
  readonly mark: (place: RibbonPlace) => void;
  readonly markOnMap: (at: [number, number]) => void;
  readonly showPlace: (place: GatheredPlace) => void;
  readonly showGuess: (guess: GuessedSign) => void;
  readonly close: () => void;
}

/** What the Read screen has in hand: the ground as it reads, what is picked, and which slip lies open. */
export function useReadScreen(ground: StoredGround, spots: readonly StoredSpot[]): ReadInHand {
  const told = useFirstWord(ground.id);
  const reading = useReading(ground, told !== null);
  const ranking = useOpenRanking(reading, spots);
  const { picked, pick } = usePicked();
  const [place, setPlace] = useState<MarkedPlace | null>(null);
  const [open, setOpen] = useState<Open | null>(null);
  const outlines = useRecords('outlines', ground.id).items;
  const grounds = useRecords('grounds').items;
  const pickedSpot = spots.find((s) => s.id === picked);

  const strips = useMemo(() => outlineStrips(ground, outlines), [ground, outlines]);
  const pickSpot = useCallback(
    (id: string) => {
      setPlace(null);
      pick(id);
    },
    [pick],
  );
  useKeys(
    useMemo(
      () => ({
        n: () => {
          setPlace(null);
          setOpen({ what: 'new spot' });
        },
        s: () => setOpen({ what: 'new sign' }),
      }),
      [],
    ),
  );
  return {
    ...reading,
    told,
    ranking,
    outlines,
    strips,
    into: ground.joins ? grounds.find((g) => g.id === ground.joins?.groundId) : undefined,
    picked,
    pickedSpot,
    place,
    here: place ?? pickedSpot ?? null,
    open,
    setOpen,
    openSign: useCallback((id: string) => setOpen({ what: 'sign', id }), []),
    pickSpot,
    mark: (at) => {
      setPlace(at);
      setOpen({ what: 'new spot' });
    },
    markOnMap: (at) => {
      if (!ground.line) return;
      const there = centreLine(ground.line).locate(at);
      pick(null);
      setPlace({ distance_m: Math.round(there.distance_m), bank: there.bank, offset_m: Math.round(there.offset_m) });
    },
    showPlace: (p) => {
      if (p.spotId !== null) return pickSpot(p.spotId);
      pick(null);
      setPlace({ distance_m: p.distance_m, bank: p.bank, offset_m: p.bank === 'mid' ? 0 : 6, name: p.name });
    },
    showGuess: ({ distance_m, bank, offset_m, kind }) => {
      pick(null);
      setPlace({ distance_m, bank, offset_m, name: `${kind}, guessed` });
    },
    close: () => {
      setOpen(null);
      setPlace(null);
    },
  };
}
