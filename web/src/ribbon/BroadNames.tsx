import type { StoredSpot } from '@riffle/contract';
import type { SpotGrade } from '@riffle/core';
import { useShow } from '../units/useShow.ts';
import { namedBeside } from './namedBeside.ts';

interface BroadNamesProps {
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  /** How much a name matters; Infinity of the picked place. */
  readonly weight: (spot: StoredSpot) => number;
  readonly picked: string | null;
  readonly x: (distance_m: number) => number;
  readonly y: (spot: StoredSpot) => number;
  readonly right: number;
}

/** On broad ground a name stands with its grade beside its disc. */
export default function BroadNames({ spots, grades, weight, picked, x, y, right }: BroadNamesProps) {
  const show = useShow();
  const words = (s: StoredSpot): string => {
    const grade = grades.get(s.id)?.grade;
    return grade?.kind === 'band' ? `${s.name} ${show.figure('grade', grade.grade_mg_L).digits}` : s.name;
  };
  const named = namedBeside(spots, words, weight, x, y, right);
  return spots.map((s) => {
    const name = named.get(s.id);
    return (
      name && (
        <text
          key={s.id}
          aria-hidden="true"
          className="halo"
          x={x(s.distance_m) + (name.side === 'right' ? 13 : -13)}
          y={y(s) + 4}
          fontSize="13"
          fontWeight={s.id === picked ? 700 : 600}
          textAnchor={name.side === 'right' ? 'start' : 'end'}
        >
          {name.text}
        </text>
      )
    );
  });
}
