import type { ImportProgress, RefusedRow, StoredGround, StoredSample, StoredSpot } from '@riffle/contract';
import { useQueryClient } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { listKey } from '../../../offline/landing.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { useThread } from '../../../workers/useThread.ts';
import { keepImport } from './lastImport.ts';
import type { TableChecked, TableSeen, TableWorker } from './table.worker.ts';
import { FIELD_UNITS, guessMapping, type TableField, type TableMapping } from './readTable.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';

export type ImportStep =
  | { readonly at: 'choose'; readonly problem: string | null }
  | {
      readonly at: 'map';
      readonly seen: TableSeen;
      readonly mapping: TableMapping;
      readonly mixed: Readonly<Partial<Record<TableField, string>>>;
    }
  | { readonly at: 'checking'; readonly done: number }
  | { readonly at: 'report'; readonly seen: TableSeen; readonly mapping: TableMapping; readonly checked: TableChecked }
  | { readonly at: 'sending'; readonly done: number; readonly of: number }
  | {
      readonly at: 'done';
      readonly stored: number;
      readonly spots: number;
      readonly refused: readonly RefusedRow[];
      readonly refusedRows: number;
    }
  | {
      readonly at: 'failed';
      readonly says: string;
      readonly checked: TableChecked;
      readonly seen: TableSeen;
      readonly mapping: TableMapping;
    };

export interface Import {
  readonly step: ImportStep;
  readonly read: (text: string) => Promise<void>;
  readonly map: (mapping: TableMapping) => void;
  readonly check: () => Promise<void>;
  /** @param withAgain the rows that are in the book already are stored once more */
  readonly send: (mode: 'all or nothing' | 'only the good rows', withAgain?: boolean) => Promise<void>;
  readonly back: () => void;
  readonly cancel: () => void;
}

const openThread = (): Worker => new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' });

/** Brings a person's table in, step by step: read, say which column is which, check every row, send. Nothing is stored before the last. */
export function useImport(
  ground: StoredGround,
  spots: readonly StoredSpot[],
  samples: readonly StoredSample[],
): Import {
  const local = useLocalTime();
  const client = useQueryClient();
  const containers = useContainers();
  const worker = useThread<TableWorker>(openThread);
  const sending = useRef<AbortController | null>(null);
  const [step, setStep] = useState<ImportStep>({ at: 'choose', problem: null });
  useEffect(() => () => sending.current?.abort(), []);

  /** Columns whose cells name several units, in words. */
  const mixedIn = async (mapping: TableMapping): Promise<Partial<Record<TableField, string>>> => {
    const found: Partial<Record<TableField, string>> = {};
    for (const f of Object.keys(FIELD_UNITS) as TableField[]) {
      if (mapping.columns[f] === '' || !worker.current) continue;
      const units = await worker.current.units(f, mapping.columns[f]);
      if (units.length > 1)
        found[f] = units.map(([u, n]) => `${n} ${u === '' ? 'without a unit' : `in ${u}`}`).join(', ');
    }
    return found;
  };
  // The choice shows at once; what its columns mix is known a moment later.
  const toMap = async (seen: TableSeen, mapping: TableMapping): Promise<void> => {
    setStep((s) => ({ at: 'map', seen, mapping, mixed: s.at === 'map' ? s.mixed : {} }));
    const mixed = await mixedIn(mapping);
    setStep((s) => (s.at === 'map' && s.mapping === mapping ? { ...s, mixed } : s));
  };

  return {
    step,
    read: async (text) => {
      const seen = await worker.current?.see(text);
      if (!seen || seen.rows === 0 || seen.columns.length < 2)
        setStep({
          at: 'choose',
          problem: 'This does not read as a table: a first line of column names, then a row for each sample.',
        });
      else await toMap(seen, guessMapping(seen.columns));
    },
    map: (mapping) => {
      if (step.at === 'map') void toMap(step.seen, mapping);
    },
    check: async () => {
      if (step.at !== 'map' || !worker.current) return;
      const { seen, mapping } = step;
      setStep({ at: 'checking', done: 0 });
      const checked = await worker.current.check(
        mapping,
        {
          groundId: ground.id,
          length_m: ground.length_m,
          line: ground.line,
          spots: spots.map(({ id, name }) => ({ id, name })),
          timeZone: local.zone,
          own: containers,
          known: samples.map(({ spotId, takenAt, depth_m, volume_L, counts, gold_mg }) => ({
            spotId,
            takenAt,
            depth_m,
            volume_L,
            counts,
            gold_mg,
          })),
          now: new Date().toISOString(),
        },
        proxy((done) => setStep((s) => (s.at === 'checking' ? { at: 'checking', done } : s))),
      );
      if (checked) setStep({ at: 'report', seen, mapping, checked });
    },
    send: async (mode, withAgain = false) => {
      if (step.at !== 'report' && step.at !== 'failed') return;
      const { checked, seen, mapping } = step;
      const of = checked.good + checked.spots + (withAgain ? checked.again.length : 0);
      const stop = new AbortController();
      sending.current = stop;
      setStep({ at: 'sending', done: 0, of });
      try {
        const response = await fetch(`/api/v1/grounds/${ground.id}/samples/import?mode=${encodeURIComponent(mode)}`, {
          method: 'POST',
          signal: stop.signal,
          headers: { 'content-type': 'application/x-ndjson' },
          body: withAgain ? new Blob([checked.lines, '\n', checked.linesAgain]) : checked.lines,
        });
        if (!response.ok || !response.body)
          throw new Error(
            ((await response.json().catch(() => null)) as { detail?: string } | null)?.detail ??
              `The server answered ${response.status}.`,
          );
        const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
        let end: ImportProgress | null = null;
        for (let left = ''; ;) {
          const { value, done } = await reader.read();
          const lines = (left + (value ?? '')).split('\n');
          left = lines.pop() ?? '';
          for (const line of lines) {
            const said = JSON.parse(line) as ImportProgress;
            if ('read' in said) setStep({ at: 'sending', done: said.read, of });
            else end = said;
          }
          if (done) break;
        }
        if (!end || !('stored' in end)) throw new Error('The answer broke off: nothing was stored.');
        setStep({ at: 'done', ...end });
        if (end.stored > 0) keepImport(ground.id, { at: new Date().toISOString(), stored: end.stored, ...checked.ids });
        // What came in is read anew while the person reads the report.
        void client.invalidateQueries({ queryKey: listKey('samples', ground.id) });
        void client.invalidateQueries({ queryKey: listKey('spots', ground.id) });
      } catch (error) {
        setStep({
          at: 'failed',
          checked,
          seen,
          mapping,
          says: stop.signal.aborted
            ? 'Stopped: nothing was stored.'
            : error instanceof TypeError
              ? 'There is no connection: nothing was stored. The checked rows are still here.'
              : (error as Error).message,
        });
      }
    },
    back: () => {
      if (step.at === 'report' || step.at === 'failed') void toMap(step.seen, step.mapping);
      else setStep({ at: 'choose', problem: null });
    },
    cancel: () => {
      void worker.current?.stop();
      sending.current?.abort();
      if (step.at === 'checking') setStep({ at: 'choose', problem: null });
    },
  };
}
