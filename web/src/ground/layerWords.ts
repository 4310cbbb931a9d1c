import type { Layer } from '@riffle/contract';

/** A layer as people say it: "rust iron gravel". */
export const layerWords = ({ color, material }: Pick<Layer, 'color' | 'material'>): string =>
  `${color} ${material}`.trim();
