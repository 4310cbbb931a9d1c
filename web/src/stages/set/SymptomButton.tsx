import type { ReactNode } from 'react';

interface SymptomButtonProps {
  readonly name: string;
  /** Where to look for it. */
  readonly look: string;
  /** Seen, looked and not there; undefined: nobody looked. */
  readonly state: boolean | undefined;
  readonly onTap: (next: boolean | undefined) => void;
  readonly children?: ReactNode;
}

/** What may be seen, a tap each: seen, then looked and not there, then not looked. */
export function SymptomButton({ name, look, state, onTap, children }: SymptomButtonProps) {
  return (
    <button
      type="button"
      className={`flex min-h-12 w-full flex-col border-t-[5px] p-2 text-left ${state === undefined ? 'border-rule' : state ? 'border-ink bg-picked' : 'border-dashed border-ink-2'}`}
      aria-pressed={state === true}
      aria-label={`${name}${state === undefined ? '' : state ? ', seen' : ', looked and not there'}`}
      onClick={() => onTap(state === undefined ? true : state ? false : undefined)}
    >
      {children}
      <b className={state === false ? 'line-through' : ''}>{name}</b>
      <span className="text-[13px] text-ink-2">{state === false ? 'looked, not there' : look}</span>
    </button>
  );
}

/** What was looked for, after a tap on one of it. */
export const seenAfter = <Id extends string>(
  seen: Readonly<Partial<Record<Id, boolean>>>,
  id: Id,
  next: boolean | undefined,
): Partial<Record<Id, boolean>> => {
  const { [id]: _, ...others } = seen;
  return (next === undefined ? others : { ...others, [id]: next }) as Partial<Record<Id, boolean>>;
};
