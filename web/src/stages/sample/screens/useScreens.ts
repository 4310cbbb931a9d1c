import { CLOSES_WITHIN_PERCENT, goldBySize, whichScreen } from '@riffle/core';
import { useMemo, useState } from 'react';
import { useColors } from '../../../reading/useColors.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { plural } from '../../../ui/plural.ts';
import { toast } from '../../../ui/toast.ts';
import { useShow } from '../../../units/useShow.ts';
import { curveOf } from './readStack.ts';
import { useLooks } from './useLooks.ts';
import { useStackDraft } from './useStackDraft.ts';

/** Screening a bucket: the stack in hand, those before it, and what they say of the screen to use. */
export function useScreens() {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const show = useShow();
  const book = useKeep('screenings');
  const screenings = useRecords('screenings', ground.id).items;
  const samples = useRecords('samples', ground.id).items;
  const stack = useStackDraft(ground, show.display.system === 'US');
  const [tried, setTried] = useState(false);
  const spot = spots.find((s) => s.id === picked);
  // Taken out meanwhile, it is kept as a new one.
  const mended = screenings.find((s) => s.id === stack.draft.mends);
  const before = screenings.filter((s) => s.spotId === picked);
  const earlier = before.map(curveOf);
  const curve = stack.curve ?? earlier.at(-1) ?? null;
  const found = stack.curve
    ? stack.screens.map((s) => ({ aperture_mm: s.aperture.ok ? s.aperture.mm : NaN, colors: s.colors }))
    : (before.at(-1)?.screens ?? []);

  const colors = useColors(ground, samples);
  const gold = useMemo(
    () =>
      goldBySize(
        samples.filter((s) => !picked || s.spotId === picked),
        ground.swell_percent,
        colors,
      ),
    [samples, picked, ground.swell_percent, colors],
  );
  const looks = useLooks(ground, spot);
  const which = curve ? whichScreen(curve.points, gold, found, looks.looks) : null;
  const closure_percent = stack.curve?.closure_percent ?? null;

  const keep = (): void => {
    setTried(true);
    const record = spot && stack.record(spot.id);
    if (!record) return;
    const { id: _id, deleted: _deleted, baseVersion: _version, ...content } = record;
    if (mended) book.put(mended, { ...content, lotId: mended.lotId, screenedAt: mended.screenedAt });
    else book.add(record);
    stack.clear();
    setTried(false);
    toast(`Kept: a stack of ${plural(record.screens.length, 'screen')} at ${spot.name}.`);
  };
  return {
    spots,
    spot,
    pick,
    stack,
    tried,
    keep,
    curve,
    /** Curves to stand behind the one shown. */
    behind: stack.curve ? earlier : earlier.slice(0, -1),
    before,
    mended,
    takeOut: (one: (typeof before)[number]) => book.takeOut(one, 'The screening is out of the book.'),
    which,
    looks,
    closure_percent,
    open: closure_percent !== null && Math.abs(closure_percent - 100) > CLOSES_WITHIN_PERCENT,
  };
}
export type Screens = ReturnType<typeof useScreens>;
