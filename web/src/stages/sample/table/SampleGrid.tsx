import type { Sample, StoredPit, StoredSample, StoredSpot } from '@riffle/contract';
import type { ColorClass, GroundColors } from '@riffle/core';
import { defaultRangeExtractor, useVirtualizer, type Range } from '@tanstack/react-virtual';
import { memo, useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import { useShow, type Show } from '../../../units/useShow.ts';
import { CLASS_NAMES } from '../pan/SizePan.tsx';
import { useContainers } from '../../../records/useContainers.ts';
import { canBeWritten, cellTaken, cellText, cellWords } from './cells.ts';
import type { SampleRow, useSampleTable } from './useSampleTable.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';

const ROW_PX = 40;
const HEAD_PX = 45;
const WIDTHS: Readonly<Record<string, string>> = {
  date: '6.8rem',
  spot: '7.5rem',
  colors: '4.4rem',
  distance: '5rem',
  depth: '5rem',
  layer: '8rem',
  volume: '7rem',
  '+10': '3.6rem',
  '10-20': '4.2rem',
  '20-40': '4.2rem',
  '-40': '3.6rem',
  gold: '5.5rem',
  grade: '11rem',
  panner: '6rem',
  note: '14rem',
};

/** A cell by its place in the grid as it is sorted now. */
interface Place {
  readonly row: number;
  readonly column: number;
}
/** Where a person goes from a cell: Enter goes on to the one below, Escape stays, a click has its own aim. */
type Leaving = 'below' | 'here' | 'elsewhere';
type Change = (sample: StoredSample, some: Partial<Sample>) => void;

interface SampleGridProps {
  readonly table: ReturnType<typeof useSampleTable>;
  readonly spots: readonly StoredSpot[];
  readonly pits: readonly StoredPit[];
  readonly colors: GroundColors;
  readonly swell_percent: number;
  readonly onChange: Change;
}

/** The table itself: one stop of the tab key, cells by the arrow keys, Enter or a click to write in one. Only the rows in sight are drawn. */
export function SampleGrid({ table, spots, pits, colors, swell_percent, onChange }: SampleGridProps) {
  const show = useShow();
  const rows = table.getRowModel().rows;
  const headers = table.getHeaderGroups()[0]?.headers ?? [];
  const columnKey = headers.map((h) => h.column.id).join(' ');
  const columns = useMemo(() => columnKey.split(' '), [columnKey]);
  const template = columns.map((c) => WIDTHS[c] ?? '6rem').join(' ');
  const grid = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<Place | null>(null);
  const [writing, setWriting] = useState(false);
  // The row being written in stays, however far the others are scrolled.
  const kept = writing ? (at?.row ?? null) : null;
  const inSight = useCallback(
    (range: Range): number[] => {
      const seen = defaultRangeExtractor(range);
      return kept === null || seen.includes(kept) ? seen : [...seen, kept];
    },
    [kept],
  );
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing it returns is handed on
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => grid.current,
    estimateSize: () => ROW_PX,
    overscan: 4,
    scrollPaddingEnd: HEAD_PX,
    rangeExtractor: inSight,
  });

  const go = (row: number, column: number): void => {
    const to = {
      row: Math.max(0, Math.min(rows.length - 1, row)),
      column: Math.max(0, Math.min(columns.length - 1, column)),
    };
    setAt(to);
    virtual.scrollToIndex(to.row, { align: 'auto' });
  };
  const activeId = at && rows[at.row] ? cellId(at) : undefined;
  // Sideways the browser brings the cell into sight, once it is drawn.
  useEffect(() => {
    if (activeId) document.getElementById(activeId)?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [activeId]);
  const onKeyDown = (e: KeyboardEvent): void => {
    if (writing || e.target !== grid.current || rows.length === 0) return;
    const page = Math.max(1, Math.floor((grid.current.clientHeight - HEAD_PX) / ROW_PX) - 1);
    const { row, column } = at ?? { row: 0, column: 0 };
    const far = e.ctrlKey || e.metaKey;
    const moves: Readonly<Record<string, () => void>> = {
      ArrowDown: () => go(row + 1, column),
      ArrowUp: () => go(row - 1, column),
      ArrowRight: () => go(row, column + 1),
      ArrowLeft: () => go(row, column - 1),
      PageDown: () => go(row + page, column),
      PageUp: () => go(row - page, column),
      Home: () => go(far ? 0 : row, 0),
      End: () => go(far ? rows.length - 1 : row, columns.length - 1),
      Enter: () => {
        go(row, column);
        setWriting(canBeWritten(columns[column] ?? ''));
      },
    };
    const move = moves[e.key];
    if (!move) return;
    e.preventDefault();
    move();
  };
  const onClick = (e: MouseEvent): void => {
    const cell = (e.target as HTMLElement).closest<HTMLElement>('[role="gridcell"]');
    if (!cell || (e.target as HTMLElement).closest('[data-writing]')) return;
    // What could not be kept is not thrown away by a click: it is put right or left with Escape first.
    const wrong = grid.current?.querySelector<HTMLElement>('[data-writing] [aria-invalid="true"]');
    if (wrong) return wrong.focus();
    const to = { row: Number(cell.dataset['row']), column: Number(cell.dataset['column']) };
    setAt(to);
    setWriting(canBeWritten(columns[to.column] ?? ''));
  };
  const leave = useCallback((to: Leaving): void => {
    setWriting(false);
    if (to === 'below') setAt((before) => before && { ...before, row: before.row + 1 });
    if (to !== 'elsewhere') grid.current?.focus({ preventScroll: true });
  }, []);
  return (
    <div
      ref={grid}
      className="h-[max(20rem,calc(100dvh-17rem))] overflow-auto border-y-2 border-ink"
      tabIndex={0}
      role="grid"
      aria-label="Samples"
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length}
      aria-activedescendant={activeId}
      onKeyDown={onKeyDown}
    >
      <div
        className="sticky top-0 z-2 grid min-w-max bg-paper"
        role="row"
        aria-rowindex={1}
        style={{ gridTemplateColumns: template }}
      >
        {headers.map((h) => {
          const sorted = h.column.getIsSorted();
          const name = h.column.id;
          return (
            <div
              key={h.id}
              role="columnheader"
              aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
              className="border-b border-ink"
            >
              <button
                type="button"
                className="flex min-h-11 w-full items-center gap-1 px-2 text-left text-[13px] whitespace-nowrap"
                onClick={() => h.column.toggleSorting()}
              >
                <b>{name in CLASS_NAMES ? CLASS_NAMES[name as ColorClass].name : String(h.column.columnDef.header)}</b>
                <span className="text-ink-2">{unitOf(name, show)}</span>
                <span aria-hidden="true">{sorted === 'asc' ? '▲' : sorted === 'desc' ? '▼' : ''}</span>
              </button>
            </div>
          );
        })}
      </div>
      <div className="relative min-w-max" style={{ height: virtual.getTotalSize() }} onClick={onClick}>
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index];
          const active = at?.row === item.index ? at.column : null;
          return (
            row && (
              <Row
                key={row.id}
                row={row.original}
                index={item.index}
                columns={columns}
                template={template}
                show={show}
                colors={colors}
                swell_percent={swell_percent}
                active={active}
                writing={active !== null && writing}
                spots={active !== null && writing ? spots : NO_SPOTS}
                pits={active !== null && writing ? pits : NO_PITS}
                onChange={onChange}
                onLeave={leave}
              />
            )
          );
        })}
      </div>
    </div>
  );
}

