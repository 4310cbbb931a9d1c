import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  fromTenths,
  GOLD_DEEDS,
  goldLedger,
  shareOut,
  statements,
  TOGETHER,
  toTenths,
  UNSORTED,
  type Agreement,
  type GoldEntry,
  type GoldIn,
} from './goldLedger.ts';

const line = (id: string, day: number, some: Partial<GoldEntry>): GoldEntry => ({
  id,
  at: `2026-07-${String(day).padStart(2, '0')}T18:00:00.000Z`,
  deed: 'moved',
  from: UNSORTED,
  to: '',
  amount_mg: 0,
  out_mg: null,
  price: null,
  corrects: null,
  ...some,
});
const dayOf = (at: string): string => at.slice(0, 10);

describe('the ledger of a season, by hand', () => {
  const came: GoldIn[] = [
    { id: 'c1', at: '2026-07-01T18:00:00.000Z', gold_mg: 1200.1 },
    { id: 'c2', at: '2026-07-10T18:00:00.000Z', gold_mg: 800.2 },
  ];
  const entries = [
    line('nugget', 2, { deed: 'found', from: '', to: 'vial B', amount_mg: 2500 }),
    line('sort', 3, { to: 'vial A', amount_mg: 1000 }),
    line('melt', 11, { deed: 'melted', from: 'vial A', to: 'bar', amount_mg: 1000, out_mg: 930.5 }),
    line('sale', 12, { deed: 'sold', from: 'bar', to: 'a buyer', amount_mg: 930.5, price: 61.41 }),
    line('to Ana', 13, { deed: 'handed out', from: 'vial B', to: 'Ana', amount_mg: 1250 }),
    line('spilt', 14, { deed: 'lost', amount_mg: 0.3 }),
  ];
  test('weighed and found is in hand, sold, handed out or lost', () => {
    expect(goldLedger(came, entries)).toEqual({
      weighed_mg: 2000.3,
      found_mg: 2500,
      // 1250 of the nugget; 1200.1 + 800.2 - 1000 - 0.3 unsorted.
      vials: [
        { name: 'vial B', gold_mg: 1250, fine_mg: null },
        { name: UNSORTED, gold_mg: 1000, fine_mg: null },
      ],
      inHand_mg: 2250,
      sold_mg: 930.5,
      handedOut_mg: 1250,
      // 69.5 in the melt and 0.3 spilt.
      lost_mg: 69.8,
      price: 61.41,
      takenBack: [],
      short: [],
    });
  });
  test('a line taken back does not count, and counts again when that is taken back', () => {
    const back = line('back', 15, { deed: 'taken back', from: '', corrects: 'to Ana' });
    const after = goldLedger(came, [...entries, back]);
    expect([after.handedOut_mg, after.inHand_mg, after.takenBack]).toEqual([0, 3500, ['to Ana']]);
    const again = line('again', 16, { deed: 'taken back', from: '', corrects: 'back' });
    expect(goldLedger(came, [...entries, back, again])).toEqual(goldLedger(came, entries));
  });
  test('more than lies in a vial is said, not refused', () => {
    const { short, inHand_mg } = goldLedger(came, [line('early', 5, { to: 'vial A', amount_mg: 1500 })]);
    expect(short).toEqual([{ id: 'early', vial: UNSORTED, by_mg: 299.9 }]);
    expect(inHand_mg).toBe(2000.3);
  });
  test('two to one until the 9th, then a third partner of equal part: each has coming what is theirs', () => {
    const agreements: Agreement[] = [
      {
        since: '2026-07-09',
        partners: [
          { name: 'Ana', parts: 1 },
          { name: 'Ben', parts: 1 },
          { name: 'Cy', parts: 1 },
        ],
      },
      {
        since: '2026-01-01',
        partners: [
          { name: 'Ana', parts: 2 },
          { name: 'Ben', parts: 1 },
        ],
      },
    ];
    const told = statements(came, entries, agreements, dayOf);
    // Tenths: 12 001 and 25 000 two to one (8 001 + 16 667 of them Ana's), 8 002 in three (2 668, 2 667, 2 667). Gone in three: 695, 9 305 and 3.
    expect(told.map((s) => [s.name, s.share_mg, s.gone_mg, s.handedOut_mg, s.due_mg])).toEqual([
      ['Ana', 2733.6, 333.5, 1250, 1150.1],
      ['Ben', 1500, 333.5, 0, 1166.5],
      ['Cy', 266.7, 333.3, 0, -66.6],
    ]);
    // 61.41 in three: 20.47 each.
    expect(told.map((s) => s.price)).toEqual([20.47, 20.47, 20.47]);
    expect(statements(came, [], [], dayOf).map((s) => [s.name, s.due_mg])).toEqual([[TOGETHER, 2000.3]]);
  });
});

const amount = fc.integer({ min: 0, max: 500_000 }).map(fromTenths);
const vial = fc.constantFrom(UNSORTED, 'A', 'B');
const clock = fc.integer({ min: 1, max: 28 }).map((d) => `2026-07-${String(d).padStart(2, '0')}T12:00:00.000Z`);
const someEntries = fc
  .array(
    fc.record({
      at: clock,
      deed: fc.constantFrom(...GOLD_DEEDS),
      from: vial,
      to: vial,
      amount_mg: amount,
      melted: fc.double({ min: 0, max: 1, noNaN: true }),
      price: fc.integer({ min: 0, max: 1_000_000 }).map((cents) => cents / 100),
      corrects: fc.nat(),
    }),
    { maxLength: 30 },
  )
  .map((lines) =>
    lines.map(({ melted, corrects, ...e }, i): GoldEntry => ({
      ...e,
      id: `e${i}`,
      out_mg: e.deed === 'melted' ? fromTenths(Math.round(toTenths(e.amount_mg) * melted)) : null,
      corrects: e.deed === 'taken back' ? `e${corrects % lines.length}` : null,
    })),
  );
