import type { StoredGround, StoredSpot } from '@riffle/contract';
import { Suspense } from 'react';
import { useListStates } from '../../records/useListStates.ts';
import { plural } from '../../ui/plural.ts';
import { Needs } from '../../shell/Needs.tsx';
import type { ReadInHand } from './useReadScreen.ts';
import { late } from '../../ui/late.ts';
import { useOpened } from '../../ui/useSeen.ts';

// It comes a moment after the first words.
const RiverLine = late(async () => (await import('./RiverLine.tsx')).RiverLine);
// Only a beach has a sea.
const SeaLine = late(async () => (await import('./shore/SeaLine.tsx')).SeaLine);

/** What the water's line usually takes, until it is here: nothing below moves when it comes. */
const ROOM = <span className="min-h-[61px] w-screen sm:min-h-[25px] sm:w-auto" />;

const COUNTED = ['pans', 'signs'] as const;

interface ReadHeadProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly inHand: ReadInHand;
}

/** The head of the page: the ground, its river, and how much was seen and panned. */
export function ReadHead({ ground, spots, inHand: { readings, sampleCount, signs, swell, setOpen } }: ReadHeadProps) {
  const opened = useOpened();
  const { states } = useListStates(COUNTED, ground.id);
  // Nothing is said to be none because it has not been read.
  const unread = (kind: (typeof COUNTED)[number]): boolean => states[COUNTED.indexOf(kind)] !== 'here';
  return (
    <header className="flex items-baseline justify-between gap-x-6 border-b border-rule pb-2 max-sm:flex-wrap">
      <span className="flex min-w-0 items-center gap-5">
        <span className="hidden font-serif text-[18px] font-semibold sm:inline">{ground.name}</span>
        {ground.kind === 'beach' && (
          <Suspense fallback={ROOM}>
            <Needs kinds={['swell-readings']} without="quiet" meanwhile={ROOM}>
              <SeaLine ground={ground} signs={signs} swell={swell} onOpen={() => setOpen({ what: 'sea' })} />
            </Needs>
          </Suspense>
        )}
        {(ground.kind === 'creek' || readings.length > 0) && (
          <Needs kinds={['gauge-readings']} without="quiet" meanwhile={ROOM}>
            {readings.length === 0 ? (
              <button
                type="button"
                className="whitespace-nowrap underline decoration-rule underline-offset-4 max-sm:min-h-11"
                onClick={() => setOpen({ what: 'river' })}
              >
                read the river
              </button>
            ) : opened ? (
              <Suspense fallback={ROOM}>
                <RiverLine readings={readings} onOpen={() => setOpen({ what: 'river' })} />
              </Suspense>
            ) : (
              ROOM
            )}
          </Needs>
        )}
      </span>
      <span className="flex items-baseline gap-4 text-ink-2 sm:shrink-0">
        <span>
          {plural(spots.length, 'spot')}, {unread('pans') ? '... samples' : plural(sampleCount, 'sample')},{' '}
          {unread('signs') ? '... signs' : plural(signs.length, 'sign')}
        </span>
        <button
          type="button"
          className="whitespace-nowrap underline decoration-rule underline-offset-4 max-sm:min-h-11"
          onClick={() => setOpen({ what: 'ground' })}
        >
          about it
        </button>
      </span>
    </header>
  );
}
