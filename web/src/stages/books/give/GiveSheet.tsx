import type { StoredGround, StoredSpot } from '@riffle/contract';
import { useState } from 'react';
import { saveFile } from '../../../files/saveFile.ts';
import { givenFor } from '../../../give/place.ts';
import { PlaceChoice } from '../../../give/PlaceChoice.tsx';
import { useGiven } from '../../../give/useGiven.ts';
import { SpotSelect } from '../../../ground/SpotSelect.tsx';
import type { OpenBook } from '../../../records/useBook.ts';
import { Button } from '../../../ui/Button.tsx';
import { SelectField } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { toast } from '../../../ui/toast.ts';
import { FILES, useGivenFile, type FileKind } from './useGivenFile.ts';

interface GiveSheetProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly book: OpenBook;
  readonly onClose: () => void;
}

/** Everything that leaves the house from the book: a page, a table, a map; each says what of the place it gives. */
export function GiveSheet({ ground, spots, book, onClose }: GiveSheetProps) {
  const [kind, setKind] = useState<FileKind>('season');
  const [given, setGiven] = useGiven();
  const [spotId, setSpot] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const [isBusy, setBusy] = useState(false);

  const { file, type, hasPositions } = FILES[kind];
  const gives = givenFor(given, hasPositions);
  const make = useGivenFile({ ground, spots, book, given: gives });
  const spot = spots.find((s) => s.id === spotId) ?? null;
  const save = async (): Promise<void> => {
    setTried(true);
    if (kind === 'whole' || (kind === 'spot' && !spot)) return;
    setBusy(true);
    try {
      const content = await make(kind, spot);
      saveFile(new Blob([content]), gives.names ? `${ground.name} ${file}` : file, type);
      toast('Saved.');
      onClose();
    } catch {
      toast('It could not be made. A sheet or the book as CSV needs a signal.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <Sheet title="Give or print" onClose={onClose}>
      <div className="flex flex-col gap-3">
        <SelectField
          label="What"
          value={kind}
          onChange={(next: FileKind) => setKind(next)}
          choices={(Object.keys(FILES) as FileKind[])
            .filter((k) => ground.line !== null || !['kml', 'gpx', 'geojson', 'whole'].includes(k))
            .map((k) => ({ value: k, label: FILES[k].label }))}
        />
        {kind === 'spot' && (
          <SpotSelect
            spots={spots}
            value={spotId}
            onPick={setSpot}
            problem={tried && !spot ? 'Say which spot.' : null}
          />
        )}
        {kind === 'whole' ? (
          <>
            <p className="border-l-4 border-danger pl-3 text-danger">
              This file gives the place away. It holds the line of {ground.name} and the position of every spot, so that
              it can be brought in again. Whoever has it knows where you dig.
            </p>
            <a
              className="inline-flex min-h-14 w-full items-center justify-center bg-ink px-4 text-[18px] font-semibold text-paper"
              href={`/api/v1/grounds/${ground.id}/ground.geojson`}
              download
              onClick={onClose}
            >
              Save it with positions
            </a>
          </>
        ) : (
          <>
            <PlaceChoice given={given} onChange={setGiven} hasPositions={hasPositions} />
            <Button look="main" className="min-h-14 w-full text-[18px]" disabled={isBusy} onClick={() => void save()}>
              {isBusy ? 'Making it ...' : 'Save it'}
            </Button>
          </>
        )}
      </div>
    </Sheet>
  );
}
