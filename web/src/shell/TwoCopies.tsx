import { useState } from 'react';
import { mergeCopies, sayThing, withTheirs, type Differing } from '../offline/mergeCopies.ts';
import { spokenField } from '../offline/mending.ts';
import { giveUp, sendAgain } from '../offline/decide.ts';
import type { RefusedWrite } from '../offline/outbox.ts';
import type { QueuedWrite } from '../offline/write.ts';
import { Button } from '../ui/Button.tsx';
import { useLocalTime } from '../when/useLocalTime.ts';
import { describeWrite } from './describeWrite.ts';

type Copy = Readonly<Record<string, unknown>>;
type RecordWrite = Extract<QueuedWrite, { what: 'record' }>;

interface TwoCopiesProps {
  readonly refused: RefusedWrite;
  readonly write: RecordWrite;
  readonly theirs: Copy;
  readonly both: readonly Differing[];
  readonly merged: Copy;
}

/** The two copies of a record that two people changed; null where a refusal is about something else. */
export function twoCopies({ write, problem }: RefusedWrite): Omit<TwoCopiesProps, 'refused'> | null {
  if (problem.code !== 'CHANGED' || write.what !== 'record') return null;
  const theirs = problem.current as Copy | undefined;
  if (!theirs) return null;
  const { record, both } = mergeCopies((write.base as Copy | undefined) ?? null, write.record, theirs);
  return both.length > 0 ? { write, theirs, both, merged: record } : null;
}

/** What both changed, side by side: one tap each, and what only one changed is put together by itself. */
export function TwoCopies({ refused, write, theirs, both, merged }: TwoCopiesProps) {
  const { dayTime } = useLocalTime();
  const [takes, setTakes] = useState<Readonly<Record<string, 'mine' | 'theirs'>>>({});
  const [tried, setTried] = useState(false);
  const mine = write.record as unknown as Copy;
  const open = both.filter((b) => takes[b.name] === undefined);
  const keep = (): void => {
    setTried(true);
    if (open.length > 0) return;
    const record = withTheirs(
      merged,
      theirs,
      both.filter((b) => takes[b.name] === 'theirs'),
    );
    void sendAgain(refused, { ...write, base: theirs, record } as unknown as QueuedWrite);
  };
  return (
    <>
      <p className="font-semibold">{describeWrite(write)}</p>
      <p className="mb-2 text-[13px] text-ink-2">
        Two of you changed it. What only one changed is put together; say what counts of the rest.
      </p>
      {both.map((thing) => (
        <fieldset key={thing.name} className="mb-2">
          <legend className="text-[13px] text-ink-2">{spokenField(thing.name)}</legend>
          <div className="grid grid-cols-2">
            {(['mine', 'theirs'] as const).map((whose) => (
              <button
                key={whose}
                type="button"
                aria-pressed={takes[thing.name] === whose}
                className="-ml-0.5 min-h-12 border-2 border-ink px-3 py-1 text-left first:ml-0 aria-pressed:bg-ink aria-pressed:text-paper"
                onClick={() => setTakes({ ...takes, [thing.name]: whose })}
              >
                <span className="block text-[12.5px]">{whose === 'mine' ? 'Yours' : 'Theirs'}</span>
                <span className="block font-semibold break-words">
                  {sayThing(whose === 'mine' ? mine : theirs, thing, dayTime)}
                </span>
              </button>
            ))}
          </div>
        </fieldset>
      ))}
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && open.length > 0 && `▲ Choose for ${open.map((b) => spokenField(b.name).toLowerCase()).join(', ')}.`}
      </p>
      <div className="flex gap-2">
        <Button look="main" onClick={keep}>
          Keep it so
        </Button>
        <Button look="danger" onClick={() => void giveUp(refused)}>
          Drop mine
        </Button>
      </div>
    </>
  );
}
