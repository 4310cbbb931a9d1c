import { significant, UNITS } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';

interface DropSumProps {
  readonly slope: number;
  readonly length_m: number;
  /** The pitch was typed in inches per foot: the sum is then shown in those, since that is the one people get wrong. */
  readonly inFeet: boolean;
}

/** The multiplication spelled out: pitch times the length of the box is its drop from head to tail. */
export function DropSum({ slope, length_m, inFeet }: DropSumProps) {
  const show = useShow();
  const drop = show.smallLength(slope * length_m);
  if (!inFeet)
    return (
      <>
        {show.pitch(slope)} × {show.length(length_m)} = <b>{drop}</b> drop
      </>
    );
  const [feet, inches] = [significant(length_m / UNITS.length.ft), significant((slope * length_m) / UNITS.length.in)];
  return (
    <>
      “{significant(slope * 12)} in/ft × {feet} ft” = <b>{inches} in</b>
      {show.display.system === 'metric' && <>, {drop}</>} drop
    </>
  );
}
