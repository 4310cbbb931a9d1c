import { TASKS, type Task } from '@riffle/core';
import { useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { toast } from '../../../ui/toast.ts';
import { useNow } from '../../../ui/useNow.ts';
import { durationText } from '../../../when/readDuration.ts';
import { asTyped } from '../../../units/readEntered.ts';
import { DOING } from './crewWords.ts';
import { readTask, roundTimes } from './readRound.ts';
import type { Crew } from './useCrew.ts';

/** When a task is over, as one sees it. */
const UNTIL: Readonly<Record<Task, string>> = {
  dig: 'the bucket is full',
  carry: 'it is back for the next',
  screen: 'the last stone is thrown',
  feed: 'the last scoop is in',
};
const DONE: Readonly<Record<Task, string>> = { dig: 'Dug', carry: 'Carried', screen: 'Screened', feed: 'Fed' };
const CAPITAL: Readonly<Record<Task, string>> = { dig: 'Dig', carry: 'Carry', screen: 'Screen', feed: 'Feed' };

/** One bucket timed from the shovel into the box, a tap at each end; or typed. */
export function RoundWatch({ crew: { draft, setDraft, clearDraft, keep, bucket } }: { readonly crew: Crew }) {
  const [tried, setTried] = useState(false);
  const { typed, watch } = draft;
  const times = roundTimes(draft);
  const isBegun = watch !== null || TASKS.some((t) => typed[t]);
  const end = (): Readonly<Partial<Record<Task, string>>> => {
    if (!watch) return typed;
    return { ...typed, [watch.task]: durationText(Math.max(1, (Date.now() - watch.since_ms) / 1000)) };
  };
  const begin = (task: Task | undefined): void =>
    setDraft({ typed: end(), watch: task ? { task, since_ms: Date.now() } : null });
  const next = TASKS[watch ? TASKS.indexOf(watch.task) + 1 : TASKS.findIndex((t) => !typed[t])];
  const save = (): void => {
    setTried(true);
    if (!times || watch) return;
    keep(times);
    setTried(false);
    toast('Kept: this round.');
  };
  return (
    <Block title="Time a bucket" aside={`a full one of ${asTyped(bucket.entered)}, at the usual pace`}>
      {watch ? (
        <div className="flex flex-col">
          <button
            type="button"
            className="flex min-h-[124px] w-full touch-manipulation flex-col items-center justify-center bg-ink text-paper active:bg-ink-2"
            onClick={() => begin(next)}
          >
            <span className="text-[30px] leading-tight font-bold">
              {next ? `${DONE[watch.task]}. Now ${next}` : `${DONE[watch.task]}: in the box`}
            </span>
            <span className="text-[17px]">when {UNTIL[watch.task]}</span>
          </button>
          <Running since_ms={watch.since_ms} task={watch.task} />
          {next && (
            <TextButton className="self-start" onClick={() => begin(undefined)}>
              stop the watch here
            </TextButton>
          )}
        </div>
      ) : (
        next && (
          <button
            type="button"
            className="flex min-h-[92px] w-full touch-manipulation flex-col items-center justify-center border-2 border-ink active:bg-ink active:text-paper"
            onClick={() => begin(next)}
          >
            <span className="text-[26px] leading-tight font-bold">
              {isBegun ? `Go on: ${CAPITAL[next].toLowerCase()}` : 'Start the watch'}
            </span>
            <span className="text-[15px]">{isBegun ? `when ${DOING[next]} begins` : 'with the first shovel'}</span>
          </button>
        )
      )}
      <form
        className="mt-3"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <div className="grid grid-cols-4 gap-x-3 tight:grid-cols-2">
          {TASKS.map((task) => {
            const read = readTask(typed[task]);
            return (
              <TextField
                key={task}
                label={CAPITAL[task]}
                value={typed[task] ?? ''}
                onChange={(text) => setDraft((d) => ({ ...d, typed: { ...d.typed, [task]: text } }))}
                problem={read?.ok === false ? read.problem : null}
                hint={watch?.task === task ? 'now' : 'min:s'}
              />
            );
          })}
        </div>
        <p className="text-[13px] text-ink-2">
          Carrying with the way back. Leave empty what is not done here: gravel that is dug beside the box is not
          carried.
        </p>
        <p role="alert" className="min-h-5 text-[12.5px] text-danger">
          {tried && !times && '▲ Not kept: time at least one of them, and see the fields marked.'}
          {tried && times && watch && '▲ Not kept: the watch still runs.'}
        </p>
        <div className="flex flex-wrap items-center gap-x-5">
          <Button look={isBegun && !watch ? 'main' : 'plain'} type="submit" className="min-h-14 grow sm:grow-0 sm:px-8">
            Keep this round
          </Button>
          {isBegun && <TextButton onClick={clearDraft}>drop it</TextButton>}
        </div>
      </form>
    </Block>
  );
}

function Running({ since_ms, task }: { readonly since_ms: number; readonly task: Task }) {
  const now = useNow(250);
  return (
    <p className="mt-1 flex items-baseline gap-3">
      <span role="timer" aria-label={`${CAPITAL[task]}, so far`} className="text-[36px] leading-tight font-extrabold">
        {durationText(Math.max(0, (now - since_ms) / 1000))}
      </span>
      <span>{DOING[task]}</span>
    </p>
  );
}
