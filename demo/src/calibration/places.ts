import {
  asPanPlace,
  COMMON_BASE,
  gradeSpots,
  groundColors,
  mouthsOf,
  mouthsThatFeed,
  nextPan,
  normalDraw,
  poissonDraw,
  rankPlaces,
  SIGN_KINDS,
  type Random,
  type SignKindName,
} from '@riffle/core';
import { Reliability, Tally } from './tally.ts';
import { drawWorld, factorOf, FORMS, loggedPan, PAN_L, TOLD_SWELL_PERCENT } from './world.ts';

const KINDS: readonly SignKindName[] = [
  'bar',
  'inside bend',
  'boulder lee',
  'bedrock',
  'crevice',
  'undercut',
  'bench',
  'cut bank',
  'black sand',
  'clay seam',
  'old workings',
  'turned over',
];
const PLACES = 26;
const LENGTH_M = 1100;
const logit = (p: number): number => Math.log(p / (1 - p));

/** A creek on which kinds of place, the reach one is in and sheer luck each have a part in the gold. */
function drawCreek(random: Random) {
  const world = drawWorld(random);
  const pays_mg_L = world.grade_mg_L * Math.exp(0.5 * normalDraw(random));
  // How far the trade is right about signs differs from creek to creek.
  const right = 0.4 + 0.7 * random();
  const effect = new Map(
    KINDS.map((k) => {
      const { paid, tried } = SIGN_KINDS[k].prior;
      return [k, right * (logit(paid / tried) - logit(COMMON_BASE)) + 0.35 * normalDraw(random)];
    }),
  );
  const [fieldSd, reach_m, ownSd] = [0.2 + 0.6 * random(), 40 + 120 * random(), 0.3 + 0.6 * random()];
  let [field, last_m] = [fieldSd * normalDraw(random), 0];
  const truth = Array.from({ length: PLACES }, (_, k) => {
    const distance_m = ((k + random()) * LENGTH_M) / PLACES;
    const keep = Math.exp(-(distance_m - last_m) / reach_m);
    field = keep * field + Math.sqrt(1 - keep ** 2) * fieldSd * normalDraw(random);
    last_m = distance_m;
    const kinds = KINDS.filter(() => random() < 0.12);
    const sum = kinds.reduce((total, kind) => total + (effect.get(kind) ?? 0), 0);
    return {
      id: `s${k}`,
      distance_m,
      kinds,
      grade_mg_L: world.grade_mg_L * Math.exp(sum + field + ownSd * normalDraw(random) - 0.4),
      pans: random() < 0.5 ? 1 + Math.floor(4 * random()) : 0,
    };
  });
  const samples = truth.flatMap((t) =>
    Array.from({ length: t.pans }, () => loggedPan(world, t.id, t.grade_mg_L, 18, random() < 0.2, random)),
  );
  const gradeOf = (id: string | null): number => truth.find((t) => t.id === id)?.grade_mg_L ?? 0;
  return { world, pays_mg_L, truth, samples, gradeOf };
}
type Creek = ReturnType<typeof drawCreek>;

/** Reads a creek as the screens do. */
function readCreek({ truth, pays_mg_L }: Creek, samples: Creek['samples']) {
  const colors = groundColors(samples, TOLD_SWELL_PERCENT);
  const { grades, ground } = gradeSpots(samples, TOLD_SWELL_PERCENT, colors);
  const spots = truth.map((t) => ({
    id: t.id,
    name: t.id,
    kind: t.kinds[0] ?? ('bar' as const),
    distance_m: t.distance_m,
    bank: 'left' as const,
    offset_m: 5,
    samplePlanId: null,
  }));
  const signs = truth.flatMap((t) =>
    t.kinds.slice(1).map((kind, n) => ({
      id: `${t.id}-${n}`,
      kind,
      distance_m: t.distance_m,
      bank: 'left' as const,
      offset_m: 5,
      cover_m: null,
      weight: null,
      note: '',
    })),
  );
  const spotCv = ground?.cv;
  const ranking = rankPlaces(
    spots,
    signs,
    [],
    grades,
    { pays_mg_L, reach_m: 1, ...(spotCv !== undefined && { spotCv }) },
    null,
    0,
  );
  return { colors, grades, ranking, spotCv: spotCv ?? 1 };
}

