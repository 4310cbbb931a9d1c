import { useState } from 'react';
import { PlaceChoice } from '../give/PlaceChoice.tsx';
import { useGiven } from '../give/useGiven.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import type { DayOnPage } from './useDaySheet.ts';

/** The day for a calendar, a receiver or paper; each file says what of the place it gives. */
export function GiveAway({ page: { day, saveAs } }: { page: DayOnPage }) {
  const [asking, setAsking] = useState<'ics' | 'gpx' | null>(null);
  const [given, setGiven] = useGiven();
  return (
    <div className="no-print flex flex-wrap gap-3">
      <Button onClick={() => setAsking('ics')} disabled={!day.plan}>
        Calendar file ...
      </Button>
      <Button onClick={() => setAsking('gpx')} disabled={!day.plan}>
        GPX for a receiver ...
      </Button>
      <Button onClick={() => print()}>Print one sheet</Button>
      {asking && (
        <Sheet
          title={asking === 'ics' ? 'The day for a calendar' : 'The day for a receiver'}
          onClose={() => setAsking(null)}
        >
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
                saveAs(asking, given);
                setAsking(null);
              }}
            >
              Save it
            </Button>
          </div>
        </Sheet>
      )}
    </div>
  );
}
