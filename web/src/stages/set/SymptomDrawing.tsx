import type { SymptomId } from '@riffle/core';
import { stonePath } from '../../ui/stonePath.ts';

const [WIDE, HIGH] = [132, 58] as const;
const floorY = (x: number): number => 42 + x * 0.075;
const RIFFLES = [18, 42, 66, 90, 114] as const;

/** A box in a few strokes, with what is seen in it. */
export function SymptomDrawing({ id }: { id: SymptomId }) {
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="block h-16 w-full max-w-[160px]" aria-hidden="true">
      {id === 'one side' ? <FromTheTail /> : <FromTheSide id={id} />}
    </svg>
  );
}

function FromTheSide({ id }: { id: SymptomId }) {
  const thin = id === 'stones stall';
  const top = thin ? 35 : 27;
  const surface =
    id === 'no V'
      ? `M4 ${top + 8}Q30 ${top + 9} 44 ${top + 8}q6 -16 14 -12t12 2L128 ${top + 6}`
      : `M4 ${top}q16 -4 31 0t31 2t31 2t31 3`;
  return (
    <>
      <path d={`${surface}V${floorY(128)}L4 ${floorY(4)}Z`} fill="var(--water-body)" />
      <path d={surface} fill="none" stroke="var(--water)" strokeWidth="1.8" />
      {(id === 'packs' || id === 'mat black') && (
        <path
          d={`M6 ${floorY(6) - 11}L126 ${floorY(126) - 11}V${floorY(126)}L6 ${floorY(6)}Z`}
          fill={id === 'packs' ? 'url(#gravel)' : 'url(#stipple)'}
          stroke="var(--ink)"
          strokeWidth={id === 'packs' ? 1 : 2}
        />
      )}
      {RIFFLES.map((x) => (
        <path key={x} d={`M${x} ${floorY(x)}l-4 -11`} stroke="var(--ink)" strokeWidth="3" />
      ))}
      {id === 'stones stall' &&
        [28, 46, 62].map((x, i) => (
          <path
            key={x}
            d={stonePath(x, floorY(x) - 13 - (i % 2) * 3, 18, 13, i)}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
        ))}
      {id === 'clears' &&
        [24, 96].map((x, i) => (
          <g key={x}>
            <path
              d={stonePath(x, floorY(x) - 15, 14, 12, i)}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth="1.5"
            />
            <path
              d={`M${x + 10} ${floorY(x) - 17}h12l-4 -3m4 3l-4 3`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.4"
            />
          </g>
        ))}
      {id === 'scoured' &&
        [32, 37].map((y) => (
          <path
            key={y}
            d={`M14 ${y}L112 ${y + 7}l-5 -4m5 4l-6 2`}
            fill="none"
            stroke="var(--water)"
            strokeWidth="1.3"
          />
        ))}
      {id === 'fines low' &&
        [92, 98, 103, 109, 118, 123].map((x, i) => (
          <circle key={x} cx={x} cy={floorY(x) - 3 - (i % 2) * 3} r="2" fill="var(--gold-fill)" stroke="var(--gold)" />
        ))}
      {id === 'no V' && (
        <path d={`M42 ${top - 8}v-8m-4 4l4 -5l4 5`} fill="none" stroke="var(--ink)" strokeWidth="1.3" />
      )}
      <path d={`M2 ${floorY(2)}L130 ${floorY(130)}`} stroke="var(--ink)" strokeWidth="4" />
    </>
  );
}

/** The box from its tail, one side lower. */
function FromTheTail() {
  return (
    <>
      <path d="M34 27L98 27L97 46L33 40Z" fill="var(--water-body)" />
      <path d="M34 27H98" stroke="var(--water)" strokeWidth="1.8" />
      <path d="M60 42Q84 28 97 33V46Z" fill="url(#stipple)" stroke="var(--ink)" strokeWidth="1" />
      <path d="M35 12L33 40L97 46L99 18" fill="none" stroke="var(--ink)" strokeWidth="4" />
    </>
  );
}
