import type { EyeRecord, EyeTally } from '@riffle/core';
import { Block } from '../ui/Judgement.tsx';

/** Fewer pans than this say nothing of an eye. Common practice, no source. */
const FEW = 10;

/** Whose word before the pan came true oftener, the panner's or Riffle's, by kind of sign. */
export function YourEye({ eye }: { eye: EyeRecord }) {
  return (
    <Block title="Your eye or Riffle’s" aside="blank, some or rich, said before the pan">
      {eye.all.pans === 0 ? (
        <p className="text-ink-2">
          Nothing yet. One tap before a pan is counted (blank, some, rich) is held against what came, and against what
          Riffle would have said. It never asks twice.
        </p>
      ) : (
        <>
          <p className="mb-2 text-[17px] font-bold">{sentence(eye.all)}</p>
          <ul>
            <EyeLine name="all of them" tally={eye.all} />
            {eye.byKind.map((k) => (
              <EyeLine key={k.kind} name={k.kind} tally={k} />
            ))}
          </ul>
          <p className="mt-1 text-[13px] text-ink-2">▽ you, ▲ Riffle, right in ten.</p>
        </>
      )}
    </Block>
  );
}

/** The difference is called only where it is larger than luck makes it: twice its own deviation. */
function better({ pans, eye, riffle }: EyeTally): 'too few' | 'cannot tell' | 'your eye' | 'Riffle' {
  if (pans < FEW) return 'too few';
  const apart = eye - riffle;
  if (Math.abs(apart) <= 2 * Math.sqrt(pans / 4)) return 'cannot tell';
  return apart > 0 ? 'your eye' : 'Riffle';
}
function sentence(all: EyeTally): string {
  switch (better(all)) {
    case 'too few':
      return `After ${all.pans} of ${FEW} pans it is too early to say whose eye is better.`;
    case 'cannot tell':
      return 'So far your eye and Riffle’s are as good as each other.';
    case 'your eye':
      return 'Your eye beats Riffle’s: trust it where the two differ.';
    case 'Riffle':
      return 'Riffle is oftener right: look twice where the two differ.';
  }
}

function EyeLine({ name, tally }: { name: string; tally: EyeTally }) {
  const { pans, eye, riffle } = tally;
  const x = (right: number): number => 8 + (144 * right) / pans;
  const says = better(tally);
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_160px_minmax(0,6.5rem)] items-center gap-x-3 border-b border-rule py-1">
      <span className="truncate">{name}</span>
      <svg
        width="160"
        height="28"
        role="img"
        aria-label={`of ${pans} pans you were right in ${eye}, Riffle in ${riffle}`}
      >
        <path d="M8 14H152M8 10v8M80 10v8M152 10v8" stroke="var(--rule)" />
        <path d={`M${x(eye)} 14H${x(riffle)}`} stroke="var(--ink)" strokeWidth="3.5" />
        <path d={`M${x(eye) - 6} 2h12l-6 11Z`} fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.6" />
        <path d={`M${x(riffle) - 6} 26h12l-6 -11Z`} fill="var(--ink)" />
      </svg>
      <span className="flex items-baseline justify-between gap-2">
        <span className={says === 'your eye' || says === 'Riffle' ? 'font-bold' : 'text-ink-2'}>{says}</span>
        <span className="text-[13px] text-ink-2">{pans}</span>
      </span>
    </li>
  );
}
