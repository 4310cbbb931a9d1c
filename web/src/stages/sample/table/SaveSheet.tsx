import type { StoredGround, StoredSample, StoredSpot } from '@riffle/contract';
import { grouped, hidePlace } from '@riffle/core';
import { saveFile } from '../../../files/saveFile.ts';
import { givenFor, namesFor, placeGiven } from '../../../give/place.ts';
import { PlaceChoice } from '../../../give/PlaceChoice.tsx';
import { useGiven } from '../../../give/useGiven.ts';
import { Button } from '../../../ui/Button.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { toast } from '../../../ui/toast.ts';
import { samplesAsCsv, samplesAsGeoJson } from './exportTable.ts';

interface SaveSheetProps {
  readonly ground: StoredGround;
  /** Those shown, in their order. */
  readonly samples: readonly StoredSample[];
  readonly spots: readonly StoredSpot[];
  readonly onClose: () => void;
}

/** The samples as a file, with what of the place is chosen to go along. */
export function SaveSheet({ ground, samples, spots, onClose }: SaveSheetProps) {
  const [given, setGiven] = useGiven();
  const save = (kind: 'csv' | 'geojson'): void => {
    const gives = givenFor(given, true);
    const names = namesFor(gives, ground, spots);
    const as = {
      spotName: (spot: StoredSpot): string => names.spot(spot.id),
      give: hidePlace(
        placeGiven(gives),
        spots.flatMap((s) => (s.position ? [s.position] : [])),
      ),
      // How far up the creek, with the creek known, is a position.
      withDistance: gives.way === 'exact' || gives.way === 'shifted',
      withRemarks: gives.names,
    };
    const file = `${gives.names ? `${ground.name} ` : ''}samples.${kind}`;
    if (kind === 'csv') saveFile(samplesAsCsv(samples, spots, as), file, 'text/csv');
    else saveFile(samplesAsGeoJson(samples, spots, as), file, 'application/geo+json');
    toast(`${grouped(samples.length)} samples saved.`);
    onClose();
  };
  return (
    <Sheet title="Save these samples" onClose={onClose}>
      <div className="flex flex-col gap-3">
        <p>The {grouped(samples.length)} shown, in their order.</p>
        <PlaceChoice given={given} onChange={setGiven} hasPositions />
        <Button look="main" onClick={() => save('csv')}>
          CSV
        </Button>
        <Button onClick={() => save('geojson')}>GeoJSON</Button>
      </div>
    </Sheet>
  );
}
