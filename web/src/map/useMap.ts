import type { StoredGround, StoredOutline, StoredSign, StoredSpot } from '@riffle/contract';
import type { OUTLINE_KINDS } from '@riffle/contract';
import { grouped, centreLine } from '@riffle/core';
import Feature from 'ol/Feature.js';
import OlMap from 'ol/Map.js';
import View from 'ol/View.js';
import ScaleLine from 'ol/control/ScaleLine.js';
import Zoom from 'ol/control/Zoom.js';
import { boundingExtent, isEmpty } from 'ol/extent.js';
import LineString from 'ol/geom/LineString.js';
import Point from 'ol/geom/Point.js';
import Polygon from 'ol/geom/Polygon.js';
import { defaults as usualInteractions } from 'ol/interaction/defaults.js';
import Draw from 'ol/interaction/Draw.js';
import Modify from 'ol/interaction/Modify.js';
import ImageLayer from 'ol/layer/Image.js';
import TileLayer from 'ol/layer/Tile.js';
import VectorLayer from 'ol/layer/Vector.js';
import VectorImageLayer from 'ol/layer/VectorImage.js';
import 'ol/ol.css';
import './map.css';
import { fromLonLat, toLonLat, transformExtent } from 'ol/proj.js';
import ImageStatic from 'ol/source/ImageStatic.js';
import VectorSource from 'ol/source/Vector.js';
import XYZ from 'ol/source/XYZ.js';
import { getArea, getLength } from 'ol/sphere.js';
import { Circle, Fill, Stroke, Style } from 'ol/style.js';
import { useCallback, useEffect, useRef, useState } from 'react';
import { usePreferences } from '../preferences/preferences.ts';
import { useShow } from '../units/useShow.ts';
import {
  DRAWN_TO_M_PX,
  drawnSignStyle,
  joinStyle,
  lineStyle,
  outlineStyle,
  readInks,
  signStyle,
  spotStyle,
} from './mapStyles.ts';
import { findUnderlay } from './underlay.ts';

export type LonLat = [number, number];
type OutlineKind = (typeof OUTLINE_KINDS)[number];
/** What the pencil does. */
export type Drawing = 'none' | 'reshape' | 'bend' | 'measure' | 'line' | OutlineKind;

interface MapInput {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly signs: readonly StoredSign[];
  readonly outlines: readonly StoredOutline[];
  readonly gold: ReadonlySet<string>;
  /** Grounds that run into this one, and the one it runs into. */
  readonly joining: readonly StoredGround[];
  /** How the ribbon draws a kind of sign, as SVG; null where it has not been drawn yet. */
  readonly drawingOf: (kind: string) => string | null;
  /** The shape just drawn, while it is being named. */
  readonly naming: OutlineKind | null;
  readonly picked: string | null;
  readonly drawing: Drawing;
  /** Where to look when this ground has no place yet: another ground of the book. */
  readonly elsewhere: LonLat | null;
  /** Where one stands, once asked. */
  readonly here: LonLat | null;
  /** Counts up when the picture beneath was changed. */
  readonly underlayTurn: number;
  /** Counts up when a bent line was not kept. */
  readonly lineTurn: number;
  readonly onPick: (spotId: string) => void;
  readonly onSign: (signId: string) => void;
  readonly onGround: (groundId: string) => void;
  /** A tap on bare ground. */
  readonly onPlace: (at: LonLat) => void;
  readonly onOutline: (outline: StoredOutline) => void;
  readonly onDrawn: (what: OutlineKind | 'line' | 'measure', points: LonLat[]) => void;
  readonly onReshaped: (outline: StoredOutline, points: LonLat[]) => void;
  /** The line with a corner moved or added. */
  readonly onBent: (points: LonLat[]) => void;
  readonly onSay: (words: string) => void;
}

/** So many signs are stamped by family, whatever the scale. */
const MANY_SIGNS = 400;
/** A tap finds what lies within so many pixels: a wet finger's breadth. */
const FINGER_PX = 14;

const lonLats = (coordinates: readonly (readonly number[])[]): LonLat[] =>
  coordinates.map((c) => toLonLat([c[0] ?? 0, c[1] ?? 0]) as LonLat);

