import { useState, type ReactNode } from 'react';
import { TextButton } from './TextButton.tsx';

/** As many as one looks through; where there are more, each tap shows four times as many. */
const FEW = 12;

/** The first of a list that can grow with the years: what stands below it stays in reach. */
export function FirstFew<T>({
  of,
  more,
  children,
}: {
  readonly of: readonly T[];
  /** What is left over, as the tap that shows it: "19,988 earlier runs". */
  readonly more: (count: number) => string;
  readonly children: (items: readonly T[]) => ReactNode;
}) {
  const [most, setMost] = useState(FEW);
  if (of.length === 0) return null;
  return (
    <>
      {children(of.slice(0, most))}
      {of.length > most && <TextButton onClick={() => setMost(most * 4)}>{more(of.length - most)}</TextButton>}
    </>
  );
}
