import { describe, expect, test } from '@jest/globals';
import { CONTAINERS } from '@riffle/core';
import { flowText, newFlow, readFlow, type FlowDraft } from './readFlow.ts';

const read = (some: Partial<FlowDraft>) => readFlow({ ...newFlow(false), ...some }, 10, CONTAINERS);
const m = (text: string) => ({ text, unit: 'm' });
const creek: Partial<FlowDraft> = {
  run: m('3'),
  width: m('2'),
  depth: m('0.2'),
  times_s: { float: [10, 10, 10], bucket: [] },
};
const pump: Partial<FlowDraft> = {
  way: 'pump',
  most: { text: '500', unit: 'L/min' },
  shutOff: m('25'),
  lift: m('3'),
  hoseLength: m('20'),
};

describe('a measured flow as it is typed', () => {
  test('a float: 0.3 m/s times 0.85 through 0.4 m2; a wing dam sends half to nine tenths of its share', () => {
    expect(read(creek)).toMatchObject({ flow_m3_s: expect.closeTo(0.102, 9), dam: null });
    expect(read({ ...creek, dam: m('0.5') }).dam).toMatchObject({
      low: expect.closeTo(0.01275, 9),
      high: expect.closeTo(0.02295, 9),
    });
    expect(read({ ...creek, dam: m('3') })).toMatchObject({ flow_m3_s: null, problem: expect.stringMatching(/wide/) });
  });
  test('a notch by the height over its point, from 30 mm on', () => {
    const notch = (text: string) => read({ way: 'notch', notch: { text, unit: 'mm' } });
    expect(notch('100')).toMatchObject({ flow_m3_s: expect.closeTo(0.0044, 4), problem: null });
    expect(notch('10')).toMatchObject({ flow_m3_s: null, problem: expect.stringMatching(/30 to 600 mm/) });
    expect(notch('')).toMatchObject({ flow_m3_s: null, problem: null });
  });
  test('a bucket needs a time, and a float all three lengths', () => {
    expect(read({ way: 'bucket' }).flow_m3_s).toBeNull();
    expect(
      read({ way: 'bucket', bucket: { text: '20', unit: 'L' }, times_s: { float: [], bucket: [10] } }).flow_m3_s,
    ).toBeCloseTo(0.002, 9);
    expect(read({ ...creek, depth: m('') }).flow_m3_s).toBeNull();
  });
  test('a pump by its plate: less through a valve half closed, nothing up too high', () => {
    const open = read(pump).flow_m3_s ?? NaN;
    expect(open).toBeGreaterThan(0.003);
    expect(open).toBeLessThan(500 / 60_000);
    expect(read({ ...pump, valve: 'half' }).flow_m3_s).toBeLessThan(open);
    expect(read({ ...pump, lift: m('30') })).toMatchObject({
      flow_m3_s: null,
      problem: expect.stringMatching(/^Nothing comes/),
    });
    expect(read({ ...pump, bends: 'two' })).toMatchObject({ flow_m3_s: null, readings: { bends: { ok: false } } });
    expect(read({ ...pump, lift: m('0') }).flow_m3_s).toBeGreaterThan(open);
  });
  test('is handed on in the units of the person', () => {
    expect(flowText(0.002, false)).toEqual({ text: '2.00', unit: 'L/s' });
    expect(flowText(0.002, true)).toEqual({ text: '31.7', unit: 'gpm' });
  });
});
