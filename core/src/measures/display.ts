import { GRADE_UNITS, UNITS, type GradeUnit } from './units.ts';

/** How a person wants figures shown. Gold has its own unit whatever the rest is in. */
export interface Display {
  readonly system: 'metric' | 'US';
  readonly gold: 'mg' | 'g' | 'grain' | 'dwt' | 'ozt';
  readonly grade: GradeUnit;
}

export const METRIC: Display = { system: 'metric', gold: 'mg', grade: 'g/m³' };
export const US: Display = { system: 'US', gold: 'grain', grade: 'grain/yd³' };

/** A figure ready for the screen: its digits and its unit, never one without the other. */
export interface Figure {
  readonly digits: string;
  readonly unit: string;
}

/**
 * Digits with thousands parted and at most so many decimals (0 to 8), as `Intl.NumberFormat('en-US')` writes them; held to it by a
 * test. Written out because making those formats took a tenth of a second of a slow phone's first view.
 */
export function grouped(value: number, decimals = 0): string {
  const [whole = '', rest = ''] = value.toFixed(decimals).split('.');
  const parted = whole.replace(/\B(?=(\d{3})+$)/g, ',');
  const kept = rest.replace(/0+$/, '');
  return kept === '' ? parted : `${parted}.${kept}`;
}

/** Digits to a number of significant figures, plain notation, thousands parted; never fewer whole digits than the number has. */
export function significant(value: number, figures = 3): string {
  if (value === 0) return '0';
  // A figure that could not be worked out is no reason for a screen to break.
  if (!Number.isFinite(value)) return '?';
  const magnitude = Math.floor(Math.log10(Math.abs(value)));
  const decimals = Math.min(8, Math.max(0, figures - 1 - magnitude));
  return grouped(Number(value.toFixed(decimals)), decimals);
}

const figure = (value: number, unit: string, figures?: number): Figure => ({
  digits: significant(value, figures),
  unit,
});

/** Digits with at most so many decimals: what a hand can set or read off. */
const rounded = (value: number, unit: string, decimals: number): Figure => ({
  digits: grouped(Number(value.toFixed(decimals)), decimals),
  unit,
});

/** Small lengths: stones, water depth, grain sizes, drops of a box, places along it; whole millimetres from 20 mm on, and from 1 m (3 ft) on the larger unit. */
export function showSmallLength(m: number, d: Display): Figure {
  if (Math.abs(m) >= (d.system === 'metric' ? 1 : UNITS.length.yd)) return showLength(m, d);
  if (d.system === 'US') return figure(m / UNITS.length.in, 'in');
  return Math.abs(m) >= 0.02 ? rounded(m * 1000, 'mm', 0) : figure(m * 1000, 'mm');
}

/** Box lengths, pit depths. */
export const showLength = (m: number, d: Display): Figure =>
  d.system === 'metric' ? figure(m, 'm') : figure(m / UNITS.length.ft, 'ft');

/** Distance along the ground, to the whole unit. */
export const showDistance = (m: number, d: Display): Figure =>
  d.system === 'metric' ? figure(Math.round(m), 'm', 6) : figure(Math.round(m / UNITS.length.ft), 'ft', 7);

export function showVolume(L: number, d: Display): Figure {
  if (d.system === 'metric') return Math.abs(L) >= 1000 ? figure(L / 1000, 'm³') : figure(L, 'L');
  return Math.abs(L) >= UNITS.volume.yd3 / 4
    ? figure(L / UNITS.volume.yd3, 'yd³')
    : figure(L / UNITS.volume.gal, 'gal');
}

/** Ground seen from above. */
export const showArea = (m2: number, d: Display): Figure =>
  d.system === 'metric' ? figure(m2, 'm²') : figure(m2 / UNITS.length.ft ** 2, 'ft²');

export const showFlow = (m3_s: number, d: Display): Figure =>
  d.system === 'metric' ? figure(m3_s * 1000, 'L/s') : figure((m3_s * 1000) / UNITS.flow.gpm, 'gpm');

export const showSpeed = (m_s: number, d: Display): Figure =>
  d.system === 'metric' ? figure(m_s, 'm/s') : figure(m_s / UNITS.length.ft, 'ft/s');

/** Bed shear; 1 lbf/ft2 is 47.880259 Pa (NIST SP 811). */
export const showShear = (Pa: number, d: Display): Figure =>
  d.system === 'metric' ? figure(Pa, 'Pa') : figure(Pa / 47.880259, 'lb/ft²');

export const showThroughput = (m3_h: number, d: Display): Figure =>
  d.system === 'metric' ? figure(m3_h, 'm³/h') : figure((m3_h * 1000) / UNITS.volume.yd3, 'yd³/h');

export const showGold = (mg: number, d: Display): Figure => figure(mg / UNITS.mass[d.gold], d.gold);

/** Gold of a whole ground: no hand-sized unit says it to the last figure. */
export const showBulkGold = (mg: number, d: Display): Figure =>
  d.gold === 'mg'
    ? figure(Number((mg / 1000).toPrecision(3)), 'g')
    : figure(Number((mg / UNITS.mass[d.gold]).toPrecision(3)), d.gold);

/** Grade from milligrams per litre (the same number as g/m3). */
export const showGrade = (mg_L: number, d: Display): Figure => figure(mg_L * GRADE_UNITS[d.grade], d.grade, 2);

/** Pitch: inches per foot in US units, percent in metric; as fine as a level and a ruler tell. */
export const showPitch = (slope: number, d: Display): Figure =>
  d.system === 'metric' ? rounded(slope * 100, '%', 1) : rounded(slope * 12, 'in/ft', 2);

/** What people lift and carry, to the whole unit. */
export const showLoad = (kg: number, d: Display): Figure =>
  d.system === 'metric' ? rounded(kg, 'kg', 0) : rounded((kg * UNITS.mass.kg) / UNITS.mass.lb, 'lb', 0);

export const showTemperature = (C: number, d: Display): Figure =>
  d.system === 'metric' ? figure(C, '°C') : figure((C * 9) / 5 + 32, '°F');

/** The figure as one text; the space does not break, so that no line ends between a number and its unit. */
export const text = ({ digits, unit }: Figure): string => `${digits}\u00a0${unit}`;
