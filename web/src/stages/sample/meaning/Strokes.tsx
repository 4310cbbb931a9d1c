/** A chance as a hundred strokes, the ones that speak for it inked, with the mark from which one may call it. */
export function Strokes({ chance, callAt = 0.9 }: { chance: number; callAt?: number }) {
  const inked = Math.round(chance * 100);
  return (
    <svg
      viewBox="0 0 400 34"
      className="block h-[34px] w-full"
      preserveAspectRatio="none"
      role="img"
      aria-label={`${inked} chances in 100`}
    >
      {Array.from({ length: 100 }, (_, i) => (
        <path
          key={i}
          d={`M${i * 4 + 2} 6v22`}
          stroke={i < inked ? 'var(--ink)' : 'var(--rule)'}
          strokeWidth={i < inked ? 2.2 : 1.2}
        />
      ))}
      <path d={`M${callAt * 400} 0v34`} stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}
