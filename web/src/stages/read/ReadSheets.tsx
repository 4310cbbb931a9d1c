import type { StoredGround } from '@riffle/contract';
import { lazy, Suspense, useEffect } from 'react';
import type { ReadInHand } from './useReadScreen.ts';

// Slips come once the page stands; until then nothing on it waits for them.
const sheets = {
  sign: () => import('./SignSheet.tsx'),
  spot: () => import('./SpotSheet.tsx'),
  ground: () => import('./GroundSheet.tsx'),
  river: () => import('./RiverSheet.tsx'),
  sea: () => import('./shore/SeaSheet.tsx'),
  rules: () => import('./RulesSheet.tsx'),
};
const SignSheet = lazy(async () => ({ default: (await sheets.sign()).SignSheet }));
const SpotSheet = lazy(async () => ({ default: (await sheets.spot()).SpotSheet }));
const GroundSheet = lazy(async () => ({ default: (await sheets.ground()).GroundSheet }));
const RiverSheet = lazy(async () => ({ default: (await sheets.river()).RiverSheet }));
const SeaSheet = lazy(async () => ({ default: (await sheets.sea()).SeaSheet }));
const RulesSheet = lazy(async () => ({ default: (await sheets.rules()).RulesSheet }));

/** The slip that lies open over Read, if any. */
export function ReadSheets({ ground, inHand }: { ground: StoredGround; inHand: ReadInHand }) {
  const { open, setOpen, openSign, close, readings, signs, place, here, pickedSpot, pickSpot } = inHand;
  useEffect(() => {
    const timer = setTimeout(() => Object.values(sheets).forEach((load) => void load()), 1500);
    return () => clearTimeout(timer);
  }, []);
  const sign = open?.what === 'sign' ? signs.find((s) => s.id === open.id) : undefined;
  return (
    <Suspense>
      {open?.what === 'ground' && <GroundSheet ground={ground} onClose={close} />}
      {open?.what === 'river' && <RiverSheet ground={ground} readings={readings} onClose={close} />}
      {open?.what === 'sea' && <SeaSheet ground={ground} onClose={close} />}
      {open?.what === 'rules' && <RulesSheet onClose={() => setOpen(null)} />}
      {(open?.what === 'spot' || open?.what === 'new spot') && (
        <SpotSheet
          ground={ground}
          spot={open.what === 'spot' ? pickedSpot : undefined}
          place={open.what === 'spot' ? null : place}
          onClose={close}
          onKept={(id) => {
            close();
            pickSpot(id);
          }}
        />
      )}
      {open?.what === 'new sign' && (
        <SignSheet ground={ground} sign={undefined} place={here} onClose={close} onMore={openSign} />
      )}
      {sign && <SignSheet ground={ground} sign={sign} place={here} onClose={close} onMore={() => undefined} />}
    </Suspense>
  );
}
