import { BOX_EVENTS, TAIL_COLORS } from '@riffle/contract';
import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import { boxLog, type BoxChange, type BoxLogEntry } from '../../box/boxLog.ts';
import { Block } from '../../ui/Judgement.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { plural } from '../../ui/plural.ts';
import { useShow, type Show } from '../../units/useShow.ts';
import type { SetOnPage } from './useSetScreen.ts';

/** Of the log so many are shown until one asks for all. */
const SHOWN = 5;

/** How the box stood, each change and what followed it, the latest first. A row takes that setting up again. */
export function BoxLog({ page: { book, rig, load } }: { page: SetOnPage }) {
  const [all, setAll] = useState(false);
  const rigId = rig?.id;
  const log = useMemo(() => (rigId === undefined ? [] : boxLog(book, rigId)), [book, rigId]);
  if (log.length === 0) return null;
  const shown = all ? log : log.slice(0, SHOWN);
  return (
    <Block title="Changes, and what followed" aside="one change at a time tells what it did">
      <ul>
        {shown.map((entry) => (
          <LogLine key={entry.setup.id} entry={entry} onLoad={() => load(entry.setup)} />
        ))}
      </ul>
      {log.length > shown.length && (
        <TextButton onClick={() => setAll(true)}>{log.length - shown.length} earlier</TextButton>
      )}
    </Block>
  );
}

function LogLine({ entry, onLoad }: { readonly entry: BoxLogEntry; readonly onLoad: () => void }) {
  const show = useShow();
  const { setup, changes } = entry;
  const on = format(new Date(setup.setAt), 'd MMM');
  return (
    <li className="grid grid-cols-[3.5rem_minmax(0,1fr)_auto] items-baseline gap-x-3 border-b border-rule py-1.5">
      <span className="text-ink-2">{on}</span>
      <span className="min-w-0">
        <b>{changes === null ? 'First set' : changes.map((c) => changeWords(c, show)).join(', ')}</b>
        <span className="block text-[13.5px]">{followedWords(entry, show)}</span>
        {setup.note && <span className="block text-[13px] text-ink-2">{setup.note}</span>}
      </span>
      <TextButton aria-label={`Take up again the setting of ${on}`} onClick={onLoad}>
        take up
      </TextButton>
    </li>
  );
}

/** One change, signed, as a hand makes it. */
export function changeWords(change: BoxChange, show: Pick<Show, 'smallLength' | 'flow'>): string {
  switch (change.what) {
    case 'head':
      return `head ${change.by_m > 0 ? '+' : '−'}${show.smallLength(Math.abs(change.by_m))}`;
    case 'water':
      return `water ${show.smallLength(change.from_m)} to ${show.smallLength(change.to_m)}`;
    case 'stones':
      return `stones up to ${show.smallLength(change.to_m)}, were ${show.smallLength(change.from_m)}`;
    case 'flow':
      return `flow ${show.flow(change.from_m3_s)} to ${show.flow(change.to_m3_s)}`;
    case 'water told otherwise':
      return 'water measured another way';
  }
}

/** What was fed so, what the tail and the box showed. */
export function followedWords(
  { buckets, bucket_min, tailPans, events, cleaned }: BoxLogEntry,
  show: Pick<Show, 'gold'>,
): string {
  const said: string[] = [];
  if (buckets > 0)
    said.push(plural(buckets, 'bucket') + (bucket_min === null ? '' : `, one in ${bucket_min.toFixed(1)} min`));
  const pans = TAIL_COLORS.filter((c) => tailPans[c] > 0).map((c) => `${tailPans[c]} with ${c.replace('-', '–')}`);
  if (pans.length > 0) said.push(`tail pans: ${pans.join(', ')} colors`);
  for (const what of BOX_EVENTS) {
    const times = events[what] ?? 0;
    if (times > 0) said.push(times === 1 ? what : `${what} ${times} times`);
  }
  if (cleaned)
    said.push(
      show.gold(cleaned.gold_mg) +
        (cleaned.headShare === null ? '' : `, ${Math.round(100 * cleaned.headShare)} % of it in the head`),
    );
  return said.length > 0 ? said.join('; ') : 'nothing fed so yet';
}
