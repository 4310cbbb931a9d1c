import type { StoredGround } from '@riffle/contract';
import { GROUND_WORDS } from '../ground/groundWords.ts';
import type { RibbonFrame } from './ribbonFrame.ts';

/** What lies above and below the band, in its left margin, and which way the water runs. */
export default function BankWords({ kind, frame }: { kind: StoredGround['kind']; frame: RibbonFrame }) {
  if (!frame.wide) return null;
  const [above, below] = GROUND_WORDS[kind].edges;
  return (
    <g aria-hidden="true" fontSize="12">
      {!frame.thin && (
        <>
          <text x="0" y={frame.bandTop + 12}>
            {above[0]}
          </text>
          <text x="0" y={frame.bandTop + 26}>
            {above[1]}
          </text>
          <text x="0" y={frame.belowBand - 12}>
            {below[0]}
          </text>
          <text x="0" y={frame.belowBand + 2}>
            {below[1]}
          </text>
        </>
      )}
      {kind === 'creek' && (
        <path
          d={`M2 ${frame.bandTop + frame.bandHeight / 2}h16m-6 -5l6 5l-6 5`}
          fill="none"
          stroke="var(--water)"
          strokeWidth="2"
        />
      )}
    </g>
  );
}