/** Where a pan pays. */
export function calibratePlaces(creeks: number, random: Random) {
  const all = new Reliability(
    'Chance that a place pays, with signs, pans and neighbors',
    'within 10 points in every fifth',
    5,
  );
  const untried = new Reliability('The same where nobody panned', 'within 10 points in every fifth', 5);
  const panned = new Reliability('The same where pans were taken', 'within 10 points in every fifth', 5);
  const gold = { ranked: 0, byGrade: 0, byChance: 0 };
  for (let i = 0; i < creeks; i++) {
    const creek = drawCreek(random);
    const { world, pays_mg_L, truth, samples, gradeOf } = creek;
    const { grades, ranking } = readCreek(creek, samples);
    for (const r of ranking.ranked) {
      const came = gradeOf(r.place.spotId) >= pays_mg_L;
      all.add(r.chance, came);
      (r.panned ? panned : untried).add(r.chance, came);
    }
    const five = (ids: readonly (string | null)[]): number =>
      ids.slice(0, 5).reduce((sum, id) => sum + gradeOf(id), 0) / world.grade_mg_L;
    gold.ranked += five(ranking.ranked.map((r) => r.place.spotId));
    const own = (id: string): number => {
      const g = grades.get(id)?.grade;
      return g?.kind === 'band' ? g.grade_mg_L : 0;
    };
    gold.byGrade += five(truth.map((t) => t.id).sort((a, b) => own(b) - own(a)));
    gold.byChance += five(truth.map((t) => t.id));
  }
  return { all, untried, panned, gold };
}

/** The next pan: how often it changes where one digs, and what the ground dug is like after some of them, beside as many pans taken anywhere. */
export function calibrateNextPan(creeks: number, random: Random) {
  const changes = new Reliability(
    'Chance that the next pan changes where one digs',
    'within 10 points in every fifth',
    5,
  );
  const PANS = 4;
  let [before, after, anywhere, silent] = [0, 0, 0, 0];
  for (let i = 0; i < creeks; i++) {
    const creek = drawCreek(random);
    const { world, pays_mg_L, truth, gradeOf } = creek;
    const ask = (samples: Creek['samples']) => {
      const { colors, ranking, spotCv } = readCreek(creek, samples);
      return nextPan(
        ranking.ranked.map((r) => asPanPlace(r, 10)),
        {
          pays_mg_L,
          spotCv,
          pan_L: PAN_L / 1.18,
          color_mg: colors.blankColor_mg,
          panVariance: colors.panVariance,
        },
      );
    };
    /** The ground that is dug; where nothing pays one stays away, and has what an hour elsewhere brings. */
    const dug = (digs: string | null): number => (digs === null ? pays_mg_L : gradeOf(digs)) / pays_mg_L;
    const panAt = (id: string) => loggedPan(world, id, gradeOf(id), 18, false, random);
    let samples = creek.samples;
    let found = ask(samples);
    if (!found) {
      silent++;
      continue;
    }
    before += dug(found.digs);
    for (let k = 0; k < PANS && found; k++) {
      samples = [...samples, panAt(found.id)];
      const then = ask(samples);
      if (!then) break;
      changes.add(found.chance, then.digs !== found.digs);
      found = then;
    }
    after += dug(found.digs);
    const elsewhere = [
      ...creek.samples,
      ...Array.from({ length: PANS }, () => panAt(truth[Math.floor(random() * truth.length)]?.id ?? '')),
    ];
    anywhere += dug(ask(elsewhere)?.digs ?? null);
  }
  return { changes, gain: (after - before) / before, gainAnywhere: (anywhere - before) / before, silent };
}

/** Mouths: creeks on which nothing differs, and on which a draw brings most of the gold. */
export function calibrateMouths(creeks: number, random: Random) {
  const falsely = new Tally('A mouth must carry gold, said where nothing differs', 'at most 10 %');
  const found = new Tally('Said where the draw makes the creek five times as rich below', 'speaks');
  const holds = new Tally('What such a mouth must carry', 'the band holds 85 to 95 %');
  for (let i = 0; i < creeks; i++) {
    const form = FORMS[i % 3] ?? 'gamma';
    const cv = 0.3 + 0.7 * random();
    const rate = 0.4 + 1.6 * random();
    const share = 0.05 + 0.25 * random();
    const pans = (below: number, above: number) =>
      [120, 80, 40, -40, -80, -120].map((d, k) => ({
        id: `p${k}`,
        distance_m: 500 - d,
        volumeBank_L: 8,
        colors: poissonDraw((d > 0 ? below : above) * factorOf(form, cv, random) * 8, random),
      }));
    const mouths = mouthsOf([], [], [{ id: 'd', name: 'Draw', distance_m: 500, bank: 'left' }], []);
    falsely.add(mouthsThatFeed(mouths, pans(rate, rate), share).length > 0);
    const [said] = mouthsThatFeed(mouths, pans(rate, rate / 5), share);
    found.add(said !== undefined);
    const carries = (rate - ((1 - share) * rate) / 5) / share;
    if (said) holds.add(said.needs.low <= carries && carries <= said.needs.high, 0.9);
  }
  return { falsely, found, holds };
}
