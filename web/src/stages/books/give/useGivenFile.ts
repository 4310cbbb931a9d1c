import type { StoredGround, StoredSample, StoredSpot } from '@riffle/contract';
import { gradeOf, hidePlace } from '@riffle/core';
import { expectedInTubs, expectedWords } from '../../../box/openLifts.ts';
import { useOpenLifts } from '../../../box/useOpenLifts.ts';
import { namesFor, placeGiven, saysGiven, type Given } from '../../../give/place.ts';
import { asGeoJson, asGpx, asKml, givenPlaces } from '../../../give/placesFile.ts';
import { useReading } from '../../../reading/useReading.ts';
import type { OpenBook } from '../../../records/useBook.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { plural } from '../../../ui/plural.ts';
import { useShow } from '../../../units/useShow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { hoursText } from '../AmountCells.tsx';
import { tellApart } from '../tellApart.ts';
import { seasonFacts, spotFacts } from './facts.ts';

/** What can be given, whether it holds positions, and what its file is called. */
export const FILES = {
  season: { label: 'The season on one sheet (PDF)', hasPositions: false, file: 'season.pdf', type: 'application/pdf' },
  spot: { label: 'A spot on one sheet (PDF)', hasPositions: true, file: 'spot.pdf', type: 'application/pdf' },
  csv: { label: 'The book (CSV)', hasPositions: false, file: 'book.csv', type: 'text/csv' },
  geojson: { label: 'The places (GeoJSON)', hasPositions: true, file: 'places.geojson', type: 'application/geo+json' },
  kml: {
    label: 'The places (KML)',
    hasPositions: true,
    file: 'places.kml',
    type: 'application/vnd.google-earth.kml+xml',
  },
  gpx: { label: 'The places (GPX)', hasPositions: true, file: 'places.gpx', type: 'application/gpx+xml' },
  whole: { label: 'The whole ground, to be brought in again (GeoJSON)', hasPositions: true, file: '', type: '' },
} as const;
export type FileKind = keyof typeof FILES;

type Made = string | Uint8Array<ArrayBuffer>;

interface GivenFile {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly book: OpenBook;
  /** As it holds for this kind of file (`givenFor`). */
  readonly given: Given;
}

/** Makes each kind of file with what of the place was chosen to be given. */
export function useGivenFile({
  ground,
  spots,
  book,
  given,
}: GivenFile): (kind: Exclude<FileKind, 'whole'>, spot: StoredSpot | null) => Promise<Made> {
  const show = useShow();
  const local = useLocalTime();
  const { grades, colors } = useReading(ground);
  const inTubs = useOpenLifts(ground);
  const samples = useRecords('samples', ground.id).items;
  const pits = useRecords('pits', ground.id).items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const runs = useRecords('runs', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const rigs = useRecords('rigs').items;
  const names = namesFor(given, ground, spots);
  const give = () =>
    hidePlace(placeGiven(given), [...(ground.line ?? []), ...spots.flatMap((s) => (s.position ? [s.position] : []))]);

  const season = async (): Promise<Made> => {
    const [{ seasonSheet }, letters] = await Promise.all([import('../../../give/seasonSheet.ts'), readLetters()]);
    const boxOf = tellApart('box', { cleanups, runs, setups, rigs }, local);
    const boxes = [...new Set(book.weighed.map(boxOf))];
    const facts = seasonFacts(book, names, ground.swell_percent, (c) =>
      given.names ? boxOf(c) : `Box ${boxes.indexOf(boxOf(c)) + 1}`,
    );
    const { unweighed } = book;
    const tubs = expectedWords(expectedInTubs(inTubs), show.gold);
    const waiting =
      unweighed.buckets === 0
        ? ''
        : `Not weighed yet: ${show.volume(unweighed.volumeBank_L)} in ${plural(unweighed.runs, 'run')}${tubs && `, in tubs ${tubs}`}.`;
    return seasonSheet(
      { ...facts, waiting, given: saysGiven(given) },
      { gold: show.gold, grade: show.grade, volume: show.volume, hours: hoursText },
      letters,
    );
  };

  const onOneSpot = async (spot: StoredSpot): Promise<Made> => {
    const [{ spotSheet }, letters] = await Promise.all([import('../../../give/spotSheet.ts'), readLetters()]);
    const grade_mg_L = (s: StoredSample): number => {
      const grade = gradeOf([s], ground.swell_percent, colors);
      return grade.kind === 'band' ? grade.grade_mg_L : 0;
    };
    const facts = spotFacts(
      {
        spot,
        names,
        withRemarks: given.names,
        where: whereWords(spot.position && give()(spot.position), given),
        grade: grades.get(spot.id),
        samples: samples.filter((s) => s.spotId === spot.id),
        pits: pits.filter((p) => p.spotId === spot.id),
        weighed: book.weighed,
        gradeOf: grade_mg_L,
      },
      show,
      local,
    );
    return spotSheet({ ...facts, given: saysGiven(given) }, letters);
  };

  const places = () =>
    givenPlaces(
      {
        name: names.ground,
        line: ground.line,
        spots: spots.map((s) => {
          const grade = grades.get(s.id)?.grade;
          return {
            name: names.spot(s.id),
            position: s.position,
            found: grade?.kind === 'band' ? show.grade(grade.grade_mg_L) : grade ? 'no grade yet' : 'not panned',
          };
        }),
      },
      give(),
    );

  return async (kind, spot) => {
    switch (kind) {
      case 'season':
        return season();
      case 'spot':
        if (!spot) throw new Error('No spot.');
        return onOneSpot(spot);
      case 'csv':
        return bookCsv(ground.id, given);
      case 'geojson':
        return asGeoJson(places());
      case 'kml':
        return asKml(places());
      case 'gpx':
        return asGpx(places());
    }
  };
}

/** With the sheets' letters comes what writes PDF: fetched when a sheet is asked for. */
const readLetters = async () => (await import('../../../give/letters.ts')).readLetters();

async function bookCsv(groundId: string, { names }: Given): Promise<string> {
  const answer = await fetch(`/api/v1/grounds/${groundId}/book.csv?names=${names ? 'given' : 'none'}`);
  if (!answer.ok) throw new Error(answer.statusText);
  return answer.text();
}

/** A position in words, no more precise than it is given; empty where none is, or where it was moved away. */
function whereWords(at: readonly [number, number] | null | undefined, given: Given): string {
  if (!at || given.way === 'shifted') return '';
  const [decimals, about] = given.way === 'blurred' ? [3, `within a square of ${given.size_m} m about `] : [5, ''];
  const [lon, lat] = at;
  return `${about}${Math.abs(lat).toFixed(decimals)}° ${lat < 0 ? 'S' : 'N'}, ${Math.abs(lon).toFixed(decimals)}° ${lon < 0 ? 'W' : 'E'}`;
}
