// Water, grains and how they settle: what the rest of the house may take from this room.
export { DENSITY_KG_M3, GRAVITY_M_S2 } from './constants.ts';
export { freshWater, OPEN_SEA_G_KG, seaWater, type Water } from './water.ts';
export { equivalentDiameter_m, FERGUSON_CHURCH, fergusonChurch_m_s } from './fergusonChurch.ts';
export { dietrich_m_s, DIETRICH_LEAST_CSF } from './dietrich.ts';
export { haiderLevenspiel_m_s, haiderLevenspielDrag } from './haiderLevenspiel.ts';
export { flakeDisc, flakeSettling_m_s, grainSettling_m_s, type Range } from './flake.ts';
export { USUAL_CSF } from './constants.ts';
export { hinderedSettling_m_s, richardsonZakiExponent } from './richardsonZaki.ts';
