import { grouped } from '@riffle/core';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { plural } from '../../../ui/plural.ts';
import { useLatestSamples, type LatestFirst } from '../../../records/useLatestSamples.ts';
import type { ListState } from '../../../records/listStates.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useColors } from '../../../reading/useColors.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { useGround } from '../../../shell/useGround.ts';
import { Needs } from '../../../shell/Needs.tsx';
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
  const { ground } = useGround();
  const latest = useLatestSamples(ground.id);
  // One and the same table when the others have come: nobody loses the place or the cell they write in.
  const isThere = latest.isWhole || latest.of > 0;
  return <Needs kinds={isThere ? ['pits'] : ['samples', 'pits']}>{isThere && <Table {...latest} />}</Needs>;
}

function Table({ samples, isWhole, state, of, arrived, colors: colorsOfAll, askAgain }: LatestFirst) {
  const { ground, spots } = useGround();
  const { change } = useKeep('samples');
  const pits = useRecords('pits', ground.id).items;
  const colorsOfThese = useColors(ground, samples);
  const colors = colorsOfAll ?? colorsOfThese;
  const all = useMemo(
    () => rowsOf(samples, spots, ground.swell_percent, colors.weights_mg),
    [samples, spots, ground.swell_percent, colors],
  );
  const [only, setOnly] = useState<Only>('all');
  const [words, setWords] = useState('');
  const table = useSampleTable(all, only, useDeferredValue(words));
  const rows = table.getRowModel().rows;
  const isNarrowed = words.trim() !== '' || only !== 'all';
  const match = rows.length === 1 ? 'matches' : 'match';
  const [bringing, setBringing] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  useKeys(useMemo(() => ({ n: () => isWhole && setBringing('') }), [isWhole]));

  // Cells copied out of a spreadsheet and pasted anywhere on this page but into a field are a table to bring in.
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      if ((event.target as HTMLElement).matches('input, textarea, select') || document.querySelector('[role="dialog"]'))
        return;
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (isWhole && /[\t,;]/.test(text) && text.includes('\n')) setBringing(text);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, [isWhole]);

  return (
    <div className="flex flex-col gap-3">
      {isWhole ? (
        <Judgement
          rests={`${grouped(samples.length)} in all. Click a heading to sort, a cell to change it; paste cells from a spreadsheet to bring them in.`}
        >
          {plural(rows.length, 'sample')}
          {isNarrowed ? ` ${match}` : ''}.
        </Judgement>
      ) : (
        <Judgement rests={<OnTheirWay here={samples.length} arrived={arrived} state={state} onAskAgain={askAgain} />}>
          {isNarrowed
            ? `Of the latest ${grouped(samples.length)}, ${plural(rows.length, 'sample')} ${match}.`
            : `${plural(of, 'sample')}.`}
        </Judgement>
      )}
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
        <Button onClick={() => setBringing('')} disabled={!isWhole}>
          Bring a table in
        </Button>
        <Button onClick={() => setSaving(true)} disabled={!isWhole || rows.length === 0}>
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

interface OnTheirWayProps {
  readonly here: number;
  readonly arrived: number;
  readonly state: ListState;
  readonly onAskAgain: () => void;
}

/** What can be done with the latest already, and how far the others are: no longer than what stands here once all have come. */
function OnTheirWay({ here, arrived, state, onAskAgain }: OnTheirWayProps) {
  const latest = `The latest ${grouped(here)} can be changed;`;
  if (state === 'away')
    return (
      <>
        {latest} the others have not reached this device.{' '}
        <button type="button" className="-my-3 min-h-11 underline underline-offset-4" onClick={onAskAgain}>
          Ask again
        </button>
      </>
    );
  return `${latest} the others are on their way${arrived > 0 ? `, ${grouped(arrived)} so far` : ''}.`;
}
