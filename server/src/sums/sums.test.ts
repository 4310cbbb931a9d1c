import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import type { Problem } from '@riffle/contract';
import { HALF_INCH_BOX, SUM_CALLS } from '../../test/sumCalls.ts';
import { useTestServer } from '../../test/testServer.ts';
import { SUMS } from './sums.ts';

const server = useTestServer();

interface Case {
  readonly id: string;
  readonly inputs: Record<string, never>;
  readonly expected: Record<string, number>;
  readonly tolerance_relative: number;
}
/** Independently computed check values (see `core/test/reference`), asked for over HTTP as a spreadsheet would. */
const cases = (file: string): Case[] =>
  (
    JSON.parse(readFileSync(new URL(`../../../core/test/reference/${file}.json`, import.meta.url), 'utf8')) as {
      cases: Case[];
    }
  ).cases;

async function ask(name: string, body: unknown): Promise<Record<string, number>> {
  const answer = await server.call('POST', `/sums/${name}`, body);
  expect([answer.statusCode, answer.statusCode === 200 ? '' : answer.body]).toEqual([200, '']);
  return answer.json();
}
const near = (got: number | undefined, expected: number | undefined, relative: number): void =>
  expect(Math.abs((got ?? NaN) - (expected ?? NaN))).toBeLessThanOrEqual(
    Math.max(relative * Math.abs(expected ?? NaN), 1e-12),
  );

describe('sums over HTTP give the check values', () => {
  test.each(cases('06c-float-test'))('flow by float $id', async (c) => {
    const { length_m, time_s, mean_width_m, mean_depth_m, surface_coefficient } = c.inputs;
    near(
      (
        await ask('flow-by-float', {
          run_m: length_m,
          time_s,
          width_m: mean_width_m,
          depth_m: mean_depth_m,
          surfaceFactor: surface_coefficient,
        })
      )['flow_m3_s'],
      c.expected['flow_m3_s'],
      c.tolerance_relative,
    );
  });
  test.each(cases('06d-bucket-fill'))('flow by bucket $id', async (c) =>
    near(
      (await ask('flow-by-bucket', c.inputs))['flow_m3_s'],
      (c.expected['flow_L_s'] ?? NaN) / 1000,
      c.tolerance_relative,
    ),
  );
  test.each(cases('06a-manning-flow-from-depth'))('flow at depth $id', async (c) => {
    const flow = await ask('flow-at-depth', {
      width_m: c.inputs['b_m'],
      manningN: c.inputs['n'],
      slope: c.inputs['S'],
      depth_m: c.inputs['y_m'],
    });
    near(flow['flow_m3_s'], c.expected['flow_m3_s'], c.tolerance_relative);
    near(flow['froude'], c.expected['froude'], c.tolerance_relative);
  });
  test.each(cases('06b-manning-normal-depth'))('depth for a flow $id', async (c) =>
    near(
      (
        await ask('flow-at-rate', {
          width_m: c.inputs['b_m'],
          manningN: c.inputs['n'],
          slope: c.inputs['S'],
          flow_m3_s: (c.inputs['flow_L_s'] ?? NaN) / 1000,
        })
      )['depth_m'],
      c.expected['normal_depth_m'],
      c.tolerance_relative,
    ),
  );
  test.each(cases('08a-poisson-limits'))('count limits $id', async (c) => {
    const limits = await ask('count-limits', c.inputs);
    near(limits['low'], c.expected['lower'], c.tolerance_relative);
    near(limits['high'], c.expected['upper'], c.tolerance_relative);
  });
  test.each(cases('08c-clifton-sample-size'))('how much to take $id', async (c) =>
    near(
      (
        await ask('volume-for-particles', {
          grade_mg_L: c.inputs['grade_mg_per_L'],
          color_mg: c.inputs['flake_mass_mg'],
          particles: c.inputs['particles'],
        })
      )['volume_L'],
      c.expected['volume_L'],
      c.tolerance_relative,
    ),
  );
  test.each(cases('02a-sieve-designations'))('sieve $inputs.designation', async (c) =>
    near((await ask('sieve', c.inputs))['aperture_mm'], c.expected['aperture_mm'], c.tolerance_relative),
  );
  test.each(cases('10d-swell'))('bank volume $id', async (c) =>
    near(
      (
        await ask('bank-volume', {
          loose_L: (c.expected['loose_volume_m3'] ?? NaN) * 1000,
          swell_percent: c.inputs['swell_percent'],
        })
      )['bank_L'],
      (c.inputs['bank_volume_m3'] ?? NaN) * 1000,
      1e-9,
    ),
  );
  test.each(cases('03a-fresh-water'))('water at $inputs.temperature_C °C', async (c) =>
    near((await ask('water', c.inputs))['density_kg_m3'], c.expected['density_kg_m3'], 5e-5),
  );
});

