import type { StoredSpot } from '@riffle/contract';
import { useState } from 'react';
import { FULLNESS, type BucketToldAnew, type Fullness } from '../../box/byHand.ts';
import { SpotSelect } from '../../ground/SpotSelect.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { whenProblem } from '../../when/readWhen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';

interface BucketSheetProps {
  readonly title: string;
  readonly bucket: BucketToldAnew;
  readonly spots: readonly StoredSpot[];
  readonly onKeep: (told: BucketToldAnew) => void;
  readonly onTakeOut: (() => void) | undefined;
  readonly onClose: () => void;
}

/** One bucket told anew: when it was tipped, from where, how full. */
export function BucketSheet({ title, bucket, spots, onKeep, onTakeOut, onClose }: BucketSheetProps) {
  const local = useLocalTime();
  const [when, setWhen] = useState(() => local.isoMoment(bucket.at));
  const [spotId, setSpot] = useState(bucket.spotId);
  const [fullness, setFullness] = useState(bucket.fullness);
  // What was tapped stands, whatever the clock says by now.
  const isAsTapped = when === local.isoMoment(bucket.at);
  const wrong = when === '' ? 'A day and an hour.' : isAsTapped ? null : whenProblem(when, local);
  const keep = (): void => {
    if (wrong) return;
    // The field has no seconds: what was not touched keeps its own.
    const at = isAsTapped ? bucket.at : local.at(when).toISOString();
    onKeep({ at, spotId, fullness });
  };
  return (
    <Sheet title={title} onClose={onClose}>
      <div className="flex flex-col gap-1">
        <WhenField label="Tipped" value={when} onChange={setWhen} problem={wrong} />
        <SpotSelect label="From" none="no spot named" spots={spots} value={spotId} onPick={setSpot} />
        <Choices
          label="How full"
          value={fullness}
          onChange={setFullness}
          choices={(Object.keys(FULLNESS) as Fullness[]).map((f) => ({ value: f, label: f }))}
        />
        <div className="mt-3 flex flex-wrap gap-3">
          <Button look="main" onClick={keep}>
            {onTakeOut ? 'Keep it so' : 'Add it'}
          </Button>
          {onTakeOut && (
            <Button look="danger" onClick={onTakeOut}>
              Take it out
            </Button>
          )}
        </div>
      </div>
    </Sheet>
  );
}
