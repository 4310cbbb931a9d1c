import { describe, expect, test } from '@jest/globals';
import { localTime } from '../when/localTime.ts';
import { csvTable } from './csvReadings.ts';
import { csvTimes } from './csvTimes.ts';

// Hours from Greenwich by the IANA time zone database: London +1 in July and 0 in January, Anchorage -8 in July.
const LONDON = localTime('Europe/London');
const ANCHORAGE = localTime('America/Anchorage');

const timesOf = (text: string, local = LONDON) => {
  const { rows, columns } = csvTable(text);
  return csvTimes(rows, columns, local);
};
const moments = (text: string, local = LONDON): (string | null)[] =>
  (timesOf(text, local)?.at_ms ?? []).map((ms) => (Number.isNaN(ms) ? null : new Date(ms).toISOString()));
const one = (time: string, local = LONDON): string | null | undefined => moments(`time,x\n"${time}",1`, local)[0];

describe('a moment that names its zone', () => {
  // The first two are examples of RFC 3339, 5.8; the third of RFC 5322, A.1.1 with its zone.
  test.each([
    ['1985-04-12T23:20:50.52Z', '1985-04-12T23:20:50.520Z'],
    ['1996-12-19T16:39:57-08:00', '1996-12-20T00:39:57.000Z'],
    ['Fri, 21 Nov 1997 09:55:06 -0600', '1997-11-21T15:55:06.000Z'],
    ['2026-05-01 07:00Z', '2026-05-01T07:00:00.000Z'],
    ['2026-05-01T07:00 z', '2026-05-01T07:00:00.000Z'],
    ['2026-05-01 07:00 +0200', '2026-05-01T05:00:00.000Z'],
    ['2026-05-01 07:00+02', '2026-05-01T05:00:00.000Z'],
    ['2026-05-01T07:00:01,5Z', '2026-05-01T07:00:01.500Z'],
    ['1 May 2026 08:00 GMT', '2026-05-01T08:00:00.000Z'],
  ])('%s is %s wherever the ground lies', (said, is) => {
    expect([one(said), one(said, ANCHORAGE)]).toEqual([is, is]);
  });
});

describe('a moment without a zone', () => {
  test.each([
    ['2026-07-28 08:00', '2026-07-28T07:00:00.000Z'],
    ['2026-07-28T08:00:30', '2026-07-28T07:00:30.000Z'],
    ['2026/7/28 8:00', '2026-07-28T07:00:00.000Z'],
    ['2026-01-28 08:00', '2026-01-28T08:00:00.000Z'],
    ['28.7.2026 8.20', '2026-07-28T07:20:00.000Z'],
    ['4.7.2026 08:20', '2026-07-04T07:20:00.000Z'],
    ['28 Jul 2026 8:20 pm', '2026-07-28T19:20:00.000Z'],
    ['28-Jul-2026 08:20:10', '2026-07-28T07:20:10.000Z'],
    ['July 28, 2026 8:20', '2026-07-28T07:20:00.000Z'],
    ['28/07/2026 08:00', '2026-07-28T07:00:00.000Z'],
    ['7/28/2026 8:00:05 AM', '2026-07-28T07:00:05.000Z'],
    ['7/7/2026 12:30 am', '2026-07-06T23:30:00.000Z'],
    // A day alone is its middle.
    ['2026-07-28', '2026-07-28T11:00:00.000Z'],
    ['28 July 2026', '2026-07-28T11:00:00.000Z'],
  ])('%s is by the clock of the ground', (said, is) => {
    expect(one(said)).toBe(is);
  });
  test('the same words on another ground are another moment', () => {
    expect(one('2026-07-28 08:00', ANCHORAGE)).toBe('2026-07-28T16:00:00.000Z');
  });
  test('a day on which the clock is put forward or back has its own hours', () => {
    // London 2026: forward at 01:00 on 29 March, back at 02:00 on 25 October (IANA).
    expect(moments('time,x\n2026-03-29 00:30,1\n2026-03-29 03:30,1\n2026-10-25 00:30,1\n2026-10-25 12:00,1')).toEqual([
      '2026-03-29T00:30:00.000Z',
      '2026-03-29T02:30:00.000Z',
      '2026-10-24T23:30:00.000Z',
      '2026-10-25T12:00:00.000Z',
    ]);
  });
  test('a column that says UTC is by Greenwich', () => {
    for (const name of ['time (UTC)', 'time_gmt', 'DateTime UTC'])
      expect(moments(`${name},x\n2026-07-28 08:00,1`, ANCHORAGE)).toEqual(['2026-07-28T08:00:00.000Z']);
  });
  test.each([
    '',
    'noon',
    '2026-13-01 08:00',
    '2026-02-30',
    '31/06/2026',
    '2026-07-28 25:00',
    '2026-07-28 8:61',
    '46231',
    '28/07/26',
    'tomorrow',
  ])('%j is no time', (said) => {
    expect(one(said)).toBeNull();
  });
});

describe('day and month', () => {
  test('one line past the twelfth tells for the whole file', () => {
    expect(moments('date,x\n03/04/2026 09:00,1\n13/04/2026 09:00,1')).toEqual([
      '2026-04-03T08:00:00.000Z',
      '2026-04-13T08:00:00.000Z',
    ]);
    expect(moments('date,x\n03/04/2026 09:00,1\n03/13/2026 09:00,1')).toEqual([
      '2026-03-04T09:00:00.000Z',
      '2026-03-13T09:00:00.000Z',
    ]);
  });
  test('where no line tells, it is asked and nothing is taken', () => {
    expect(() => timesOf('date,x\n03/04/2026 09:00,1\n05/04/2026 09:00,1')).toThrow(
      'Day or month first? “03/04/2026 09:00” can be read both ways, and the lines of this file do not tell.',
    );
    expect(() => timesOf('date,x\n03/14/2026,1\n03/04/2026,1\n14/03/2026,1')).toThrow('written both ways');
  });
});

describe('the columns', () => {
  test('day and hour of two columns belong together, in either order', () => {
    const is = ['2026-07-28T07:00:00.000Z', '2026-07-28T08:00:30.000Z'];
    expect(moments('Date,Time,x\n2026-07-28,8:00,1\n2026-07-28,9:00:30,1')).toEqual(is);
    expect(moments('Time,x,Date\n8:00,1,28/07/2026\n9:00:30,1,28/07/2026')).toEqual(is);
  });
  test('a whole moment beside a day is read alone, and a zone’s name is no time', () => {
    expect(moments('time,date,x\n2026-07-28 08:00,2026-07-28,1')).toEqual(['2026-07-28T07:00:00.000Z']);
    expect(moments('timezone,datetime,x\nGMT,2026-07-28 08:00,1')).toEqual(['2026-07-28T07:00:00.000Z']);
  });
  test('no column named so is none', () => {
    expect(timesOf('a,b\n1,2')).toBeNull();
  });
});
