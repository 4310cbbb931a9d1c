import type { WasherSymptom } from '@riffle/core';

const [WIDE, HIGH] = [132, 58] as const;
/** The cloth falls to the right, where the tailings leave. */
const cloth = (x: number): number => 34 + x * 0.1;
const RIFFLES = [34, 70, 106] as const;
const RISE = 13;

/** A tray of cloth in a few strokes, its air from below, with what is seen in it. */
export function WasherSymptomDrawing({ id }: { id: WasherSymptom }) {
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="block h-16 w-full max-w-[160px]" aria-hidden="true">
      {id === 'fines in tail' ? <TailPan /> : <Tray id={id} />}
    </svg>
  );
}

function Tray({ id }: { id: Exclude<WasherSymptom, 'fines in tail'> }) {
  const bed = id === 'packs' ? RISE + 3 : id === 'lies still' ? 8 : 6;
  return (
    <>
      {id !== 'no black sand' && (
        <path
          d={
            id === 'boils'
              ? `M4 ${cloth(4) - 5}q8 -14 15 0t15 1t15 1t15 2t15 1t15 2t15 1t14 2V${cloth(128)}L4 ${cloth(4)}Z`
              : `M4 ${cloth(4) - bed}L128 ${cloth(128) - bed}V${cloth(128)}L4 ${cloth(4)}Z`
          }
          fill="url(#stipple)"
          stroke="var(--ink)"
          strokeWidth={id === 'packs' ? 2 : 1}
        />
      )}
      {id === 'boils' &&
        [14, 26, 44, 58, 80, 94, 118].map((x, i) => (
          <circle key={x} cx={x} cy={cloth(x) - 16 - ((i * 5) % 12)} r={i % 2 ? 1.4 : 2} fill="var(--ink)" />
        ))}
      {id === 'no black sand' &&
        RIFFLES.map((x) => (
          <path
            key={x}
            d={`M${x - 19} ${cloth(x - 19)}L${x - 2} ${cloth(x) - 9}V${cloth(x)}Z`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.4"
            strokeDasharray="3 3"
          />
        ))}
      {id === 'lies still' &&
        [18, 52, 88].map((x) => (
          <path key={x} d={`M${x} ${cloth(x) - 16}h12m-3 -3v6m3 -6v6`} stroke="var(--ink)" strokeWidth="1.4" />
        ))}
      {RIFFLES.map((x) => (
        <path key={x} d={`M${x} ${cloth(x)}v-${RISE}`} stroke="var(--ink)" strokeWidth="3" />
      ))}
      <path d={`M2 ${cloth(2)}L130 ${cloth(130)}`} stroke="var(--ink)" strokeWidth="2.4" strokeDasharray="5 1.5" />
      {[20, 54, 90, 122].map((x) => (
        <path
          key={x}
          d={`M${x} ${cloth(x) + 12}v-8m-3 3l3 -4l3 4`}
          fill="none"
          stroke="var(--water)"
          strokeWidth={id === 'boils' ? 2.4 : id === 'lies still' ? 0.8 : 1.4}
        />
      ))}
    </>
  );
}

/** A pan held under the tail, with what lies in its corner. */
const TailPan = () => (
  <>
    <path d="M6 8L58 16" stroke="var(--ink)" strokeWidth="2.4" strokeDasharray="5 1.500" />
    <path d="M62 20l5 9m-9 -7l3 9m12 -8l2 7" stroke="var(--ink)" strokeWidth="1.300" fill="none" />
    <path d="M38 36L50 54H98L116 36Z" fill="url(#stipple)" stroke="var(--ink)" strokeWidth="2" />
    <path d="M30 34H124" stroke="var(--ink)" strokeWidth="3" />
    {[56, 63, 70, 76].map((x, i) => (
      <circle key={x} cx={x} cy={49 - (i % 2) * 4} r="2.2" fill="var(--gold-fill)" stroke="var(--gold)" />
    ))}
  </>
);
