import type { StoredGround } from '@riffle/contract';
import { Suspense, useEffect } from 'react';
import { late } from '../../ui/late.ts';
import type { ReadInHand } from './useReadScreen.ts';

const SignSheet = late(async () => (await import('./SignSheet.tsx')).SignSheet);
const SpotSheet = late(async () => (await import('./SpotSheet.tsx')).SpotSheet);
const GroundSheet = late(async () => (await import('./GroundSheet.tsx')).GroundSheet);
const RiverSheet = late(async () => (await import('./RiverSheet.tsx')).RiverSheet);
const SeaSheet = late(async () => (await import('./shore/SeaSheet.tsx')).SeaSheet);
const RulesSheet = late(async () => (await import('./RulesSheet.tsx')).RulesSheet);
// Slips come once the page stands; until then nothing on it waits for them.
const SHEETS = [SignSheet, SpotSheet, GroundSheet, RiverSheet, SeaSheet, RulesSheet];

/** The slip that lies open over Read, if any. */
export function ReadSheets({ ground, inHand }: { ground: StoredGround; inHand: ReadInHand }) {
  const { open, setOpen, openSign, close, readings, signs, place, here, pickedSpot, pickSpot } = inHand;
  useEffect(() => {
    const timer = setTimeout(() => SHEETS.forEach((sheet) => void sheet.soon()), 1500);
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
