import { nearestMesh } from './sieves.ts';
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

/** A number to the nearest part (1/2, 1/4 ... of whole `parts`), as a rule is read: "2 1/2", "3/16", "0". */
function inParts(value: number, parts: number): string {
  const all = Math.round(Math.abs(value) * parts);
  const whole = Math.floor(all / parts);
  let [top, under] = [all % parts, parts];
  while (top > 0 && top % 2 === 0) [top, under] = [top / 2, under / 2];
  const fraction = top === 0 ? '' : `${top}/${under}`;
  const sign = value < 0 && all > 0 ? '-' : '';
  return `${sign}${whole > 0 || fraction === '' ? grouped(whole) : ''}${whole > 0 && fraction !== '' ? ' ' : ''}${fraction}`;
}

/** Inches as a rule is read: finer the smaller; below half of 1/64 in no rule reads and figures are said. */
function onRule(m: number): Figure {
  const inches = m / UNITS.length.in;
  const size = Math.abs(inches);
  if (size > 0 && size < 1 / 64) return figure(inches, 'in', 2);
  return { digits: inParts(inches, size < 1 / 8 ? 64 : size < 1 ? 16 : size < 3 ? 8 : 4), unit: 'in' };
}

/** Feet and inches, "2 ft 9 in"; whole feet from 20 ft on. */
function inFeet(m: number): Figure {
  const inches = Math.round(Math.abs(m) / UNITS.length.in);
  const sign = m < 0 ? '-' : '';
  if (inches >= 240) return rounded(m / UNITS.length.ft, 'ft', 0);
  if (inches % 12 === 0) return { digits: `${sign}${inches / 12}`, unit: 'ft' };
  return inches < 12
    ? { digits: `${sign}${inches}`, unit: 'in' }
    : { digits: `${sign}${Math.floor(inches / 12)} ft ${inches % 12}`, unit: 'in' };
}

/** Small lengths: stones, water depth, drops of a box, places along it; whole millimetres from 20 mm on and metres from 1 m on, or as a rule is read and feet with inches from 1 ft on. */
export function showSmallLength(m: number, d: Display): Figure {
  if (d.system === 'US') return Math.abs(m) >= 0.99 * UNITS.length.ft ? inFeet(m) : onRule(m);
  if (Math.abs(m) >= 1) return showLength(m, d);
  return Math.abs(m) >= 0.02 ? rounded(m * 1000, 'mm', 0) : figure(m * 1000, 'mm');
}

/** Sizes of grains and openings of screens: millimetres, or the US sieve nearest to it ("70 mesh"), in inches from 1/4 in on. */
export function showGrainSize(m: number, d: Display): Figure {
  if (d.system === 'metric') return showSmallLength(m, d);
  if (m * 1000 > 5.5) return onRule(m);
  return { digits: String(nearestMesh(m * 1000)), unit: 'mesh' };
}

/** Box lengths, pit depths; in feet and inches where they are feet. */
export const showLength = (m: number, d: Display): Figure => (d.system === 'metric' ? figure(m, 'm') : inFeet(m));

/** Distance along the ground, to the whole unit. */
export const showDistance = (m: number, d: Display): Figure =>
  d.system === 'metric' ? figure(Math.round(m), 'm', 6) : figure(Math.round(m / UNITS.length.ft), 'ft', 7);

/** Volumes; in US units gallons and quarts to the part people say ("2 1/2 gal"), yards from a quarter yard on. */
export function showVolume(L: number, d: Display): Figure {
  if (d.system === 'metric') return Math.abs(L) >= 1000 ? figure(L / 1000, 'm³') : figure(L, 'L');
  const gallons = Math.abs(L) / UNITS.volume.gal;
  if (Math.abs(L) >= UNITS.volume.yd3 / 4) return figure(L / UNITS.volume.yd3, 'yd³');
  if (gallons >= 10) return rounded(L / UNITS.volume.gal, 'gal', 0);
  if (gallons >= 1) return { digits: inParts(L / UNITS.volume.gal, 4), unit: 'gal' };
  if (gallons >= 1 / 32) return { digits: inParts(L / UNITS.volume.qt, 8), unit: 'qt' };
  return figure(L / UNITS.volume.in3, 'in³', 2);
}

/** Ground seen from above. */
export const showArea = (m2: number, d: Display): Figure =>
  d.system === 'metric' ? figure(m2, 'm²') : figure(m2 / UNITS.length.ft ** 2, 'ft²');

/** What a draw or a creek drains: hectares, or acres; from 1 km² (1 sq mi) on in those. */
export function showLand(m2: number, d: Display): Figure {
  if (d.system === 'metric')
    return m2 >= UNITS.area.km2 ? figure(m2 / UNITS.area.km2, 'km²', 2) : figure(m2 / UNITS.area.ha, 'ha', 2);
  return m2 >= UNITS.area['sq mi']
    ? figure(m2 / UNITS.area['sq mi'], 'sq mi', 2)
    : figure(m2 / UNITS.area.acre, 'acres', 2);
}

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

/** Pitch: inches per foot in US units, to a sixteenth; percent in metric; as fine as a level and a ruler tell. */
export const showPitch = (slope: number, d: Display): Figure =>
  d.system === 'metric' ? rounded(slope * 100, '%', 1) : { digits: inParts(slope * 12, 16), unit: 'in/ft' };

/** What people lift and carry, to the whole unit. */
export const showLoad = (kg: number, d: Display): Figure =>
  d.system === 'metric' ? rounded(kg, 'kg', 0) : rounded((kg * UNITS.mass.kg) / UNITS.mass.lb, 'lb', 0);

export const showTemperature = (C: number, d: Display): Figure =>
  d.system === 'metric' ? figure(C, '°C') : figure((C * 9) / 5 + 32, '°F');

/** The figure as one text; the space does not break, so that no line ends between a number and its unit. */
export const text = ({ digits, unit }: Figure): string => `${digits} ${unit}`.replaceAll(' ', '\u00a0');

/** Two figures as a stretch, "2–4 mm": the unit once where both have it and neither is of two parts, as feet with inches are. */
export function rangeText(from: Figure, to: Figure): string {
  const isPlain = (f: Figure): boolean => !f.digits.includes(' ft ');
  return from.unit === to.unit && isPlain(from) && isPlain(to)
    ? `${from.digits}–${text(to)}`
    : `${text(from)} to ${text(to)}`;
}
