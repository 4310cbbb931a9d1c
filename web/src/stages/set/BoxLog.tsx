import { useMemo, useState } from 'react';
import { boxLog, type BoxLogEntry } from '../../box/boxLog.ts';
import { changeWords, followedWords } from '../../box/boxLogWords.ts';
import { Block } from '../../ui/Judgement.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { useShow } from '../../units/useShow.ts';
import { SettingSheet } from './SettingSheet.tsx';
import type { SetOnPage } from './useSetScreen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

/** Of the log so many are shown until one asks for all. */
const SHOWN = 5;

/** How the box stood, each change and what followed it, the latest first. A row takes that setting up again. */
export function BoxLog({ page: { book, rig, load } }: { readonly page: Pick<SetOnPage, 'book' | 'rig' | 'load'> }) {
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
  const local = useLocalTime();
  const show = useShow();
  const { setup, changes } = entry;
  const on = local.day(setup.setAt);
  const [open, setOpen] = useState(false);
  return (
    <li className="grid grid-cols-[3.5rem_minmax(0,1fr)_auto] items-baseline gap-x-3 border-b border-rule py-1.5">
      <span className="text-ink-2">{on}</span>
      <span className="min-w-0">
        <b>{changes === null ? 'First set' : changes.map((c) => changeWords(c, show)).join(', ')}</b>
        <span className="block text-[13.5px]">{followedWords(entry, show)}</span>
        {setup.note && <span className="block text-[13px] text-ink-2">{setup.note}</span>}
      </span>
      <span className="flex flex-wrap justify-end gap-x-3">
        <TextButton aria-label={`Put right the setting of ${on}`} onClick={() => setOpen(true)}>
          put right
        </TextButton>
        <TextButton aria-label={`Take up again the setting of ${on}`} onClick={onLoad}>
          take up
        </TextButton>
      </span>
      {open && <SettingSheet setup={setup} onClose={() => setOpen(false)} />}
    </li>
  );
}
