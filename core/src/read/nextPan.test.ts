import { describe, expect, test } from '@jest/globals';
import { gammaDraw, normalDraw, poissonDraw, seededRandom } from '../maths/random.ts';
import { OutOfRange } from '../outOfRange.ts';
import { likelyGrades } from './chanceToPay.ts';
import { nextPan, type PanPlace, type PanRules } from './nextPan.ts';

const RULES: PanRules = { pays_mg_L: 0.2, spotCv: 1, pan_L: 5, color_mg: 0.1, panVariance: 0.5 };
const place = (id: string, some: Partial<PanPlace> = {}): PanPlace => ({
  id,
  chance: 0.3,
  chanceBefore: 0.3,
  panned: null,
  work_min: 10,
  closed: false,
  ...some,
});
const pans = (gold_mg: number, litres = 10): PanPlace['panned'] => ({
  gold_mg,
  volumeBank_L: litres,
  colors: Math.round(gold_mg / 0.1),
  color_mg: 0.1,
  scatterVariance: 0.25,
  commonLogSd: 0,
});

describe('the next pan', () => {
  test('its chance and worth are those of a simulation that draws grade, patch and count one by one, and learns by keeping the draws that match', () => {
    const random = seededRandom(1961);
    const [known, open] = [place('known', { chance: 0.9, panned: pans(4) }), place('open')];
    const found = nextPan([known, { ...open, work_min: 1 }], RULES);
    expect(found).toMatchObject({ does: 'pan', id: 'open', digs: 'known', could: 'lead', instead: 'open' });
    const bar = likelyGrades(0.3, known.panned, 0.2, 1).reduce((sum, g) => sum + g.weight * g.grade_mg_L, 0);
    // Chance 0.3 above the mark: it lies 0.5244 deviations above the middle (tables of the normal).
    const sd = Math.sqrt(Math.log(2));
    const middle = Math.log(0.2) - 0.5244 * sd;
    const byCount = new Map<number, { times: number; gold: number }>();
    const DRAWS = 400_000;
    for (let i = 0; i < DRAWS; i++) {
      const grade = Math.exp(middle + sd * normalDraw(random));
      const n = poissonDraw((grade * gammaDraw(2, random) * 0.5 * 5) / 0.1, random);
      const seen = byCount.get(n) ?? { times: 0, gold: 0 };
      byCount.set(n, { times: seen.times + 1, gold: seen.gold + grade });
    }
    let [chance, worth] = [0, -bar];
    for (const { times, gold } of byCount.values()) {
      worth += Math.max(bar * times, gold) / DRAWS;
      if (gold > bar * times) chance += times / DRAWS;
    }
    expect(found?.chance).toBeCloseTo(chance, 1);
    expect(Math.abs((found?.chance ?? 0) - chance)).toBeLessThan(0.02);
    expect(Math.abs((found?.worth_mg_L ?? 0) - worth)).toBeLessThan(0.05 * worth);
  });
  test('a pan is never worth less than nothing, and worth nothing where it cannot change the choice', () => {
    const sure = place('sure', { chance: 0.99, chanceBefore: 0.9, panned: pans(400, 200) });
    const hopeless = place('hopeless', { chance: 0.01, chanceBefore: 0.05, panned: pans(0, 400) });
    const found = nextPan([sure, hopeless], RULES);
    expect(found?.chance ?? 0).toBeLessThan(0.02);
    for (const chance of [0.05, 0.2, 0.5, 0.8])
      expect(nextPan([place('a', { chance, chanceBefore: chance })], RULES)?.worth_mg_L ?? 0).toBeGreaterThanOrEqual(0);
  });
  test('where nothing was panned one digs nowhere yet; the likeliest place comes first, and what lies under a metre of cover later', () => {
    const [a, b] = [place('a', { chance: 0.5, chanceBefore: 0.5 }), place('b')];
    expect(nextPan([b, a], RULES)).toMatchObject({ id: 'a', digs: null, could: 'lead' });
    expect(nextPan([b, { ...a, work_min: 60 }], RULES)?.id).toBe('b');
  });
  test('what is closed today is not sent to; with all closed there is nothing to say', () => {
    const [a, b] = [place('a', { chance: 0.5, chanceBefore: 0.5, closed: true }), place('b')];
    expect(nextPan([a, b], RULES)?.id).toBe('b');
    expect(nextPan([a, { ...b, closed: true }], RULES)).toBeNull();
    expect(nextPan([], RULES)).toBeNull();
  });
  test('the one that leads may fall: one more pan there where a rival is close and everything else is known', () => {
    const leader = place('leader', { chance: 0.6, panned: pans(2.6, 5) });
    const rival = place('rival', {
      chance: 0.6,
      panned: { ...pans(66, 200), scatterVariance: 0.002 } as PanPlace['panned'],
    });
    expect(nextPan([leader, rival], RULES)).toMatchObject({
      id: 'leader',
      digs: 'leader',
      could: 'fall',
      instead: 'rival',
    });
  });
  test('where only the weight of a color is unknown, the scale comes first; by hand: as good as even when the grade stands at the mark', () => {
    const known = place('known', {
      chance: 0.5,
      panned: { ...(pans(200, 1000) as NonNullable<PanPlace['panned']>), commonLogSd: 0.5 },
    });
    const found = nextPan([known], { ...RULES, canWeigh: true });
    expect(found).toMatchObject({ does: 'weigh', id: 'known' });
    expect(found?.chance).toBeGreaterThan(0.35);
    expect(found?.chance).toBeLessThan(0.65);
    expect(nextPan([known], RULES)?.does).not.toBe('weigh');
  });
  test('a look comes before a deep pan where the line only hints at a sign; where the pan is quick, or the sign all but sure, one pans', () => {
    const hinted = (sure: number, work_min: number) =>
      place('bend', {
        chance: 0.25,
        chanceBefore: 0.25,
        work_min,
        guess: { kind: 'slack', sure, chanceIfThere: 0.45 },
      });
    const found = nextPan([hinted(0.4, 60)], RULES);
    expect(found).toMatchObject({ does: 'look', looksFor: 'slack', id: 'bend', digs: null, chance: 0.4 });
    expect(nextPan([hinted(0.4, 60), place('bar', { chance: 0.4, chanceBefore: 0.4 })], RULES)?.does).toBe('pan');
    expect(nextPan([{ ...hinted(0.4, 60), panned: pans(0, 5) }], RULES)?.does).not.toBe('look');
    expect(nextPan([{ ...hinted(0.4, 60), closed: true }], RULES)).toBeNull();
    expect(nextPan([{ ...hinted(0.95, 3), chance: 0.44, chanceBefore: 0.44 }], RULES)?.does).toBe('pan');
  });
  test('by hand: looking first at two like it brings more gold an hour than digging at both, played through one by one', () => {
    // 4 in 10 have the slack; those pay 45 in 100, the others 10. An hour's digging each, two minutes to look. What a pan tells is worth the same
    // wherever it shows a place that pays, so finds per hour are what is compared.
    const random = seededRandom(2026);
    const [SURE, THERE, NOT, DIG_MIN, LOOK] = [0.4, 0.45, 0.1, 60, 2];
    let [dug, dugFinds, looked, lookedFinds] = [0, 0, 0, 0];
    for (let i = 0; i < 40_000; i++) {
      const isThere = random() < SURE;
      const pays = random() < (isThere ? THERE : NOT);
      dug += DIG_MIN;
      if (pays) dugFinds++;
      looked += LOOK + (isThere ? DIG_MIN : 0);
      if (isThere && pays) lookedFinds++;
    }
    expect(lookedFinds / looked).toBeGreaterThan(1.5 * (dugFinds / dug));
    const chance = SURE * THERE + (1 - SURE) * NOT;
    const found = nextPan(
      [
        place('slack', {
          chance,
          chanceBefore: chance,
          work_min: DIG_MIN,
          guess: { kind: 'slack', sure: SURE, chanceIfThere: THERE },
        }),
      ],
      RULES,
    );
    expect(found?.does).toBe('look');
  });
  test('refuses a pan of nothing', () =>
    expect(() => nextPan([place('a')], { ...RULES, pan_L: 0 })).toThrow(OutOfRange));
});
