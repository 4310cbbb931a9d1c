import type { Sample } from '@riffle/contract';
import { useEffect, useState } from 'react';
import { useRecords } from '../../../records/useRecords.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { DryHands } from '../hands/DryHands.tsx';

interface Step {
  readonly says: string;
  readonly why: string;
  /** What others do here, where practitioners disagree. */
  readonly others?: string;
}

/** Steps by kind of pan. Common practice, no source; where schools differ the first is the default, since with it gold stays where it was put. */
const STEPS: Readonly<Record<Sample['way'], readonly Step[]>> = {
  'quick test': [
    { says: 'Fill it under water and break every lump of clay.', why: 'Gold rides off in a lump.' },
    {
      says: 'Shake it side to side, hard, level, until it moves like a liquid.',
      why: 'Only a fluid bed lets gold sink. Shake longer than you wash.',
      others: 'Others swirl: faster, but the gold wanders. Early on either will do.',
    },
    {
      says: 'Let it settle and lock. Tilt, dip, and let the water take the top.',
      why: 'A settled bed holds the gold even when the pan stands steep. Nothing leaving the lip: tilt more, or settle more.',
    },
    {
      says: 'Shake level again after every few dips.',
      why: 'What was washed loose must sink again.',
      others: 'Tapping here is useless to some; a light bump makes the bed fluid to others.',
    },
    {
      says: 'Pour off cloudy water; pick out stones, and look at each.',
      why: 'You cannot count what you cannot see, and gold sticks to stones.',
    },
    {
      says: 'The last spoonful: fan it out slowly and count by size.',
      why: 'Patience fails at the end. Wash into a second pan and pan that again.',
      others: 'To some, gold seen before this is a fault in the settling; others watch for it all along.',
    },
  ],
  'by fractions': [
    {
      says: 'Screen under water: coarse first, then 8, 16, 30, 50 mesh.',
      why: 'In one size the weight alone decides.',
    },
    {
      says: 'Scrub and look at what stays on each screen before it goes.',
      why: 'A nugget sits on the screen; gold sticks to stones.',
    },
    {
      says: 'Pan each fraction alone, a handful at a time, into a second pan.',
      why: 'Small amounts settle fast and are seen through.',
    },
    {
      says: 'Count each fraction into its ring, coarse in the middle.',
      why: 'The rings of the pan on this page are the fractions.',
    },
    {
      says: 'Pan the second pan again.',
      why: 'What it still holds tells what slipped. Write it under “from the safety pan”.',
    },
  ],
  dry: [
    { says: 'Screen it, and let it get bone dry.', why: 'Damp fines hang together and carry gold off.' },
    {
      says: 'Shake hard and level; push the top off by hand; again.',
      why: 'The light rises; what you push off must be the top only.',
    },
    {
      says: 'From two or three spoons on: tilt, tap lightly, blow across.',
      why: 'The lights climb away from the gold.',
      others: 'Dry, even those who call tapping useless tap.',
    },
    {
      says: 'Keep what you pushed off, and try a part of it wet when you can.',
      why: 'Dry panning is less sure. One wet pan tells how much.',
    },
  ],
  'final separation': [
    {
      says: 'Take the magnetite out with a magnet in a bag, twice.',
      why: 'It drags gold along; spread it and do it again. Hematite and cassiterite stay.',
    },
    {
      says: 'A little water, the pan nearly level, swirl the sand over the gold.',
      why: 'The heavies fan out behind each other.',
      others: 'Some only rock side to side here, and keep the gold in the corner.',
    },
    {
      says: 'Under water, tap firmly along the slope of the wall.',
      why: 'Gold climbs toward the tap as the lights fall behind.',
      others: 'Useless to some; to others the finest tool there is. Try both with seeded grains.',
    },
    {
      says: 'Draw the gold off with a bottle, dry it, weigh it.',
      why: 'Never with mercury. Found amalgam is for licensed hands. Dry in the open: fumes and heat.',
    },
  ],
};

/** The pan step by step, with a watch; what schools differ on is said at the step. */
export function PanGuide({
  way,
  onClose,
  onTook,
}: {
  way: Sample['way'];
  onClose: () => void;
  onTook: (min: number) => void;
}) {
  const steps = STEPS[way];
  const seedings = useRecords('seedings').items;
  const [at, setAt] = useState(0);
  const [started] = useState(() => Date.now());
  const [now, setNow] = useState(started);
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(tick);
  }, []);
  const step = steps[at];
  const seconds = Math.floor((now - started) / 1000);
  const last = at === steps.length - 1;
  if (!step) return null;
  return (
    <Sheet title={`Pan: ${way}`} onClose={onClose}>
      <p className="text-ink-2">
        Step {at + 1} of {steps.length};{' '}
        <span role="timer">
          {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, '0')}
        </span>
      </p>
      <p className="my-3 font-serif text-[23px] leading-tight font-semibold" aria-live="polite">
        {step.says}
      </p>
      <p className="text-[16px]">{step.why}</p>
      {step.others && <p className="mt-3 border-l-4 border-rule pl-3 text-ink-2">{step.others}</p>}
      {at === 0 && way === 'dry' && <DryHands seedings={seedings} />}
      {at === 0 && <WhyGoldStays />}
      <div className="mt-6 grid grid-cols-2 gap-2">
        <Button disabled={at === 0} onClick={() => setAt(at - 1)} className="min-h-14">
          Back
        </Button>
        {last ? (
          <Button
            look="main"
            className="min-h-14"
            onClick={() => {
              onTook(Math.max(1, Math.round(seconds / 60)));
              onClose();
            }}
          >
            Done
          </Button>
        ) : (
          <Button look="main" className="min-h-14" onClick={() => setAt(at + 1)}>
            Next
          </Button>
        )}
      </div>
    </Sheet>
  );
}

/** The weight of gold against a pebble, where it is often told wrong: native gold 15 to 19 by its silver, quartz 2.65 times as heavy as water. */
const WhyGoldStays = () => (
  <p className="mt-4 border-t border-rule pt-3 text-[13px] text-ink-2">
    Why it stays: gold is up to 19 times as heavy as <b>water</b>. Against a quartz pebble of its size it is about 7
    times as heavy in air and about 11 times under water (18.3 against 1.65), natural gold with its silver less; grown
    into quartz it is lighter than its size says.
  </p>
);
