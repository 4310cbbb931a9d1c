import type { Sample, StoredSample } from '@riffle/contract';
import { COLOR_CLASSES, sampleGrade, type ColorClass } from '@riffle/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { format } from 'date-fns';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { useRecords } from '../../../api/records.ts';
import { saveFile } from '../../../files/saveFile.ts';
import { useWrite } from '../../../offline/writes.ts';
import { gradeOptions, groundColors, measureOf, type GroundColors } from '../../../ribbon/spotGrades.ts';
import { useGround } from '../../../shell/useGround.ts';
import { useKeys } from '../../../shell/useKeys.ts';
import { asTyped, readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { Judgement } from '../../../ui/Judgement.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { CLASS_NAMES } from '../pan/SizePan.tsx';
import { samplesAsCsv, samplesAsGeoJson } from './exportTable.ts';
import { ImportSheet } from './ImportSheet.tsx';
import { rowsOf, useSampleTable, type Only, type SampleRow } from './useSampleTable.ts';

const ROW_PX = 40;
const WIDTHS: Readonly<Record<string, string>> = { date: '5.6rem', spot: '9rem', distance: '5rem', depth: '5rem', layer: '8rem', volume: '7rem', '+10': '3.6rem', '10-20': '4.2rem', '20-40': '4.2rem', '-40': '3.6rem', gold: '5.5rem', grade: '11rem', panner: '6rem', note: '14rem' };

/** Every sample of the ground in one table: sorted, filtered, edited where it stands, brought in and saved. */
export function TableScreen() {
  const { ground, spots } = useGround();
  const show = useShow();
  const write = useWrite();
  const { items: samples, loading } = useRecords('samples', ground.id);
  const colors = useMemo(() => groundColors(samples, ground.swell_percent), [samples, ground.swell_percent]);
  const all = useMemo(() => rowsOf(samples, spots, ground.swell_percent, colors.weights_mg), [samples, spots, ground.swell_percent, colors]);
  const [only, setOnly] = useState<Only>('all');
  const [words, setWords] = useState('');
  const table = useSampleTable(all, only, useDeferredValue(words));
  const rows = table.getRowModel().rows;
  const [bringing, setBringing] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const [editing, setEditing] = useState<{ id: string; column: string } | null>(null);
  useKeys(useMemo(() => ({ n: () => setBringing('') }), []));
  const scroll = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing it returns is handed on
  const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroll.current, estimateSize: () => ROW_PX, overscan: 6 });

  // Cells copied out of a spreadsheet and pasted anywhere on this page but into a field are a table to bring in.
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      if ((event.target as HTMLElement).matches('input, textarea, select') || document.querySelector('[role="dialog"]')) return;
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (/[\t,;]/.test(text) && text.includes('\n')) setBringing(text);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  }, []);

  const edit = useCallback((id: string, column: string | null) => setEditing(column === null ? null : { id, column }), []);
  const change = useCallback((sample: StoredSample, some: Partial<Sample>): void => {
    const { version, updatedAt, ...record } = sample;
    write({ what: 'record', kind: 'samples', record: { ...record, ...some, baseVersion: version } });
    setEditing(null);
  }, [write]);
  const headers = table.getHeaderGroups()[0]?.headers ?? [];
  const columnKey = headers.map((h) => h.column.id).join(' ');
  const columnIds = useMemo(() => columnKey.split(' '), [columnKey]);
  const template = headers.map((h) => WIDTHS[h.column.id] ?? '6rem').join(' ');
  const save = (kind: 'csv' | 'csv with distances' | 'geojson'): void => {
    const shown = rows.map((r) => r.original.sample);
    if (kind === 'geojson') saveFile(samplesAsGeoJson(shown, spots), `${ground.name} samples.geojson`, 'application/geo+json');
    else saveFile(samplesAsCsv(shown, spots, kind !== 'csv'), `${kind === 'csv' ? 'samples' : `${ground.name} samples`}.csv`, 'text/csv');
    setSaving(false);
    toast(`${shown.length.toLocaleString('en-US')} samples saved.`);
  };
  return (
    <div className="flex flex-col gap-3">
      <Judgement rests={loading ? 'Reading the book ...' : `${samples.length.toLocaleString('en-US')} in all. Click a heading to sort, a cell to change it; paste cells from a spreadsheet to bring them in.`}>{rows.length.toLocaleString('en-US')} sample{rows.length === 1 ? '' : 's'}{words.trim() !== '' || only !== 'all' ? ' match' : ''}.</Judgement>
      <div className="flex flex-wrap items-center gap-3">
        <input type="search" aria-label="Find in the table" placeholder="spot, layer, panner or note" className="written min-w-0 grow sm:max-w-72" value={words} onChange={(e) => setWords(e.target.value)} />
        <Choices label="Which samples" value={only} onChange={setOnly} choices={[{ value: 'all', label: 'all' }, { value: 'with color', label: 'with color' }, { value: 'blank', label: 'blank' }]} />
        <Button onClick={() => setBringing('')}>Bring a table in</Button>
        <Button onClick={() => setSaving(true)} disabled={rows.length === 0}>Save these</Button>
      </div>
      <div ref={scroll} className="h-[max(20rem,calc(100dvh-17rem))] overflow-auto border-y-2 border-ink" tabIndex={0} role="table" aria-label="Samples" aria-rowcount={rows.length + 1}>
        <div className="sticky top-0 z-1 grid min-w-max bg-paper" role="row" aria-rowindex={1} style={{ gridTemplateColumns: template }}>
          {headers.map((h) => {
            const sorted = h.column.getIsSorted();
            const name = h.column.id;
            const unit = name === 'depth' || name === 'distance' ? show.figure('length', 1).unit : name === 'grade' ? show.figure('grade', 1).unit : name === 'gold' ? show.display.gold : '';
            return (
              <div key={h.id} role="columnheader" aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'} className="border-b border-ink">
                <button type="button" className="flex min-h-11 w-full items-center gap-1 px-2 text-left text-[13px] whitespace-nowrap" onClick={() => h.column.toggleSorting()}><b>{name in CLASS_NAMES ? CLASS_NAMES[name as ColorClass].name : String(h.column.columnDef.header)}</b><span className="text-ink-2">{unit}</span><span aria-hidden="true">{sorted === 'asc' ? '▲' : sorted === 'desc' ? '▼' : ''}</span></button>
              </div>
            );
          })}
        </div>
        <div className="relative min-w-max" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const row = rows[item.index];
            return row && <Row key={row.id} row={row.original} index={item.index} top_px={item.start} columns={columnIds} template={template} colors={colors} swell_percent={ground.swell_percent} editing={editing?.id === row.id ? editing.column : null} onEdit={edit} onChange={change} />;
          })}
        </div>
      </div>
      {bringing !== null && <ImportSheet ground={ground} spots={spots} pasted={bringing} onClose={() => setBringing(null)} />}
      <Sheet open={saving} onOpenChange={setSaving} title="Save these samples">
        <div className="flex flex-col gap-3">
          <p>The {rows.length.toLocaleString('en-US')} shown, in their order.</p>
          <Button look="main" onClick={() => save('csv')}>CSV without places</Button>
          <p className="text-ink-2">Spot names, no distances, no positions.</p>
          <Button look="danger" onClick={() => save('csv with distances')}>CSV with distances</Button>
          <Button look="danger" onClick={() => save('geojson')}>GeoJSON with positions</Button>
          <p className="text-danger">These two tell whoever has the file where your spots are.</p>
        </div>
      </Sheet>
    </div>
  );
}

