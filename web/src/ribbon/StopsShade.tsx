import type { RibbonFrame } from './ribbonFrame.ts';
import type { RibbonScale } from './ribbonScale.ts';

interface StopsShadeProps {
  readonly stops: { readonly from_m: number; readonly to_m: number };
  readonly frame: RibbonFrame;
  readonly scale: RibbonScale;
}

/** Room the words take in the shade. */
const WORDS_PX = 90;

/** The stretch where colors stop, shaded through the lane of grades. */
export default function StopsShade({ stops, frame, scale }: StopsShadeProps) {
  if (stops.to_m <= scale.from_m || stops.from_m >= scale.to_m) return null;
  const left = scale.x(Math.min(scale.to_m, stops.to_m));
  const right = scale.x(Math.max(scale.from_m, stops.from_m));
  return (
    <g aria-hidden="true">
      <rect
        x={left}
        y={frame.laneTop - 4}
        width={right - left}
        height={frame.laneHeight + 4}
        fill="url(#against)"
        fillOpacity="0.3"
      />
      {right - left > WORDS_PX && (
        <text className="halo" x={(left + right) / 2} y={frame.laneTop + 8} fontSize="12" textAnchor="middle">
          colors stop here
        </text>
      )}
    </g>
  );
}
