import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import type { DayOnPage } from './useDaySheet.ts';

/** The day for a calendar, a receiver or paper. A file with every position is asked for twice. */
export function GiveAway({ page: { day, saveAs } }: { page: DayOnPage }) {
  const [asking, setAsking] = useState(false);
  const save = (what: 'ics' | 'gpx'): void => {
    saveAs(what);
    setAsking(false);
  };
  return (
    <div className="no-print flex flex-wrap gap-3">
      <Button onClick={() => save('ics')} disabled={!day.plan}>
        Calendar file
      </Button>
      {asking ? (
        <Button look="danger" onClick={() => save('gpx')}>
          Save with every position
        </Button>
      ) : (
        <Button onClick={() => setAsking(true)} disabled={!day.plan}>
          GPX for a receiver ...
        </Button>
      )}
      <Button onClick={() => print()}>Print one sheet</Button>
      {asking && <p className="text-[13px] text-ink-2">A GPX file gives every place away to whoever gets it.</p>}
    </div>
  );
}