interface RowProps {
  readonly row: SampleRow;
  readonly index: number;
  readonly top_px: number;
  readonly columns: readonly string[];
  readonly template: string;
  readonly colors: GroundColors;
  readonly swell_percent: number;
  /** The column being written in; null when none of this row is. */
  readonly editing: string | null;
  readonly onEdit: (sampleId: string, column: string | null) => void;
  readonly onChange: (sample: StoredSample, some: Partial<Sample>) => void;
}

/** What a cell takes, and what is wrong with it if it is not taken. */
function taken(column: string, text: string, s: StoredSample): Partial<Sample> | string {
  if (column === 'depth') { const r = readEntered('length', { text, unit: s.depthEntered.unit }); return !r.ok ? r.problem : r.value > 30 ? 'At most 30 m.' : { depth_m: r.value, depthEntered: { text, unit: s.depthEntered.unit } }; }
  if (column === 'volume') { const r = readEntered('volume', { text, unit: s.volumeEntered.unit }); return !r.ok ? r.problem : r.value > 0 && r.value <= 10_000 ? { volume_L: r.value, volumeEntered: { text, unit: s.volumeEntered.unit } } : 'More than nothing, at most 10 m³.'; }
  if (column === 'gold') {
    if (text.trim() === '') return { gold_mg: null, goldEntered: null };
    const unit = s.goldEntered?.unit ?? 'mg';
    const r = readEntered('mass', { text, unit });
    return !r.ok ? r.problem : r.value > 0 ? { gold_mg: r.value, goldEntered: { text, unit } } : 'Leave it empty if nothing was weighed.';
  }
  if ((COLOR_CLASSES as readonly string[]).includes(column)) return /^\d{1,5}$/.test(text.trim()) ? { counts: { ...s.counts, [column]: Number(text) } } : 'A whole number.';
  if (column === 'layer') return { layer: text.slice(0, 80) };
  if (column === 'panner') return { panner: text.slice(0, 80) };
  return { note: text.slice(0, 4000) };
}
const EDITED = new Set(['depth', 'volume', 'gold', 'layer', 'panner', 'note', ...COLOR_CLASSES]);

