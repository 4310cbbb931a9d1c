import type { StoredGround } from '@riffle/contract';
import { claimWords } from '../ground/claims.ts';
import { useClaims } from '../ground/useClaims.ts';
import { useToday } from '../when/useLocalTime.ts';
import type { RibbonFrame } from './ribbonFrame.ts';
import type { RibbonScale } from './ribbonScale.ts';

interface ClaimMarksProps {
  readonly ground: StoredGround;
  readonly frame: RibbonFrame;
  readonly scale: RibbonScale;
  /** The lower edge of the upper bank's half and the upper edge of the lower one's, px, at a distance. */
  readonly middle: (distance_m: number) => number;
}

/** About the width of a letter at 12 px. */
const LETTER_PX = 6.6;

/** Claims along the line: posts at both ends and a rope between; ground that is shut today is struck through. */
export default function ClaimMarks({ ground, frame, scale, middle }: ClaimMarksProps) {
  const claims = useClaims(ground, useToday());
  const { bandTop, belowBand, left, right } = frame;
  const inSight = claims.filter((c) => c.to_m > scale.from_m && c.from_m < scale.to_m);
  return inSight.map((c, i) => {
    // Where two lie over each other their names stand under each other.
    const under = inSight.slice(0, i).filter((o) => o.from_m < c.to_m && o.to_m > c.from_m).length;
    const [x1, x2] = [Math.max(left, scale.x(c.to_m)), Math.min(right, scale.x(c.from_m))];
    const half = middle((c.from_m + c.to_m) / 2);
    const [y1, y2] = [c.bank === 'right' ? half : bandTop, c.bank === 'left' ? half : belowBand];
    const stroke = c.shut ? 'var(--danger)' : 'var(--ink)';
    const rope = c.bank === 'right' ? y2 - 3 : y1 + 3;
    const words = claimWords(c);
    const fits = Math.floor((x2 - x1 - 10) / LETTER_PX);
    return (
      <g key={c.id} aria-hidden="true">
        {c.shut && <rect x={x1} y={y1} width={x2 - x1} height={y2 - y1} fill="url(#against)" fillOpacity="0.55" />}
        <path d={`M${x1} ${y1}V${y2}M${x2} ${y1}V${y2}`} stroke={stroke} strokeWidth="2.4" />
        <path d={`M${x1} ${rope}H${x2}`} stroke={stroke} strokeWidth="1.6" strokeDasharray="9 3 2 3" />
        {fits > (c.shut ? 4 : words.length) && (
          <text
            className="halo"
            x={(x1 + x2) / 2}
            y={c.bank === 'right' ? rope - 5 - 15 * under : rope + 14 + 15 * under}
            fontSize="12"
            fontWeight={c.shut ? 700 : 400}
            textAnchor="middle"
            style={{ fill: c.shut ? stroke : 'var(--ink-2)' }}
          >
            {c.shut && '▲ '}
            {words.length <= fits ? words : `${words.slice(0, fits - 1)}…`}
          </text>
        )}
      </g>
    );
  });
}
