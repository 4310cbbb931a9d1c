import type { StoredOutline, StoredSign, StoredSpot } from '@riffle/contract';
import { signKind } from '@riffle/core';
import type { FeatureLike } from 'ol/Feature.js';
import type LineString from 'ol/geom/LineString.js';
import Point from 'ol/geom/Point.js';
import { Circle, Fill, Icon, RegularShape, Stroke, Style, Text } from 'ol/style.js';

/** The page's colors as the canvas needs them; read anew when the light changes. */
export interface Inks {
  readonly ink: string;
  readonly ink2: string;
  readonly paper: string;
  readonly water: string;
  readonly gold: string;
  readonly goldFill: string;
  readonly rust: string;
  readonly gravel: string;
  readonly danger: string;
}

export function readInks(): Inks {
  const css = getComputedStyle(document.documentElement);
  const of = (name: string): string => css.getPropertyValue(name).trim();
  return {
    ink: of('--ink'),
    ink2: of('--ink-2'),
    paper: of('--paper'),
    water: of('--water'),
    gold: of('--gold'),
    goldFill: of('--gold-fill'),
    rust: of('--rust'),
    gravel: of('--gravel'),
    danger: of('--danger'),
  };
}

const SERIF = '600 13px "Bitter Variable", Georgia, serif';
const SANS = '12.5px "Atkinson Hyperlegible Next Variable", system-ui, sans-serif';
/** A name. Where two would touch the weightier stands: marks themselves are always drawn. */
const halo = (inks: Inks, text: string, font: string, offsetY = -14): Text =>
  new Text({
    text,
    font,
    offsetY,
    padding: [2, 4, 2, 4],
    declutterMode: 'declutter',
    fill: new Fill({ color: inks.ink }),
    stroke: new Stroke({ color: inks.paper, width: 4 }),
  });

/** A flow arrow every so many pixels. */
const ARROW_EVERY_PX = 110;

/** A creek in two strokes, water between inked banks, with arrows down it; a dry line broken. The line is drawn foot first: water runs against it. */
export const lineStyle =
  (inks: Inks, line: LineString, dry: boolean, flows: boolean) =>
  (_feature: FeatureLike, resolution: number): Style[] => [
    new Style({ stroke: new Stroke({ color: inks.ink, width: 8 }) }),
    new Style({
      stroke: new Stroke({ color: dry ? inks.gravel : inks.water, width: 5.5, ...(dry && { lineDash: [9, 5] }) }),
    }),
    ...(flows ? arrowsDown(line, resolution, inks, 8) : []),
  ];

/** A draw or a creek that joins this one: thinner, with its name along it and its arrows. */
export const joinStyle =
  (inks: Inks, line: LineString, name: string, dry: boolean) =>
  (_feature: FeatureLike, resolution: number): Style[] => [
    new Style({ stroke: new Stroke({ color: inks.ink, width: 5 }) }),
    new Style({ stroke: new Stroke({ color: dry ? inks.gravel : inks.water, width: 3 }) }),
    ...arrowsDown(line, resolution, inks, 6),
    new Style({
      zIndex: 5,
      text: new Text({
        text: name,
        font: `italic ${SERIF}`,
        placement: 'line',
        textBaseline: 'bottom',
        offsetY: -5,
        fill: new Fill({ color: inks.ink }),
        stroke: new Stroke({ color: inks.paper, width: 4 }),
      }),
    }),
  ];

function arrowsDown(line: LineString, resolution: number, inks: Inks, radius: number): Style[] {
  const count = Math.min(40, Math.floor(line.getLength() / resolution / ARROW_EVERY_PX));
  return Array.from({ length: count }, (_, i) => {
    const share = (i + 0.5) / count;
    const [at, below] = [line.getCoordinateAt(share), line.getCoordinateAt(Math.max(0, share - 0.004))];
    const angle = Math.atan2((below[0] ?? 0) - (at[0] ?? 0), (below[1] ?? 0) - (at[1] ?? 0));
    return new Style({
      geometry: new Point(at),
      image: new RegularShape({
        points: 3,
        radius,
        rotation: angle,
        scale: [0.8, 1.2],
        rotateWithView: true,
        declutterMode: 'none',
        fill: new Fill({ color: inks.ink }),
        stroke: new Stroke({ color: inks.paper, width: 1.4 }),
      }),
    });
  });
}