describe('every sum', () => {
  test('has a call here, and no other', () =>
    expect(Object.keys(SUM_CALLS).sort()).toEqual(SUMS.map((s) => s.name).sort()));
  test.each(Object.keys(SUM_CALLS))('%s answers what it says', async (name) => {
    const [body, holds] = SUM_CALLS[name] ?? [{}, () => false];
    expect(holds((await ask(name, body)) as never)).toBe(true);
  });
  test.each(SUMS.map((s) => [s.name, s.summary]))(
    '%s is described in a sentence, in the list and in the document',
    async (name, summary) => {
      expect(summary).toMatch(/^[A-Z].*\.$/);
      const { paths } = (await server.call('GET', '/openapi.json')).json<{
        paths: Record<string, { post?: { summary?: string; requestBody?: unknown } }>;
      }>();
      expect(paths[`/api/v1/sums/${name}`]?.post).toMatchObject({ summary, requestBody: expect.anything() });
    },
  );
  test.each([
    ['convert', { kind: 'mass', value: 1, from: 'stone', to: 'g' }, 'unit'],
    ['water', { temperature_C: 80 }, 'temperature_C'],
    ['flake-settling', { size_m: 0.001, csf: 2 }, 'csf'],
    ['count-limits', { count: -1 }, 'count'],
    ['sample-grade', { volumeBank_L: 0, counts: {} }, 'volumeBank_L'],
    ['flow-at-depth', { width_m: 0.25, manningN: 0, slope: 0.05, depth_m: 0.02 }, 'manningN'],
    ['flow-by-float', { run_m: 10, time_s: 0, width_m: 1, depth_m: 1 }, 'time_s'],
    ['box', { ...HALF_INCH_BOX, sections: [{ lining: 'riffles', width_m: 30, length_m: 1.2 }] }, 'width_m'],
    ['box', { ...HALF_INCH_BOX, sections: [{ lining: 'velvet', width_m: 0.3, length_m: 1.2 }] }, 'sections.0.lining'],
    ['box-window', { ...HALF_INCH_BOX, slopes: 4000 }, 'slopes'],
    [
      'load-up',
      { fed_kg: -1, sections: [{ length_m: 1, width_m: 1, holds_kg_m2: 1, heavyRate_per_m: 1, goldRate_per_m: 1 }] },
      'fed_kg',
    ],
    ['section-split', { color_mg: 0, sections: [] }, 'color_mg'],
    ['drawdown', { width_m: 0.25, manningN: 0.03, slope: 0.05, flow_m3_s: -1, length_m: 1 }, 'flow_m3_s'],
  ])('%s refuses %j by field', async (name, body, path) => {
    const problem = (await server.call('POST', `/sums/${name}`, body)).json<Problem>();
    expect([problem.status, problem.code, problem.errors?.[0]?.path]).toEqual([400, 'INVALID', path]);
  });
  test('one there is not is not found', async () =>
    expect((await server.call('POST', '/sums/alchemy', {})).json()).toMatchObject({ status: 404, code: 'NOT_FOUND' }));
});
