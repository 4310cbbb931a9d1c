import { grouped } from '@riffle/core';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { plural } from '../../../ui/plural.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useColors } from '../../../reading/useColors.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { useGround } from '../../../shell/useGround.ts';
import { useKeys } from '../../../shell/useKeys.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { Judgement } from '../../../ui/Judgement.tsx';
import { ImportSheet } from './ImportSheet.tsx';
import { SaveSheet } from './SaveSheet.tsx';
import { TakeBack } from './TakeBack.tsx';
import { SampleGrid } from './SampleGrid.tsx';
import { rowsOf, useSampleTable, type Only } from './useSampleTable.ts';

/** Every sample of the ground in one table: sorted, filtered, edited where it stands, brought in and saved. */
export function TableScreen() {
  const { ground, spots } = useGround();
  const { change } = useKeep('samples');
  const samples = useRecords('samples', ground.id).items;
  const pits = useRecords('pits', ground.id).items;
  const colors = useColors(ground, samples);
  const all = useMemo(
    () => rowsOf(samples, spots, ground.swell_percent, colors.weights_mg),
    [samples, spots, ground.swell_percent, colors],
  );
  const [only, setOnly] = useState<Only>('all');
  const [words, setWords] = useState('');
  const table = useSampleTable(all, only, useDeferredValue(words));
  const rows = table.getRowModel().rows;
  const [bringing, setBringing] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  useKeys(useMemo(() => ({ n: () => setBringing('') }), []));

  // Cells copied out of a spreadsheet and pasted anywhere on this page but into a field are a table to bring in.
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      if ((event.target as HTMLElement).matches('input, textarea, select') || document.querySelector('[role="dialog"]'))
        return;
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (/[\t,;]/.test(text) && text.includes('\n')) setBringing(text);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, []);

  return (
    <div className="flex flex-col gap-3">
      <Judgement
        rests={`${grouped(samples.length)} in all. Click a heading to sort, a cell to change it; paste cells from a spreadsheet to bring them in.`}
      >
        {plural(rows.length, 'sample')}
        {words.trim() !== '' || only !== 'all' ? ' match' : ''}.
      </Judgement>
      <div className="flex flex-wrap items-center gap-3">
        <input
          type="search"
          aria-label="Find in the table"
          placeholder="spot, layer, panner or note"
          className="written min-w-0 grow sm:max-w-72"
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <Choices
          label="Which samples"
          value={only}
          onChange={setOnly}
          choices={[
            { value: 'all', label: 'all' },
            { value: 'with color', label: 'with color' },
            { value: 'blank', label: 'blank' },
          ]}
        />
        <Button onClick={() => setBringing('')}>Bring a table in</Button>
        <Button onClick={() => setSaving(true)} disabled={rows.length === 0}>
          Save these
        </Button>
      </div>
      {bringing === null && <TakeBack groundId={ground.id} />}
      <SampleGrid
        table={table}
        spots={spots}
        pits={pits}
        colors={colors}
        swell_percent={ground.swell_percent}
        onChange={(sample, some) => change(sample, some, 'The cell is changed.')}
      />
      {bringing !== null && (
        <ImportSheet
          ground={ground}
          spots={spots}
          samples={samples}
          pasted={bringing}
          onClose={() => setBringing(null)}
        />
      )}
      {saving && (
        <SaveSheet
          ground={ground}
          samples={rows.map((r) => r.original.sample)}
          spots={spots}
          onClose={() => setSaving(false)}
        />
      )}
    </div>
  );
}
