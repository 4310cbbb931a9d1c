import { OutOfRange, slopeByLine, type Entered } from '@riffle/core';
import { useState } from 'react';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useTilt } from './useTilt.ts';

interface LevelSheetProps {
  readonly length_m: number;
  readonly width_m: number;
  readonly onClose: () => void;
  /** The slope, and how much deeper one side lies where that was measured. */
  readonly onLie: (slope: number, crossFall_m: number | null) => void;
}

/** Pitch and level, by the phone laid in the box or by a level line over it. */
export function LevelSheet(props: LevelSheetProps) {
  const [way, setWay] = useState<'phone' | 'line'>('phone');
  return (
    <Sheet title="Pitch and level" onClose={props.onClose}>
      <Choices
        label="How"
        value={way}
        onChange={setWay}
        choices={[
          { value: 'phone', label: 'The phone' },
          { value: 'line', label: 'String or hose' },
        ]}
      />
      {way === 'phone' ? <ByPhone {...props} /> : <ByLine {...props} />}
    </Sheet>
  );
}

function ByPhone({ length_m, width_m, onLie }: LevelSheetProps) {
  const show = useShow();
  const { now, steady, first, lie, problem, take, again } = useTilt();
  // A phone tells no more than a millimeter across a box.
  const crossFall_m = lie ? Math.round(1000 * Math.abs(lie.across) * width_m) / 1000 : 0;
  const falls = lie !== null && lie.slope > 0.002;
  return (
    <div className="mt-3 flex flex-col gap-3">
      <Laid turned={first !== null} tilt_deg={now?.along_deg ?? 0} />
      {lie ? (
        <>
          <p className="font-serif text-[20px] font-semibold text-water" role="status">
            {falls
              ? `${show.pitch(lie.slope)}, ${show.smallLength(lie.slope * length_m)} over the box`
              : 'It does not fall from head to tail.'}
          </p>
          <p>
            {crossFall_m < 0.001
              ? 'It lies level.'
              : `Its ${lie.across > 0 ? 'right' : 'left'} side, seen down the box, lies ${show.smallLength(crossFall_m)} lower.`}{' '}
            <span className="text-ink-2">
              The sensor is off by {Math.abs(lie.offBy.along_deg).toFixed(1)}°; turning it took that out.
            </span>
          </p>
          <Button look="main" className="min-h-14" disabled={!falls} onClick={() => onLie(lie.slope, crossFall_m)}>
            Use this
          </Button>
          <Button onClick={again}>Measure again</Button>
        </>
      ) : (
        <>
          <p className="text-[17px]" role="status">
            {problem ??
              (first
                ? 'Now turn it end for end, on the same spot: its top to the tail.'
                : 'Lay the phone flat on the floor of the box, its top to the head.')}
          </p>
          <Button look="main" className="min-h-16 text-[20px]" disabled={!steady} onClick={take}>
            {now === null
              ? 'No word of the sensor yet'
              : steady
                ? first
                  ? 'Take the second'
                  : 'Take the first'
                : 'Hold still ...'}
          </Button>
        </>
      )}
    </div>
  );
}

/** The box with the phone in it, from the side. */
function Laid({ turned, tilt_deg }: { turned: boolean; tilt_deg: number }) {
  const lean = Math.max(-12, Math.min(12, tilt_deg));
  return (
    <svg viewBox="0 0 340 90" className="block w-full" aria-hidden="true">
      <path d="M10 46L330 62V72L10 56Z" fill="var(--ink)" />
      <path d="M0 84H340" stroke="var(--rule)" strokeWidth="2" />
      <g transform="translate(165 50) rotate(2.9)">
        <rect x="-48" y="-11" width="96" height="9" rx="4" fill="var(--picked)" stroke="var(--ink)" strokeWidth="2" />
        <circle cx={turned ? 40 : -40} cy="-6.5" r="3" fill="var(--ink)" />
        <circle cx={Math.max(-30, Math.min(30, -3 * lean))} cy="-22" r="6" fill="var(--water)" />
        <path d="M-36 -29V-15M36 -29V-15" stroke="var(--ink)" strokeWidth="1.5" />
      </g>
      <text x="10" y="36" fontSize="13">
        head
      </text>
      <text x="330" y="50" fontSize="13" textAnchor="end">
        tail
      </text>
    </svg>
  );
}

function ByLine({ length_m, onLie }: LevelSheetProps) {
  const show = useShow();
  const unit = show.display.system === 'US' ? 'in' : 'mm';
  const [head, setHead] = useState<Entered>({ text: '', unit });
  const [tail, setTail] = useState<Entered>({ text: '', unit });
  const readings = { head: readEntered('length', head), tail: readEntered('length', tail) };
  const slope = slopeOf(
    readings.head.ok ? readings.head.value : null,
    readings.tail.ok ? readings.tail.value : null,
    length_m,
  );
  return (
    <div className="mt-3 flex flex-col gap-2">
      <p className="text-ink-2">
        Stretch a string over the box with a bubble level on it, or hold a clear hose full of water along it: the water
        stands as high at both ends. Measure from there down to the box.
      </p>
      <QuantityField
        label="Down to the box at its head"
        entered={head}
        reading={readings.head}
        units={['mm', 'cm', 'in']}
        onChange={setHead}
      />
      <QuantityField
        label="Down to the box at its tail"
        entered={tail}
        reading={readings.tail}
        units={['mm', 'cm', 'in']}
        onChange={setTail}
      />
      <p className="font-serif text-[20px] font-semibold text-water" role="status">
        {slope === null
          ? 'Measure both ends.'
          : slope === 'wrong way'
            ? 'The tail must lie farther below the line than the head.'
            : `${show.pitch(slope)}, ${show.smallLength(slope * length_m)} over the box`}
      </p>
      <Button
        look="main"
        className="min-h-14"
        disabled={typeof slope !== 'number'}
        onClick={() => typeof slope === 'number' && onLie(slope, null)}
      >
        Use this
      </Button>
    </div>
  );
}

function slopeOf(head_m: number | null, tail_m: number | null, length_m: number): number | 'wrong way' | null {
  if (head_m === null || tail_m === null) return null;
  try {
    return slopeByLine(head_m, tail_m, length_m);
  } catch (error) {
    if (error instanceof OutOfRange) return 'wrong way';
    throw error;
  }
}
