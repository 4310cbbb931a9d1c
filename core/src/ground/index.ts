// The line of a ground and places on it: what the rest of the house may take from this room.
export { centreLine, MIDSTREAM_M, type Bank, type CentreLine, type OnLine } from './centreLine.ts';
export { flowDirection, type FlowDirection } from './flowDirection.ts';
export { hidePlace, type PlaceGiven } from './hidePlace.ts';
export { inside } from './inside.ts';
export { localPlane, type Position } from './localPlane.ts';
export { ON_GROUND_M, standOnLine, WIDEST_FIX_M, type PositionFix, type Stand } from './standOnLine.ts';
export { reshapeLine } from './reshapeLine.ts';
export { thinLine } from './thinLine.ts';
export { bedHeights_m, type BedOfGround } from './bedHeights.ts';