// Rows not written in need neither, and are not drawn again when one changes.
const NO_SPOTS: readonly StoredSpot[] = [];
const NO_PITS: readonly StoredPit[] = [];
const cellId = ({ row, column }: Place): string => `sample-cell-${row}-${column}`;

function unitOf(column: string, show: Show): string {
  switch (column) {
    // Feet and inches name themselves in each cell.
    case 'depth':
      return show.display.system === 'US' ? '' : 'm';
    case 'distance':
      return show.figure('distance', 1).unit;
    case 'grade':
      return show.figure('grade', 1).unit;
    case 'gold':
      return show.display.gold;
    default:
      return '';
  }
}

interface RowProps {
  readonly row: SampleRow;
  readonly index: number;
  readonly columns: readonly string[];
  readonly template: string;
  readonly show: Show;
  readonly colors: GroundColors;
  readonly swell_percent: number;
  /** The cell of this row that the keys act on; null when it is in another row. */
  readonly active: number | null;
  readonly writing: boolean;
  readonly spots: readonly StoredSpot[];
  readonly pits: readonly StoredPit[];
  readonly onChange: Change;
  readonly onLeave: (to: Leaving) => void;
}

/** One sample. Drawn again only when it changes, and with one element a cell: a fast scroll shows hundreds of rows a second. */
const Row = memo(function Row({
  row,
  index,
  columns,
  template,
  show,
  colors,
  swell_percent,
  active,
  writing,
  spots,
  pits,
  onChange,
  onLeave,
}: RowProps) {
  const local = useLocalTime();
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      // What is wrong with a cell is said over the rows below it.
      className={`absolute inset-x-0 grid border-b border-rule leading-10 [contain:layout_style] ${writing ? 'z-1' : ''}`}
      style={{ gridTemplateColumns: template, height: ROW_PX, top: index * ROW_PX }}
    >
      {columns.map((c, i) => (
        <div
          key={c}
          role="gridcell"
          id={cellId({ row: index, column: i })}
          data-row={index}
          data-column={i}
          aria-readonly={canBeWritten(c) ? undefined : true}
          className={`min-w-0 ${active === i ? 'outline-2 -outline-offset-2 outline-ink' : ''} ${active === i && writing ? '' : 'truncate px-2'} ${c === 'grade' || c === 'gold' ? 'text-gold' : ''} ${canBeWritten(c) ? 'cursor-text' : ''}`}
        >
          {active === i && writing ? (
            <EditCell
              sample={row.sample}
              column={c}
              spot={row.spot}
              spots={spots}
              pits={pits}
              onLeave={onLeave}
              onChange={onChange}
            />
          ) : (
            cellWords(c, row, show, colors, swell_percent, local)
          )}
        </div>
      ))}
    </div>
  );
});

