import type { StoredGround, StoredSpot } from '@riffle/contract';
import { centreLine, hidePlace, type Candidate, type DayPlan, type PlaceGiven, type Position } from '@riffle/core';
import { createEvents, type EventAttributes } from 'ics';
import { clock } from './dayWords.ts';

const at = (date: string, minutes: number): [number, number, number, number, number] => {
  const [y, m, d] = date.split('-').map(Number) as [number, number, number];
  const moment = new Date(y, m - 1, d, 0, Math.round(minutes));
  return [moment.getFullYear(), moment.getMonth() + 1, moment.getDate(), moment.getHours(), moment.getMinutes()];
};

/** The day as a calendar (RFC 5545), by the ground's clock: a block for each place, and the hour to be back. No positions; without `isNamed` no names either. */
export function dayAsIcs(
  ground: StoredGround,
  date: string,
  plan: DayPlan,
  places: ReadonlyMap<string, Candidate>,
  back_min: number,
  isNamed = true,
): string {
  const events: EventAttributes[] = plan.stops
    .filter((s) => !s.late)
    .map((s, i) => ({
      title: `${i + 1}. ${(isNamed && places.get(s.id)?.name) || 'a place'}`,
      description: isNamed ? ground.name : '',
      start: at(date, s.begin_min),
      end: at(date, s.end_min),
      startInputType: 'local',
      startOutputType: 'local',
      endInputType: 'local',
      endOutputType: 'local',
      uid: `${date}-${s.id}@riffle`,
      productId: 'riffle',
    }));
  events.push({
    title: isNamed ? `Be back from ${ground.name}` : 'Be back',
    description: `Planned back at ${clock(plan.back_min)}.`,
    start: at(date, back_min),
    duration: { minutes: 15 },
    startInputType: 'local',
    startOutputType: 'local',
    uid: `${date}-${ground.id}-back@riffle`,
    productId: 'riffle',
    alarms: [{ action: 'display', description: 'Turn round', trigger: { minutes: 30, before: true } }],
  });
  const { value, error } = createEvents(events);
  if (error || value === undefined || value === null) throw error ?? new Error('The calendar could not be written.');
  return value;
}

/** The day as GPX 1.1: a waypoint for each place and the route through them, with the positions and names that are given. */
export function dayAsGpx(
  ground: StoredGround,
  date: string,
  plan: DayPlan,
  places: ReadonlyMap<string, Candidate>,
  spots: readonly StoredSpot[],
  given: PlaceGiven = { way: 'exact' },
  isNamed = true,
): string {
  if (!ground.line) throw new Error('This ground has no line, so its places have no positions.');
  const centre = centreLine(ground.line);
  const doc = document.implementation.createDocument('http://www.topografix.com/GPX/1/1', 'gpx');
  const root = doc.documentElement;
  root.setAttribute('version', '1.1');
  root.setAttribute('creator', 'Riffle');
  const add = (parent: Element, name: string, text?: string): Element => {
    const element = doc.createElementNS('http://www.topografix.com/GPX/1/1', name);
    if (text !== undefined) element.textContent = text;
    parent.append(element);
    return element;
  };
  const lying = plan.stops
    .filter((s) => !s.late)
    .flatMap((s, i) => {
      const place = places.get(s.id);
      if (!place) return [];
      const at: Position =
        spots.find((o) => o.id === place.spotId)?.position ??
        centre.positionAt(place.distance_m, place.offset_m, place.bank);
      const name = `${i + 1}. ${isNamed ? place.name : 'a place'}`;
      return [{ at, name, desc: `${clock(s.begin_min)} to ${clock(s.end_min)}` }];
    });
  const give = hidePlace(
    given,
    lying.map((s) => s.at),
  );
  const stops = lying.flatMap(({ at, ...said }) => {
    const shown = give(at);
    return shown ? [{ lon: shown[0], lat: shown[1], ...said }] : [];
  });
  const point = (parent: Element, tag: string, p: (typeof stops)[number]): void => {
    const element = add(parent, tag);
    element.setAttribute('lat', p.lat.toFixed(7));
    element.setAttribute('lon', p.lon.toFixed(7));
    add(element, 'name', p.name);
    add(element, 'desc', p.desc);
  };
  stops.forEach((p) => point(root, 'wpt', p));
  const route = add(root, 'rte');
  add(route, 'name', isNamed ? `${ground.name}, ${date}` : date);
  stops.forEach((p) => point(route, 'rtept', p));
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(doc)}`;
}