/** Spots as on the ribbon: an upright cross, smaller for a point of a plan; gold found is a disc, the picked one stands on a dark ring. */
export function spotStyle(inks: Inks, spot: StoredSpot, gold: boolean, picked: boolean): Style[] {
  const cross = new RegularShape({
    declutterMode: 'none',
    points: 4,
    radius: picked ? 10 : spot.samplePlanId === null ? 7 : 4.5,
    radius2: 0,
    angle: 0,
    stroke: new Stroke({ color: inks.ink, width: picked ? 4 : 2.4 }),
  });
  return [
    ...(picked
      ? [
          new Style({
            image: new Circle({
              declutterMode: 'none',
              radius: 14,
              fill: new Fill({ color: inks.paper }),
              stroke: new Stroke({ color: inks.ink, width: 3 }),
            }),
          }),
        ]
      : []),
    new Style({
      image: gold
        ? new Circle({
            declutterMode: 'none',
            radius: picked ? 8 : 6,
            fill: new Fill({ color: inks.goldFill }),
            stroke: new Stroke({ color: inks.gold, width: 1.6 }),
          })
        : cross,
      text: halo(inks, spot.name, SERIF, picked ? -20 : -14),
      // The higher goes first where names would touch: what is picked, what showed gold, what is only planned.
      zIndex: picked ? 9 : gold ? 8 : spot.samplePlanId === null ? 7 : 6,
    }),
  ];
}

/** Signs by family, each a shape of its own, so that thousands draw as stamps. Float is rust, as everywhere. */
const FAMILY: Readonly<Record<string, { points: number; angle: number; filled: boolean }>> = {
  'slow water': { points: 3, angle: Math.PI, filled: false },
  bed: { points: 4, angle: Math.PI / 4, filled: true },
  bank: { points: 3, angle: 0, filled: true },
  heavies: { points: 6, angle: 0, filled: true },
  float: { points: 5, angle: 0.3, filled: true },
  people: { points: 4, angle: Math.PI / 4, filled: false },
  note: { points: 20, angle: 0, filled: false },
  own: { points: 8, angle: 0, filled: false },
};
const stamps = new Map<string, Style>();
export function signStyle(inks: Inks, sign: StoredSign): Style {
  const family = sign.kind === 'own word' ? 'own' : signKind(sign.kind).family;
  const key = `${family} ${inks.ink}`;
  const found = stamps.get(key);
  if (found) return found;
  const shape = FAMILY[family] ?? { points: 8, angle: 0, filled: false };
  const color = family === 'float' ? inks.rust : inks.ink;
  const style = new Style({
    image: new RegularShape({
      points: shape.points,
      angle: shape.angle,
      radius: 5.5,
      fill: new Fill({ color: shape.filled ? color : inks.paper }),
      stroke: new Stroke({ color, width: 1.4 }),
    }),
  });
  stamps.set(key, style);
  return style;
}

/** From nearer than so many metres to a pixel signs are drawn as on the ribbon; from farther by their family. */
export const DRAWN_TO_M_PX = 1.2;
const drawnSigns = new Map<string, Style>();
/** A sign as the ribbon draws it. @param drawing the mark's own SVG, its colors already those of the page */
export function drawnSignStyle(kind: string, drawing: string): Style {
  const key = `${kind} ${drawing}`;
  const found = drawnSigns.get(key);
  if (found) return found;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="30" height="30" viewBox="-15 -15 30 30">${drawing}</svg>`;
  const style = new Style({
    image: new Icon({ src: `data:image/svg+xml,${encodeURIComponent(svg)}`, declutterMode: 'none' }),
  });
  drawnSigns.set(key, style);
  return style;
}

/** A claim says whose it is, as far as anybody said. */
const WHOSE = {
  ours: (name: string) => `${name}, ours`,
  'by leave': (name: string) => `${name}, by leave`,
  'not ours': (name: string) => `${name}, not ours`,
  unsaid: (name: string) => name,
} as const;

/** Claims are dashed danger-free ink; benches and bars lightly filled; paths dotted. */
export function outlineStyle(
  inks: Inks,
  outline: Pick<StoredOutline, 'kind' | 'name'> & Partial<Pick<StoredOutline, 'holder'>>,
  picked: boolean,
): Style {
  const width = picked ? 3.5 : 1.8;
  const dash = {
    bar: undefined,
    bench: [10, 5],
    claim: [2, 6],
    protected: [12, 4, 2, 4],
    workings: [4, 4],
    path: [1, 6],
  }[outline.kind];
  return new Style({
    // Its name gives way to those of places.
    zIndex: 1,
    stroke: new Stroke({
      color: outline.kind === 'protected' ? inks.danger : inks.ink,
      width,
      ...(dash && { lineDash: dash }),
      lineCap: outline.kind === 'claim' || outline.kind === 'path' ? 'round' : 'butt',
    }),
    ...(outline.kind !== 'path' &&
      outline.kind !== 'claim' &&
      outline.kind !== 'protected' && { fill: new Fill({ color: `${inks.gravel}b0` }) }),
    text: halo(
      inks,
      outline.kind === 'protected' ? `${outline.name}, protected` : WHOSE[outline.holder ?? 'unsaid'](outline.name),
      SANS,
      0,
    ),
  });
}
