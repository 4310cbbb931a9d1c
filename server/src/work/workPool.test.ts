import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { openWorkPool, type WorkLimits, type WorkPool } from './workPool.ts';

// A thread that runs from sources takes a second or two to start.
jest.setTimeout(120_000);

const LIMITS: WorkLimits = { longest_ms: 30_000, mostWaiting: 50, most_MB: 768 };
let pool: WorkPool | undefined;
const open = (some: Partial<WorkLimits> = {}): WorkPool => (pool = openWorkPool({ ...LIMITS, ...some }));
afterEach(() => pool?.close());

const pitch = { name: 'pitch', input: { kind: 'in/ft', value: 0.5, boxLength_m: 0.9144 } };
/** Many seconds of work: 2,000 places, each by a system of 200 neighbors so smooth that it has to be solved by elimination. */
const long = {
  name: 'kriging',
  input: {
    points: Array.from({ length: 3000 }, (_, i) => ({ x_m: (i * 37) % 997, y_m: (i * 61) % 991, value: i % 7 })),
    variogram: { model: 'gaussian', nugget: 0, partialSill: 1, range_m: 50 },
    neighbors: 200,
    at: Array.from({ length: 2000 }, (_, i) => ({ x_m: i % 997, y_m: (i * 3) % 991 })),
  },
};

const choices = { stretch: 0 };

/** The answer to a small sum. A thread that is new, on a machine with much else to do, may need more than one try to be up in time. */
async function answered(work: WorkPool, tries = 4): Promise<unknown> {
  return work.run('sum', pitch).catch((error: unknown) => {
    if (tries <= 1) throw error;
    return answered(work, tries - 1);
  });
}

describe('work in threads of its own', () => {
  test('answers as the sum itself does', async () =>
    expect(await open().run('sum', pitch)).toMatchObject({ slope: 0.5 / 12 }));
  test('what the core refuses comes back as a refusal with its field', async () => {
    const asked = open().run('sum', {
      name: 'variogram',
      input: { points: [], cutoff_m: 9e7, width_m: 1, model: 'spherical' },
    });
    await expect(asked).rejects.toMatchObject({ code: 'INVALID', errors: [{ path: 'width_m' }] });
  });
  test('a file that gives no ground is refused in its own words', async () =>
    await expect(open().run('groundFile', { bytes: Buffer.from('<html/>'), choices })).rejects.toMatchObject({
      code: 'FILE_UNREADABLE',
      message: expect.stringMatching(/neither GPX nor KML/) as unknown,
    }));
  test('fifteen megabytes nested in each other are refused at the first turn too deep', async () => {
    const nested = `<gpx>${'<a>'.repeat(5_000_000)}`;
    await expect(open().run('groundFileTold', { bytes: Buffer.from(nested), choices })).rejects.toMatchObject({
      code: 'FILE_UNREADABLE',
    });
  });
  test('while it works, the thread that asked is free', async () => {
    const work = open();
    let done = false;
    const some = { ...long, input: { ...long.input, at: long.input.at.slice(0, 100) } };
    const asked = work.run('sum', some).finally(() => (done = true));
    let turns = 0;
    for (; !done; turns++) await new Promise((resolve) => setTimeout(resolve, 20));
    await asked;
    expect(turns).toBeGreaterThan(10);
  });
  test('what takes too long is given up, and the next one is answered', async () => {
    const work = open({ longest_ms: 10_000 });
    await answered(work);
    // A dozen at once on the one or few threads there are: no machine is through with all of them in time.
    const asked = await Promise.allSettled(Array.from({ length: 12 }, () => work.run('sum', long)));
    const givenUp = asked.filter((a) => a.status === 'rejected');
    expect(givenUp.length).toBeGreaterThan(0);
    for (const g of givenUp) expect(g.reason).toMatchObject({ code: 'TOO_LONG' });
    expect(await answered(work)).toBeDefined();
  });
  test('what takes too much memory ends its own thread and nothing else', async () => {
    const work = open({ most_MB: 40 });
    const big = `<gpx><trk><trkseg>${'<trkpt lat="46.5" lon="-33"><ele>1</ele></trkpt>'.repeat(400_000)}</trkseg></trk></gpx>`;
    await expect(work.run('groundFile', { bytes: Buffer.from(big), choices })).rejects.toMatchObject({
      code: 'TOO_LONG',
    });
    expect(await work.run('sum', pitch)).toBeDefined();
  });
  test('more than can wait are sent away, those that wait are answered', async () => {
    const work = open({ mostWaiting: 2 });
    const all = await Promise.allSettled(Array.from({ length: 12 }, () => work.run('sum', pitch)));
    const busy = all.filter((a) => a.status === 'rejected');
    expect(busy.length).toBeGreaterThan(0);
    expect(busy.length).toBeLessThan(12);
    for (const b of busy) expect(b.reason).toMatchObject({ code: 'BUSY' });
  });
});