interface EditCellProps {
  readonly sample: StoredSample;
  readonly column: string;
  readonly spot: string;
  readonly spots: readonly StoredSpot[];
  readonly pits: readonly StoredPit[];
  readonly onLeave: (to: Leaving) => void;
  readonly onChange: Change;
}

/** A cell being written anew. Enter or leaving keeps it, Escape leaves it as it was; what cannot be kept stays open and says why. */
function EditCell({ sample, column, spot, spots, pits, onLeave, onChange }: EditCellProps) {
  const local = useLocalTime();
  const before = cellText(column, sample, local);
  const containers = useContainers();
  const [text, setText] = useState(before);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = (typed: string, to: Leaving): void => {
    const some = typed === before ? {} : cellTaken(column, typed, sample, { pits, containers, local });
    if (typeof some === 'string') return setProblem(some);
    if (typed !== before) onChange(sample, some);
    onLeave(to);
  };
  const shared = {
    autoFocus: true,
    'aria-label': `${column}, ${spot}`,
    'aria-invalid': problem !== null,
    className: `block h-10 w-full border-2 bg-picked px-1.5 ${problem ? 'border-danger' : 'border-ink'}`,
    onBlur: () => keep(text, 'elsewhere'),
    onKeyDown: (e: KeyboardEvent) => {
      if (e.key === 'Enter') {
        e.preventDefault();
        keep(text, 'below');
      } else if (e.key === 'Escape') onLeave('here');
    },
  };
  return (
    <span className={`relative block ${column === 'date' ? 'w-44' : ''}`} data-writing>
      {column === 'spot' ? (
        <select
          {...shared}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setProblem(null);
          }}
        >
          {spots.some((s) => s.id === before) || <option value={before}>{spot}</option>}
          {spots.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
      ) : (
        <input
          {...shared}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setProblem(null);
          }}
          onFocus={(e) => e.target.select()}
        />
      )}
      {problem && (
        <span
          role="alert"
          className="absolute top-10 left-0 z-2 w-56 border-2 border-danger bg-paper p-2 text-[12.5px] leading-5 text-danger"
        >
          ▲ {problem}
        </span>
      )}
    </span>
  );
}
