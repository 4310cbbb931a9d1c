import type { BackupShelf, KeptBackup } from '@riffle/contract';
import { grouped } from '@riffle/core';
import { format } from 'date-fns';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';
import { Block } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { useBackups, type Backups } from './useBackups.ts';

/** One file of all that the book holds: made, taken away, brought back. */
export function BackupBlock() {
  const backups = useBackups();
  const { shelf, outOfReach, sending, problem } = backups;
  return (
    <Block title="Backup" aside="one file of all that this book holds">
      {shelf ? (
        <div className="flex flex-col gap-4">
          <p>{sayingOf(shelf)}</p>
          {shelf.work ? (
            <Working {...shelf.work} />
          ) : (
            <Button look="main" className="self-start" disabled={sending || shelf.isEmpty} onClick={backups.make}>
              Make a backup now
            </Button>
          )}
          <div aria-live="polite">{!shelf.work && shelf.ended && <Ended ended={shelf.ended} />}</div>
          {problem && (
            <p role="alert" className="text-danger">
              ▲ {problem}
            </p>
          )}
          {shelf.kept.length > 0 && <Kept kept={shelf.kept} />}
          <Restore backups={backups} isEmpty={shelf.isEmpty} />
        </div>
      ) : (
        <p role="status">
          {outOfReach ? 'Backups lie with the server, which is out of reach.' : 'Looking what backups there are ...'}
        </p>
      )}
    </Block>
  );
}

const whenOf = ({ madeAt }: KeptBackup): string => format(new Date(madeAt), 'd MMM yyyy, HH:mm');
const sizeOf = (bytes: number): string =>
  bytes < 1e6 ? `${grouped(Math.max(1, Math.round(bytes / 1000)))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

function sayingOf({ kept: [last], isEmpty }: BackupShelf): string {
  if (last) return `The last one is of ${whenOf(last)}. They lie on this machine: take one to another now and then.`;
  return isEmpty
    ? 'This book is empty: there is nothing to keep yet.'
    : 'There is none yet. One a day is made by itself while Riffle runs; seven are kept.';
}

const DOING = { making: 'Making a backup', checking: 'Checking the file', restoring: 'Restoring' } as const;

function Working({ doing, done, of }: NonNullable<BackupShelf['work']>) {
  return (
    <div className="flex flex-col gap-1">
      <p>
        {DOING[doing]}: {grouped(done)} of {grouped(of)}
      </p>
      <progress className="h-4 w-full accent-ink" value={of === 0 ? 0 : done / of} max={1} aria-label={DOING[doing]} />
    </div>
  );
}

function Ended({ ended }: { ended: NonNullable<BackupShelf['ended']> }) {
  if (ended.how === 'refused') return <p className="text-danger">▲ {ended.detail}</p>;
  if (ended.how === 'made') return <p>A backup is made: {ended.name}.</p>;
  return (
    <p>
      Restored: {plural(ended.records, 'record')} and {plural(ended.files, 'file')}.{' '}
      {/* A page of its own: nothing that was shown of the empty book stays. */}
      <a href="/" className="underline underline-offset-4">
        Open the book
      </a>
    </p>
  );
}

function Kept({ kept }: { kept: readonly KeptBackup[] }) {
  return (
    <ul className="flex flex-col">
      {kept.map((b) => (
        <li key={b.name} className="flex flex-wrap items-center gap-x-4 border-b border-rule">
          <a
            href={`/api/v1/backups/${b.name}`}
            download={b.name}
            className="inline-flex min-h-11 items-center underline decoration-rule underline-offset-4"
          >
            {whenOf(b)}
          </a>
          <span className="text-[13px] text-ink-2">
            {sizeOf(b.bytes)} · {b.daily ? 'of the day' : 'asked for'}
          </span>
        </li>
      ))}
    </ul>
  );
}

function Restore({ backups, isEmpty }: { backups: Backups; isEmpty: boolean }) {
  if (!isEmpty)
    return (
      <p className="text-[13px] text-ink-2">
        A backup is restored into an empty book, so that nothing here is ever written over: start a second Riffle with{' '}
        <code className="whitespace-nowrap">npm start -- --empty</code>, or on another machine.
      </p>
    );
  return (
    <Field label="Restore a backup into this empty book" hint={backups.sending ? 'Sending the file ...' : null}>
      {(ids) => (
        <input
          {...ids}
          type="file"
          accept=".zip,application/zip"
          className="written w-full"
          disabled={backups.sending || backups.shelf?.work !== null}
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) backups.restore(file);
            e.target.value = '';
          }}
        />
      )}
    </Field>
  );
}