const someCame = fc
  .array(fc.record({ at: clock, gold_mg: amount }), { maxLength: 10 })
  .map((came) => came.map((c, i): GoldIn => ({ ...c, id: `c${i}` })));
const partner = fc.record({ name: fc.constantFrom('Ana', 'Ben', 'Cy', 'Di'), parts: fc.integer({ min: 0, max: 7 }) });
const someAgreements = fc.array(
  fc.record({
    since: clock.map(dayOf),
    partners: fc.uniqueArray(partner, { selector: (p) => p.name, minLength: 1, maxLength: 4 }),
  }),
  { maxLength: 4 },
);

describe('whatever is written', () => {
  test('what came in is in hand, sold, handed out or lost, to the tenth of a milligram', () => {
    fc.assert(
      fc.property(someCame, someEntries, (came, entries) => {
        const l = goldLedger(came, entries);
        expect(toTenths(l.weighed_mg) + toTenths(l.found_mg)).toBe(
          toTenths(l.inHand_mg) + toTenths(l.sold_mg) + toTenths(l.handedOut_mg) + toTenths(l.lost_mg),
        );
        expect(toTenths(l.weighed_mg)).toBe(came.reduce((sum, c) => sum + toTenths(c.gold_mg), 0));
        expect(l.vials.reduce((sum, v) => sum + toTenths(v.gold_mg), 0)).toBe(toTenths(l.inHand_mg));
      }),
      { numRuns: 500 },
    );
  });
  test('the order lines arrive in, and lines that arrive twice, make no difference', () => {
    fc.assert(
      fc.property(someCame, someEntries, fc.nat(), (came, entries, seed) => {
        const turned = [...entries, ...entries].map((e, i) => ({ e, key: (i * 7919 + seed) % 101 }));
        const mixed = turned.sort((a, b) => a.key - b.key).map(({ e }) => e);
        const { takenBack, ...straight } = goldLedger(came, entries);
        const { takenBack: mixedBack, ...other } = goldLedger([...came].reverse(), mixed);
        expect(other).toEqual(straight);
        expect([...mixedBack].sort()).toEqual([...takenBack].sort());
      }),
      { numRuns: 300 },
    );
  });
  test('shares come to the whole, and nobody is a tenth or more off their part', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -1_000_000, max: 1_000_000 }),
        fc.uniqueArray(partner, { selector: (p) => p.name, minLength: 1 }),
        (whole, partners) => {
          const parts = partners.reduce((sum, p) => sum + p.parts, 0);
          if (parts === 0) return expect(() => shareOut(whole, partners)).toThrow('at least one part');
          const shares = shareOut(whole, partners);
          expect([...shares.values()].reduce((sum, s) => sum + s, 0)).toBe(whole);
          for (const p of partners)
            expect(Math.abs((shares.get(p.name) ?? NaN) - (whole * p.parts) / parts)).toBeLessThan(1);
        },
      ),
      { numRuns: 500 },
    );
  });
  test('what is due to all comes to what lies in hand, and the money to what was paid', () => {
    fc.assert(
      fc.property(someCame, someEntries, someAgreements, (came, entries, agreements) => {
        const l = goldLedger(came, entries);
        const told = statements(came, entries, agreements, dayOf);
        expect(told.reduce((sum, s) => sum + toTenths(s.due_mg), 0)).toBe(toTenths(l.inHand_mg));
        expect(told.reduce((sum, s) => sum + Math.round(s.price * 100), 0)).toBe(Math.round(l.price * 100));
      }),
      { numRuns: 500 },
    );
  });
});

describe('fine gold', () => {
  const came = [{ id: 'c', at: '2026-07-01T00:00:00Z', gold_mg: 1000 }];
  const melted = line('2', 2, {
    deed: 'melted',
    from: 'unsorted',
    to: 'button',
    amount_mg: 500,
    out_mg: 450,
    fineness_permille: 880,
  });
  const fineOf = (entries: GoldEntry[]) =>
    Object.fromEntries(goldLedger(came, entries).vials.map((v) => [v.name, v.fine_mg]));
  test('a melt that was assayed is known, native gold is not', () =>
    expect(fineOf([melted])).toEqual({ unsorted: null, button: 396 }));
  test('what is moved together is fine as its parts, by weight; with some never assayed it is not known', () => {
    const found = line('3', 3, { deed: 'found', to: 'coin', amount_mg: 100, fineness_permille: 900 });
    const joined = line('4', 4, { from: 'button', to: 'coin', amount_mg: 225 });
    // Half of the button is 198 mg fine, and 90 of the coin.
    const both = fineOf([melted, found, joined]);
    expect(both['button']).toBeCloseTo(198, 9);
    expect(both['coin']).toBeCloseTo(288, 9);
    expect(fineOf([melted, line('5', 5, { to: 'button', amount_mg: 10 })])['button']).toBeNull();
  });
});
