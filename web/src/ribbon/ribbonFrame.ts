import type { StoredGround } from '@riffle/contract';
import { isBroad } from './creekShape.ts';
import type { Strip } from './outlineStrips.ts';

/** Room kept beside the band where strips stand, px. */
const STRIP_ROOM = 28;

/** Where the lanes of a ribbon lie, px from its top left corner. */
export interface RibbonFrame {
  /** Room for words beside and between the lanes. */
  readonly wide: boolean;
  /** The creek and its discs only, no lanes below. */
  readonly thin: boolean;
  /** Its width is read too: no lane of grades, each place stands where it lies. */
  readonly broad: boolean;
  readonly left: number;
  readonly right: number;
  /** Room for benches beyond the banks. */
  readonly roomAbove: number;
  readonly roomBelow: number;
  readonly bandTop: number;
  readonly bandHeight: number;
  readonly belowBand: number;
  readonly axisY: number;
  readonly laneTop: number;
  readonly laneHeight: number;
  readonly bedTop: number;
  readonly hasBed: boolean;
  readonly height: number;
}

/** Lays out a ribbon so wide: names, the band, the axis, the lane of grades, and the bed where its heights are known. */
export function ribbonFrame(
  width: number,
  thin: boolean,
  kind: StoredGround['kind'],
  heightsKnown: boolean,
  strips: readonly Strip[],
): RibbonFrame {
  const wide = width > 640;
  const benches = thin ? [] : strips.filter((s) => s.kind === 'bench');
  const roomAbove = benches.some((s) => s.bank !== 'right') ? STRIP_ROOM : 0;
  const roomBelow = benches.some((s) => s.bank === 'right') ? STRIP_ROOM : 0;
  const bandTop = (isBroad(kind) ? 14 : thin ? 24 : wide ? 40 : 34) + roomAbove;
  const broad = isBroad(kind);
  const bandHeight = broad ? (thin ? 110 : wide ? 210 : 190) : thin ? 54 : wide ? 96 : 84;
  const belowBand = bandTop + bandHeight;
  const axisY = belowBand + roomBelow + (thin ? 14 : broad ? 12 : 38);
  const laneTop = axisY + 44;
  const laneHeight = broad ? 0 : wide ? 62 : 56;
  const bedTop = laneTop + laneHeight + (broad ? 0 : 16);
  const hasBed = !thin && kind !== 'beach' && heightsKnown;
  return {
    wide,
    thin,
    broad,
    left: wide ? 40 : 8,
    right: width - (wide ? 52 : 44),
    roomAbove,
    roomBelow,
    bandTop,
    bandHeight,
    belowBand,
    axisY,
    laneTop,
    laneHeight,
    bedTop,
    hasBed,
    height: thin ? axisY + 22 : hasBed ? bedTop + 34 : bedTop,
  };
}

/** The height names of spots and draws stand at, above or below the band. */
export const nameY = (f: RibbonFrame, below: boolean): number =>
  below ? f.belowBand + f.roomBelow + (f.thin ? 10 : 26) : f.bandTop - f.roomAbove - 12;
