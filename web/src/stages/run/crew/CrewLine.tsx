import { MOST_HANDS, type CrewPace, type Post, type Task } from '@riffle/core';
import { Fragment } from 'react';
import { plural } from '../../../ui/plural.ts';
import { durationText } from '../../../when/readDuration.ts';
import { DOING, doing } from './crewWords.ts';
import { joinBefore, partBefore } from './readRound.ts';

interface CrewLineProps {
  readonly posts: readonly Post[];
  readonly onStand: (posts: readonly Post[]) => void;
  /** Left out before anything is timed. */
  readonly crew: CrewPace | undefined;
  /** The posts `crew` is of: those whose tasks were timed. */
  readonly worked: readonly Post[];
}

/** The line as it stands: each pair of hands a bracket over what they do, the time each task takes, and how long each waits. */
export function CrewLine({ posts, onStand, crew, worked }: CrewLineProps) {
  const longest_s = Math.max(1, ...(crew?.tasks.map((t) => t.high_s) ?? []));
  const people = posts.reduce((sum, p) => sum + p.people, 0);
  const set = (at: number, n: number): void => onStand(posts.map((p, i) => (i === at ? { ...p, people: n } : p)));
  return (
    <>
      <Joints posts={posts} onStand={onStand} />
      <ol aria-label="How you stand" className="mt-3 flex flex-col gap-3">
        {posts.map((post, at) => {
          const i = worked.findIndex((w) => w.tasks.some((t) => post.tasks.includes(t)));
          const busy = crew?.busy[i];
          const isLast = crew && worked.length > 1 && crew.holdsUp.post === i;
          return (
            <li
              key={post.tasks[0]}
              aria-label={doing(post)}
              className={`grid grid-cols-[6.8rem_minmax(0,1fr)] items-center gap-x-3 border-l-[6px] pl-2 tight:grid-cols-1 ${isLast ? 'border-ink' : 'border-rule'}`}
            >
              <Stepper
                value={post.people}
                mayGrow={people < MOST_HANDS}
                label={`hands ${doing(post)}`}
                onChange={(n) => set(at, n)}
              />
              <div className="min-w-0">
                {post.tasks.map((task) => (
                  <TaskBar key={task} task={task} crew={crew} longest_s={longest_s} />
                ))}
                {busy !== undefined && worked.length > 1 && <Waits busy={busy} people={post.people} />}
              </div>
            </li>
          );
        })}
      </ol>
    </>
  );
}

/** The four tasks in their order; between two of them whether the same hands go on, a tap to change it. */
function Joints({ posts, onStand }: Pick<CrewLineProps, 'posts' | 'onStand'>) {
  const tasks = posts.flatMap((p) => p.tasks);
  const begins = new Set(posts.map((p) => p.tasks[0]));
  return (
    <div
      role="group"
      aria-label="Where other hands take over"
      className="flex items-center tight:grid tight:grid-cols-[auto_minmax(0,1fr)_auto_minmax(0,1fr)]"
    >
      {tasks.map((task, i) => {
        const parted = begins.has(task);
        return (
          <Fragment key={task}>
            {i > 0 && (
              <button
                type="button"
                aria-pressed={parted}
                aria-label={`Other hands ${DOING[task]}`}
                className="flex min-h-11 min-w-8 grow items-center justify-center"
                onClick={() => onStand(parted ? joinBefore(posts, task) : partBefore(posts, task))}
              >
                {parted ? (
                  <svg width="26" height="30" aria-hidden="true">
                    <path d="M0 15H7M19 15H26M9.5 4V26M16.5 4V26" stroke="var(--ink)" strokeWidth="2" />
                  </svg>
                ) : (
                  <span aria-hidden="true" className="h-[6px] w-full bg-ink" />
                )}
              </button>
            )}
            <span className="border-2 border-ink px-2 py-1.5 font-semibold">{task}</span>
          </Fragment>
        );
      })}
    </div>
  );
}

function TaskBar({
  task,
  crew,
  longest_s,
}: {
  readonly task: Task;
  readonly crew: CrewPace | undefined;
  readonly longest_s: number;
}) {
  const time = crew?.tasks.find((t) => t.task === task);
  const x = (s: number): number => (100 * s) / longest_s;
  return (
    <div className="grid grid-cols-[5.2rem_3rem_minmax(0,1fr)] items-center gap-x-2 tight:grid-cols-[minmax(0,1fr)_auto]">
      <span className="font-semibold">{DOING[task]}</span>
      <span className="text-right">{time ? durationText(time.usual_s) : ''}</span>
      {time ? (
        <svg
          viewBox="0 0 100 16"
          preserveAspectRatio="none"
          className="h-4 w-full tight:col-span-2"
          role="img"
          aria-label={`${DOING[task]} ${durationText(time.usual_s)} a bucket, between ${durationText(time.low_s)} and ${durationText(time.high_s)}`}
        >
          <rect x="0" y="3" width={x(time.usual_s)} height="10" fill="var(--ink)" />
          <rect x={x(time.low_s)} y="6.5" width={x(time.high_s) - x(time.low_s)} height="3" fill="var(--clay)" />
        </svg>
      ) : (
        <span className="text-[13px] text-ink-2">not timed</span>
      )}
    </div>
  );
}

/** An hour of one pair of hands: what of it is work, and what is waiting for the others. */
function Waits({ busy, people }: { readonly busy: number; readonly people: number }) {
  const waits_min = Math.round(60 * (1 - busy));
  return (
    <div className="mt-0.5 grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-2 tight:grid-cols-1">
      <svg viewBox="0 0 60 8" preserveAspectRatio="none" className="h-2 w-full" aria-hidden="true">
        <rect x="0.2" y="0.6" width="59.6" height="6.8" fill="none" stroke="var(--ink)" strokeWidth="0.5" />
        <rect x="0" y="0" width={60 * busy} height="8" fill="var(--ink-2)" />
      </svg>
      <span className="text-[13px]">
        {waits_min < 3
          ? 'never waits'
          : `${people > 1 ? 'each waits' : 'waits'} ${plural(waits_min, 'minute')} an hour`}
      </span>
    </div>
  );
}

function Stepper({
  value,
  mayGrow,
  label,
  onChange,
}: {
  readonly value: number;
  readonly mayGrow: boolean;
  readonly label: string;
  readonly onChange: (value: number) => void;
}) {
  const button = 'min-h-11 w-10 border-2 border-ink text-[20px] font-bold disabled:border-rule disabled:text-ink-2';
  return (
    <div role="group" aria-label={label} className="flex items-center">
      <button
        type="button"
        className={button}
        aria-label={`One fewer, ${label}`}
        disabled={value <= 1}
        onClick={() => onChange(value - 1)}
      >
        −
      </button>
      <output className="w-7 text-center text-[22px] leading-tight font-bold">{value}</output>
      <button
        type="button"
        className={button}
        aria-label={`One more, ${label}`}
        disabled={!mayGrow}
        onClick={() => onChange(value + 1)}
      >
        +
      </button>
    </div>
  );
}
