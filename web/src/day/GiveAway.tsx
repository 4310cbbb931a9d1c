import { useState } from 'react';
import { PlaceChoice } from '../give/PlaceChoice.tsx';
import { printUnnamed } from '../give/printUnnamed.ts';
import { useGiven } from '../give/useGiven.ts';
import { useRecords } from '../records/useRecords.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import type { DayOnPage } from './useDaySheet.ts';

/** A sheet has slid away after so long. */
const CLOSED_AFTER_MS = 400;
const TITLES = {
  ics: 'The day for a calendar',
  gpx: 'The day for a receiver',
  paper: 'The day on one sheet',
} as const;

/** The day for a calendar, a receiver or paper; each says what of the place it gives. */
export function GiveAway({ page: { ground, spots, day, saveAs } }: { page: DayOnPage }) {
  const [asking, setAsking] = useState<keyof typeof TITLES | null>(null);
  const [given, setGiven] = useGiven();
  const grounds = useRecords('grounds').items;
  const permissions = useRecords('permissions', ground.id).items;
  // Once the sheet that asked is gone: it is no part of the page.
  const onPaper = (): void =>
    void setTimeout(() => {
      if (given.names) print();
      else
        printUnnamed([
          ...spots.map(({ name }, i) => ({ name, instead: `Spot ${i + 1}` })),
          ...grounds.map(({ id, name }) => ({ name, instead: id === ground.id ? 'A ground' : 'another ground' })),
          ...permissions.map(({ name }) => ({ name, instead: 'a permit' })),
        ]);
    }, CLOSED_AFTER_MS);
  return (
    <div className="no-print flex flex-wrap gap-3">
      <Button onClick={() => setAsking('ics')} disabled={!day.plan}>
        Calendar file ...
      </Button>
      <Button onClick={() => setAsking('gpx')} disabled={!day.plan}>
        GPX for a receiver ...
      </Button>
      <Button onClick={() => setAsking('paper')}>Print one sheet ...</Button>
      {asking && (
        <Sheet title={TITLES[asking]} onClose={() => setAsking(null)}>
          <div className="flex flex-col gap-3">
            <PlaceChoice given={given} onChange={setGiven} hasPositions={asking === 'gpx'} />
            {asking === 'gpx' && given.way === 'none' && (
              <p>Without any position a receiver has nothing to go by: choose what is given.</p>
            )}
            <Button
              look="main"
              className="min-h-14 w-full text-[18px]"
              disabled={asking === 'gpx' && given.way === 'none'}
              onClick={() => {
                setAsking(null);
                if (asking === 'paper') onPaper();
                else void saveAs(asking, given);
              }}
            >
              {asking === 'paper' ? 'Print it' : 'Save it'}
            </Button>
          </div>
        </Sheet>
      )}
    </div>
  );
}
