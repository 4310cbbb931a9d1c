import type { Material } from '@riffle/core';

/** Hatch of each material: the patterns of the page, after the lithologic patterns of FGDC-STD-013-2006. */
export const HATCH: Readonly<Record<Material, string>> = {
  sod: 'url(#sod)',
  silt: 'url(#silt)',
  sand: 'url(#sand)',
  gravel: 'url(#gravel)',
  'iron gravel': 'url(#iron-gravel)',
  cobbles: 'url(#cobbles)',
  clay: 'url(#clay)',
  hardpan: 'url(#hardpan)',
  'black sand': 'url(#stipple)',
};
