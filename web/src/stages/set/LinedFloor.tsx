import { liningOf, type LinedSection, type LiningId } from '@riffle/core';

interface LinedFloorProps {
  readonly sections: readonly Pick<LinedSection, 'lining' | 'own' | 'length_m' | 'width_m'>[];
  /** Where a place down the box is drawn. */
  readonly x: (m: number) => number;
  /** The upper edge of its widest section, and how high that is drawn. */
  readonly y: number;
  readonly high: number;
}

/** The linings along the floor, each with its own stroke and name; a narrower section is drawn narrower. */
export function LinedFloor({ sections, x, y, high }: LinedFloorProps) {
  const widest_m = Math.max(...sections.map((s) => s.width_m));
  return (
    <g aria-hidden="true">
      {sections.map((s, i) => {
        const from_m = sections.slice(0, i).reduce((sum, b) => sum + b.length_m, 0);
        const [a, b] = [x(from_m), x(from_m + s.length_m)];
        const tall = high * (s.width_m / widest_m);
        const top = y + (high - tall) / 2;
        const { name } = liningOf(s);
        const before = sections[i - 1];
        const isNamed = !before || liningOf(before).name !== name;
        return (
          <g key={i}>
            <rect x={a} y={top} width={b - a} height={tall} fill="none" stroke="var(--ink)" strokeWidth="1.2" />
            <path d={liningStrokes(s.lining, a, b, top, tall)} stroke="var(--ink)" strokeWidth="1.4" fill="none" />
            {isNamed && b - a > 5.6 * name.length && (
              <text
                x={(a + b) / 2}
                y={y + high + 15}
                fontSize="12.5"
                textAnchor="middle"
                style={{ fill: 'var(--ink-2)' }}
              >
                {name}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

const EVERY: Readonly<Record<LiningId, number>> = {
  riffles: 14,
  expanded: 10,
  cells: 12,
  ribbed: 6,
  carpet: 4,
  indicator: 5,
};

/** How each lining is drawn from above, between two places of the floor. */
function liningStrokes(lining: LiningId, a: number, b: number, y: number, high: number): string {
  const one = (at: number): string => {
    switch (lining) {
      case 'riffles':
        return `M${at + 5} ${y + high}l-4 ${-high}`;
      case 'expanded':
        return `M${at} ${y + 1}l5 ${high / 2 - 1}l-5 ${high / 2 - 1}`;
      case 'cells':
        return `M${at + 2} ${y + high / 2}a3.500 3.500 0 1 0 7 0a3.500 3.500 0 1 0 -7 0`;
      case 'ribbed':
      case 'indicator':
        return `M${at + 2} ${y + 1}v${high - 2}`;
      case 'carpet':
        return `M${at + 1} ${y + high * 0.3}v2M${at + 3} ${y + high * 0.62}v2`;
    }
  };
  return Array.from({ length: Math.max(0, Math.floor((b - a - 4) / EVERY[lining])) }, (_, i) =>
    one(a + 3 + i * EVERY[lining]),
  ).join('');
}
