import { useEffect, useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { Field, TextField } from '../ui/Field.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { dropUnderlay, findUnderlay, keepUnderlay, readUnderlay, tileProblem, type Underlay } from './underlay.ts';
import { Unusable } from './worldFile.ts';

/** Lays a person's own picture, or tiles from an address they type, beneath the map. Nothing is asked of any network unless they type one. */
export function UnderlaySheet({ groundId, onClose }: { groundId: string; onClose: () => void }) {
  const [now, setNow] = useState<Underlay | undefined>();
  const [address, setAddress] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  useEffect(() => {
    void findUnderlay(groundId).then(setNow);
  }, [groundId]);

  const choose = async (files: readonly File[]): Promise<void> => {
    if (files.length === 0) return;
    try {
      const underlay = await readUnderlay(files);
      await keepUnderlay(groundId, underlay);
      onClose();
    } catch (error) {
      setProblem(error instanceof Unusable ? error.message : 'This file cannot be read.');
    }
  };
  const keepTiles = async (): Promise<void> => {
    setTried(true);
    if (tileProblem(address)) return;
    await keepUnderlay(groundId, { kind: 'tiles', address });
    onClose();
  };
  return (
    <Sheet title="A picture beneath" onClose={onClose}>
      <div className="flex flex-col gap-3">
        {now && (
          <p>
            Now: {now.kind === 'tiles' ? now.address : now.name}.{' '}
            <Button
              look="quiet"
              onClick={() => {
                void dropUnderlay(groundId).then(onClose);
              }}
            >
              Take it away
            </Button>
          </p>
        )}
        <Field label="A GeoTIFF, or a picture with its world file" problem={problem} hint="Kept on this device only.">
          {(ids) => (
            <input
              {...ids}
              type="file"
              multiple
              accept=".tif,.tiff,.png,.jpg,.jpeg,.webp,.pgw,.jgw,.wld,.pngw,.jpgw"
              className="written w-full"
              onChange={(e) => {
                setProblem(null);
                void choose([...(e.target.files ?? [])]);
              }}
            />
          )}
        </Field>
        <form
          onSubmit={(e) => {
            e.preventDefault();
            void keepTiles();
          }}
        >
          <TextField
            label="Or tiles from an address you may use"
            value={address}
            onChange={setAddress}
            problem={tried ? tileProblem(address) : null}
            hint="https://.../{z}/{x}/{y}.png. Whoever runs it learns which places you look at."
          />
          <Button type="submit">Use these tiles</Button>
        </form>
      </div>
    </Sheet>
  );
}