/** The map itself. Attach the returned ref to the element it fills. */
export function useMap(input: MapInput): (element: HTMLElement | null) => (() => void) | undefined {
  const {
    ground,
    spots,
    signs,
    outlines,
    gold,
    picked,
    drawing,
    here,
    underlayTurn,
    lineTurn,
    joining,
    naming,
    drawingOf,
  } = input;
  const { preferences } = usePreferences();
  const show = useShow();
  const latest = useRef(input);
  useEffect(() => {
    latest.current = input;
  });
  const [map, setMap] = useState<OlMap | null>(null);
  const [sources] = useState(() => ({
    line: new VectorSource(),
    joining: new VectorSource(),
    outlines: new VectorSource(),
    signs: new VectorSource(),
    spots: new VectorSource(),
    pencil: new VectorSource(),
    here: new VectorSource(),
  }));

  const { system } = show.display;
  useEffect(() => {
    if (!map) return undefined;
    const scale = new ScaleLine({ units: system === 'US' ? 'us' : 'metric' });
    map.addControl(scale);
    return () => void map.removeControl(scale);
  }, [map, system]);

  const attach = useCallback(
    (element: HTMLElement | null) => {
      if (!element) return undefined;
      const made = new OlMap({
        target: element,
        keyboardEventTarget: element,
        interactions: usualInteractions({ altShiftDragRotate: false, pinchRotate: false }),
        // Two fingers zoom on a phone.
        controls: matchMedia('(pointer: coarse)').matches
          ? []
          : [new Zoom({ zoomInTipLabel: 'Nearer', zoomOutTipLabel: 'Farther' })],
        view: new View({ center: [0, 0], zoom: 2, maxZoom: 23, enableRotation: false, constrainOnlyCenter: true }),
        layers: [
          new VectorLayer({ source: sources.outlines, zIndex: 1, declutter: 'names' }),
          new VectorLayer({ source: sources.joining, zIndex: 2, declutter: 'names' }),
          new VectorLayer({ source: sources.line, zIndex: 2 }),
          // Thousands of signs are drawn once into an image that moves with the hand, and anew when it rests.
          new VectorImageLayer({ source: sources.signs, zIndex: 3, imageRatio: 1.2 }),
          new VectorLayer({ source: sources.spots, zIndex: 4, declutter: 'names' }),
          new VectorLayer({ source: sources.here, zIndex: 5 }),
          new VectorLayer({ source: sources.pencil, zIndex: 6 }),
        ],
      });
      // What lies nearest under the finger: spots before signs before shapes.
      made.on('singleclick', (event) => {
        if (latest.current.drawing !== 'none') return;
        const hits = made.getFeaturesAtPixel(event.pixel, { hitTolerance: FINGER_PX });
        const of = (what: string): string | undefined =>
          hits.find((f) => f.get('what') === what)?.get('id') as string | undefined;
        const [spot, sign, outline, joins] = [of('spot'), of('sign'), of('outline'), of('joining')];
        if (spot) latest.current.onPick(spot);
        else if (sign) latest.current.onSign(sign);
        else if (joins) latest.current.onGround(joins);
        else if (outline) {
          const found = latest.current.outlines.find((o) => o.id === outline);
          if (found) latest.current.onOutline(found);
        } else latest.current.onPlace(toLonLat(event.coordinate) as LonLat);
      });
      setMap(made);
      return () => {
        made.setTarget(undefined);
        made.dispose();
        setMap(null);
      };
    },
    [sources],
  );

  // What is drawn. Styles follow the light; names fall away from afar.
  useEffect(() => {
    const inks = readInks();
    const centre = ground.line ? centreLine(ground.line) : null;
    const at = (s: StoredSpot | StoredSign): Point | null => {
      const position = s.position ?? centre?.positionAt(s.distance_m, s.offset_m, s.bank);
      return position ? new Point(fromLonLat([position[0], position[1]])) : null;
    };
    const fill = (source: VectorSource, features: readonly (Feature | null)[]): void => {
      source.clear(true);
      source.addFeatures(features.filter((f): f is Feature => f !== null));
    };
    if (ground.line) {
      const geometry = new LineString(ground.line.map((p) => fromLonLat([p[0], p[1]])));
      const line = new Feature({ geometry, what: 'line' });
      const isDry = ground.kind !== 'creek' && ground.kind !== 'beach';
      line.setStyle(lineStyle(inks, geometry, isDry, ground.kind === 'creek' || ground.kind === 'wash'));
      fill(sources.line, [line]);
    } else fill(sources.line, []);
    fill(
      sources.joining,
      joining.map((g) => {
        if (!g.line) return null;
        const geometry = new LineString(g.line.map((p) => fromLonLat([p[0], p[1]])));
        const feature = new Feature({ geometry, what: 'joining', id: g.id });
        feature.setStyle(joinStyle(inks, geometry, g.name, g.kind !== 'creek'));
        return feature;
      }),
    );
    fill(
      sources.outlines,
      outlines.map((o) => {
        const points = o.points.map((p) => fromLonLat([p[0], p[1]]));
        const feature = new Feature({
          geometry: o.kind === 'path' ? new LineString(points) : new Polygon([[...points, points[0] ?? [0, 0]]]),
          what: 'outline',
          id: o.id,
        });
        feature.setStyle(outlineStyle(inks, o, false));
        return feature;
      }),
    );
    fill(
      sources.signs,
      signs.map((s) => {
        const geometry = at(s);
        if (!geometry) return null;
        const feature = new Feature({ geometry, what: 'sign', id: s.id });
        const [far, drawing] = [signStyle(inks, s), drawingOf(s.kind)];
        const near = drawing === null ? far : drawnSignStyle(s.kind, drawing);
        feature.setStyle((_f, resolution) => (resolution < DRAWN_TO_M_PX && signs.length < MANY_SIGNS ? near : far));
        return feature;
      }),
    );
    fill(
      sources.spots,
      spots.map((s) => {
        const geometry = at(s);
        if (!geometry) return null;
        const feature = new Feature({ geometry, what: 'spot', id: s.id });
        feature.setStyle(spotStyle(inks, s, gold.has(s.id), s.id === picked));
        return feature;
      }),
    );
  }, [ground, spots, signs, outlines, gold, picked, joining, drawingOf, sources, preferences.light, lineTurn]);

  // The whole ground at first; later only as far as it takes to see what was picked elsewhere.
  useEffect(() => {
    if (!map) return;
    const points = (ground.line ?? []).map((p) => fromLonLat([p[0], p[1]]));
    const extent = points.length > 0 ? boundingExtent(points) : sources.spots.getExtent();
    if (extent && !isEmpty(extent))
      map.getView().fit(extent, {
        padding: matchMedia('(pointer: coarse)').matches ? [56, 40, 40, 40] : [40, 40, 40, 100],
        maxZoom: 19,
      });
    else if (latest.current.elsewhere) map.getView().setCenter(fromLonLat(latest.current.elsewhere));
    if (extent && isEmpty(extent)) map.getView().setZoom(latest.current.elsewhere ? 14 : 2);
  }, [map, ground.id, ground.line, sources]);
  useEffect(() => {
    const spot = spots.find((s) => s.id === picked);
    const feature = sources.spots.getFeatures().find((f) => f.get('id') === spot?.id);
    const to = (feature?.getGeometry() as Point | undefined)?.getCoordinates();
    if (!map || !to) return;
    const view = map.getView();
    const [w, s, e, n] = view.calculateExtent(map.getSize());
    if (
      to[0] !== undefined &&
      to[1] !== undefined &&
      (to[0] < (w ?? 0) || to[0] > (e ?? 0) || to[1] < (s ?? 0) || to[1] > (n ?? 0))
    )
      view.animate({ center: to, duration: matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : 250 });
  }, [map, picked, spots, sources]);

  // Where one stands.
  useEffect(() => {
    sources.here.clear();
    if (!map || !here) return;
    const inks = readInks();
    const at = fromLonLat(here);
    const dot = new Feature({ geometry: new Point(at) });
    dot.setStyle([
      new Style({
        image: new Circle({
          radius: 11,
          fill: new Fill({ color: inks.paper }),
          stroke: new Stroke({ color: inks.water, width: 3 }),
        }),
      }),
      new Style({ image: new Circle({ radius: 4, fill: new Fill({ color: inks.water }) }) }),
    ]);
    sources.here.addFeature(dot);
    map.getView().setCenter(at);
    if ((map.getView().getZoom() ?? 0) < 16) map.getView().setZoom(17);
  }, [map, here, sources]);

  // The pencil.
  useEffect(() => {
    if (!map || drawing === 'none') return undefined;
    const inks = readInks();
    if (drawing === 'reshape') {
      const modify = new Modify({ source: sources.outlines, pixelTolerance: FINGER_PX });
      modify.on('modifyend', ({ features }) => {
        for (const feature of features.getArray()) {
          const outline = latest.current.outlines.find((o) => o.id === feature.get('id'));
          const geometry = feature.getGeometry();
          if (!outline) continue;
          const points =
            geometry instanceof Polygon
              ? lonLats((geometry.getCoordinates()[0] ?? []).slice(0, -1))
              : geometry instanceof LineString
                ? lonLats(geometry.getCoordinates())
                : [];
          if (points.length >= 2 && JSON.stringify(points) !== JSON.stringify(outline.points))
            latest.current.onReshaped(outline, points);
        }
      });
      map.addInteraction(modify);
      return () => {
        map.removeInteraction(modify);
      };
    }
    if (drawing === 'bend') {
      const modify = new Modify({ source: sources.line, pixelTolerance: FINGER_PX });
      modify.on('modifyend', ({ features }) => {
        const geometry = features.item(0)?.getGeometry();
        if (geometry instanceof LineString) latest.current.onBent(lonLats(geometry.getCoordinates()));
      });
      map.addInteraction(modify);
      return () => {
        map.removeInteraction(modify);
      };
    }
    const isArea = drawing !== 'path' && drawing !== 'line' && drawing !== 'measure';
    const draw = new Draw({
      source: sources.pencil,
      type: isArea ? 'Polygon' : 'LineString',
      style: outlineStyle(inks, { kind: isArea ? 'bench' : 'path', name: '' }, true),
    });
    draw.on('drawstart', ({ feature }) => {
      sources.pencil.clear();
      feature.getGeometry()?.on('change', ({ target }) => {
        const geometry = target as Polygon | LineString;
        const area_m2 = geometry instanceof Polygon ? getArea(geometry) : null;
        const length_m = getLength(
          geometry instanceof Polygon ? new LineString(geometry.getCoordinates()[0] ?? []) : geometry,
        );
        latest.current.onSay(
          area_m2 === null
            ? show.distance(length_m)
            : `${show.distance(length_m)} round, ${show.display.system === 'US' ? `${grouped(Math.round(area_m2 * 1.19599))} sq yd` : `${grouped(Math.round(area_m2))} m²`}`,
        );
      });
    });
    draw.on('drawend', ({ feature }) => {
      const geometry = feature.getGeometry();
      const points =
        geometry instanceof Polygon
          ? lonLats((geometry.getCoordinates()[0] ?? []).slice(0, -1))
          : geometry instanceof LineString
            ? lonLats(geometry.getCoordinates())
            : [];
      // A shape stays in sight while it is named; a line is written at once.
      feature.setStyle(outlineStyle(inks, { kind: isArea ? 'bench' : 'path', name: '' }, true));
      if (drawing === 'line') setTimeout(() => sources.pencil.clear(), 0);
      latest.current.onDrawn(drawing, points);
    });
    map.addInteraction(draw);
    return () => {
      map.removeInteraction(draw);
      sources.pencil.clear();
    };
  }, [map, drawing, sources, show]);

  // Named or thrown away, the pencil's shape goes.
  useEffect(() => {
    if (naming === null && drawing !== 'measure') sources.pencil.clear();
  }, [naming, drawing, sources]);

  // The picture beneath.
  useEffect(() => {
    if (!map) return undefined;
    let current = true;
    let layer: ImageLayer<ImageStatic> | TileLayer<XYZ> | null = null;
    let url: string | null = null;
    void findUnderlay(ground.id).then((underlay) => {
      if (!current || !underlay) return;
      if (underlay.kind === 'tiles')
        layer = new TileLayer({ source: new XYZ({ url: underlay.address, crossOrigin: null }), zIndex: 0 });
      else {
        url = URL.createObjectURL(underlay.picture);
        layer = new ImageLayer({
          source: new ImageStatic({
            url,
            imageExtent: transformExtent([...underlay.extent], underlay.projection, 'EPSG:3857'),
            projection: 'EPSG:3857',
          }),
          zIndex: 0,
        });
      }
      map.addLayer(layer);
    });
    return () => {
      current = false;
      if (layer) map.removeLayer(layer);
      if (url) URL.revokeObjectURL(url);
    };
  }, [map, ground.id, underlayTurn]);

  return attach;
}