/** One sample. Drawn again only when it changes: a fast scroll shows hundreds of them a second. */
const Row = memo(function Row({ row, index, top_px, columns, template, colors, swell_percent, editing, onEdit, onChange }: RowProps) {
  const show = useShow();
  const { sample: s } = row;
  const words = (column: string): string => {
    switch (column) {
      case 'date': return format(new Date(s.takenAt), 'd MMM yy');
      case 'spot': return row.spot;
      case 'distance': return Number.isNaN(row.distance_m) ? '' : show.figure('distance', row.distance_m).digits;
      case 'depth': return show.figure('length', s.depth_m).digits;
      case 'layer': return s.layer;
      case 'volume': return asTyped(s.volumeEntered);
      case 'gold': return s.gold_mg === null ? '' : show.figure('gold', s.gold_mg).digits;
      case 'grade': {
        const g = sampleGrade(measureOf(s, swell_percent), gradeOptions(colors, [row.volumeBank_L]));
        return g.kind === 'band' ? `${show.figure('grade', g.grade_mg_L).digits} (${show.figure('grade', g.low_mg_L).digits}–${show.figure('grade', g.high_mg_L).digits})` : g.kind === 'blank' ? `under ${show.figure('grade', g.lessThan_mg_L).digits}` : 'weigh it';
      }
      case 'panner': return s.panner;
      case 'note': return s.note === '' ? '' : `“${s.note}”`;
      default: return String(s.counts[column as ColorClass]);
    }
  };
  return (
    <div role="row" aria-rowindex={index + 2} className="absolute inset-x-0 grid items-stretch border-b border-rule" style={{ gridTemplateColumns: template, height: ROW_PX, transform: `translateY(${top_px}px)` }}>
      {columns.map((c) => (
        <div key={c} role="cell" className="min-w-0">
          {!EDITED.has(c)
            ? <span className={`block truncate px-2 leading-10 ${c === 'grade' ? 'text-gold' : ''}`}>{words(c)}</span>
            : editing === c
              ? <EditCell sample={s} column={c} spot={row.spot} onCancel={() => onEdit(s.id, null)} onChange={(some) => onChange(s, some)} />
              : <button type="button" className={`block h-10 w-full truncate px-2 text-left ${c === 'gold' ? 'text-gold' : ''}`} aria-label={`${c} ${words(c) || 'empty'}, ${row.spot}: change`} onClick={() => onEdit(s.id, c)}>{words(c)}</button>}
        </div>
      ))}
    </div>
  );
});

interface EditCellProps {
  readonly sample: StoredSample;
  readonly column: string;
  readonly spot: string;
  readonly onCancel: () => void;
  readonly onChange: (some: Partial<Sample>) => void;
}

/** As it was typed before, to be written anew. Enter or leaving keeps it, Escape leaves it as it was. */
function EditCell({ sample: s, column, spot, onCancel, onChange }: EditCellProps) {
  const raw = column === 'depth' ? s.depthEntered.text : column === 'volume' ? s.volumeEntered.text : column === 'gold' ? (s.goldEntered?.text ?? '') : column === 'layer' || column === 'panner' || column === 'note' ? s[column] : String(s.counts[column as ColorClass]);
  const [text, setText] = useState(raw);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = (): void => {
    if (text === raw) return onCancel();
    const some = taken(column, text, s);
    if (typeof some === 'string') setProblem(some);
    else onChange(some);
  };
  return (
    <span className="relative block">
      <input autoFocus aria-label={`${column}, ${spot}`} aria-invalid={problem !== null} className={`h-10 w-full border-2 bg-picked px-1.5 ${problem ? 'border-danger' : 'border-ink'}`} value={text} onChange={(e) => { setText(e.target.value); setProblem(null); }} onFocus={(e) => e.target.select()}
        onBlur={keep} onKeyDown={(e) => { if (e.key === 'Enter') keep(); else if (e.key === 'Escape') onCancel(); }} />
      {problem && <span role="alert" className="absolute top-10 left-0 z-2 w-56 border-2 border-danger bg-paper p-2 text-[12.5px] text-danger">▲ {problem}</span>}
    </span>
  );
}
