import { createContext, useContext, type ReactNode } from 'react';

/** Something else stands as the first word of the page: what is judged within it comes second. */
export const SecondWord = createContext(false);

/** What this screen says, in one sentence; the largest words on it. Below it, what it rests on. */
export function Judgement({
  children,
  rests,
  pinned = false,
  waits = false,
}: {
  children: ReactNode;
  rests?: ReactNode;
  /** What it says is still being worked out, or will be again: the room of a usual answer is kept (or of one from a bare ground), so that nothing moves under a finger when it comes. */
  waits?: boolean | 'in brief';
  /** On a phone the sentence stays in sight while one works below it. */
  pinned?: boolean;
}) {
  const isSecond = useContext(SecondWord);
  const Words = isSecond ? 'p' : 'h1';
  const look = isSecond
    ? 'max-w-[62rem] font-serif text-[18px] leading-tight font-semibold text-balance'
    : `max-w-[62rem] leading-tight text-balance sm:text-[27px] ${pinned ? 'text-[20px]' : 'text-[23px]'}`;
  if (pinned)
    return (
      <>
        <div
          aria-live="polite"
          className="sticky top-0 z-10 -mx-4 border-b-2 border-ink bg-paper px-4 py-1.5 sm:static sm:mx-0 sm:border-0 sm:p-0"
        >
          <Words className={look}>{children}</Words>
        </div>
        {rests && <p className="-mt-2 text-ink-2">{rests}</p>}
      </>
    );
  return (
    <div aria-live="polite" className={waits ? (waits === 'in brief' ? 'awaited in-brief' : 'awaited') : undefined}>
      <Words className={look}>{children}</Words>
      {rests && <p className="mt-1 text-ink-2">{rests}</p>}
    </div>
  );
}

/** A gold quantity, always with its unit. */
export const Gold = ({ children }: { children: ReactNode }) => (
  <span className="whitespace-nowrap text-gold tight:whitespace-normal">{children}</span>
);

/** A ruled block of the page: a heading and what stands under it. */
export function Block({
  title,
  aside,
  children,
  className = '',
}: {
  title: string;
  aside?: ReactNode;
  children: ReactNode;
  className?: string;
}) {
  return (
    <section className={`min-w-0 ${className}`}>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-3 border-b border-rule pb-1">
        <h2>{title}</h2>
        {aside && <span className="text-[13px] text-ink-2">{aside}</span>}
      </div>
      {children}
    </section>
  );
}
