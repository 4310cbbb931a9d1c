import { describe, expect, test } from '@jest/globals';
import type { StoredWorkRound } from '@riffle/contract';
import { crewPace, type Post, type TimedRound } from '@riffle/core';
import { changeSays, crewSays, pace, standing } from './crewWords.ts';
import { hoursByTask } from './hoursByTask.ts';
import {
  joinBefore,
  pacedRuns,
  partBefore,
  postsOf,
  readTask,
  roundsFor,
  roundTimes,
  usualPosts,
} from './readRound.ts';

const two: Post[] = [
  { tasks: ['dig'], people: 1 },
  { tasks: ['carry', 'screen', 'feed'], people: 1 },
];
const often = (dig: number, carry: number, screen: number, feed: number): TimedRound[] =>
  Array.from({ length: 60 }, () => ({ task_s: { dig, carry, screen, feed } }));

describe('a round as it is typed', () => {
  test('a time that cannot be is told where it stands', () => {
    expect(readTask('')).toBeNull();
    expect(readTask('2:10')).toEqual({ ok: true, value: 130 });
    expect(readTask('3 h')).toEqual({ ok: false, problem: 'At most two hours.' });
    expect(readTask('0')).toMatchObject({ ok: false });
  });
  test('is kept with what was timed, and not while a time is wrong or none stands there', () => {
    expect(roundTimes({ typed: { dig: '2:10', feed: '45' } })).toEqual({
      dig_s: 130,
      carry_s: null,
      screen_s: null,
      feed_s: 45,
    });
    expect(roundTimes({ typed: { dig: '2:10', feed: 'long' } })).toBeNull();
    expect(roundTimes({ typed: { dig: ' ' } })).toBeNull();
  });
  test('of another bucket: digging grows with it, the way does not', () => {
    const kept = { bucket_L: 10, dig_s: 60, carry_s: 40, screen_s: null, feed_s: 30 } as StoredWorkRound;
    expect(roundsFor([kept], 20)).toEqual([{ task_s: { dig: 120, carry: 40, feed: 60 } }]);
  });
});

describe('how a crew stands', () => {
  test('before it says so: all but one dig; one alone does all', () => {
    expect(usualPosts(1)).toEqual([{ tasks: ['dig', 'carry', 'screen', 'feed'], people: 1 }]);
    expect(usualPosts(3).map((p) => p.people)).toEqual([2, 1]);
  });
  test('parted and joined again, no task and no hand is lost but where each post needs one', () => {
    const parted = partBefore(two, 'feed');
    expect(parted).toEqual([
      { tasks: ['dig'], people: 1 },
      { tasks: ['carry', 'screen'], people: 1 },
      { tasks: ['feed'], people: 1 },
    ]);
    expect(joinBefore(parted, 'feed')).toEqual([two[0], { tasks: ['carry', 'screen', 'feed'], people: 2 }]);
    const three: Post[] = [{ tasks: ['dig', 'feed'], people: 3 }];
    expect(partBefore(three, 'feed').map((p) => p.people)).toEqual([2, 1]);
    expect(partBefore(two, 'dig')).toEqual(two);
    expect(joinBefore(two, 'dig')).toEqual(two);
  });
  test('what nobody timed is not done here', () => {
    expect(postsOf(two, [{ task_s: { feed: 60 } }])).toEqual([{ tasks: ['feed'], people: 1 }]);
  });
});

describe('what is said', () => {
  const says = (rounds: TimedRound[], posts: Post[] = two): string =>
    crewSays(crewPace(rounds, posts, 5), posts, 60).says;
  test('who holds the others up, and what one more there would give', () => {
    expect(says(often(180, 40, 20, 30))).toMatch(
      /^Digging holds the others up: about 1[56] buckets an hour\. With the same hands about 1[89]: each takes a bucket all the way\.$/,
    );
    // The box takes one bucket at a time, whoever stands at it.
    const slowBox = Array.from({ length: 60 }, (): TimedRound => ({ task_s: { dig: 60, feed: 200 } }));
    const apart: Post[] = [
      { tasks: ['dig'], people: 1 },
      { tasks: ['feed'], people: 1 },
    ];
    expect(says(slowBox, apart)).toMatch(
      /^Feeding holds the others up: about 1[345] buckets an hour\. Another pair of hands there would bring little\.$/,
    );
  });
  test('evenly matched, too close to tell, alone, and together', () => {
    expect(says(often(124, 40, 30, 30))).toMatch(/^Well matched: about 2\d buckets an hour with two/);
    const once: TimedRound[] = [{ task_s: { dig: 150, carry: 40, screen: 30, feed: 35 } }];
    expect(says(once)).toMatch(
      /^About 1\d buckets an hour\. Too close to tell who holds you up: time another round\.$/,
    );
    expect(says(often(180, 40, 20, 30), usualPosts(1))).toMatch(
      /^Alone about (9.5|10) buckets an hour; digging takes most of it\. With one more about \d\d: /,
    );
    expect(says(often(180, 40, 20, 30), [{ tasks: ['dig', 'carry', 'screen', 'feed'], people: 2 }])).toMatch(
      /^Together about/,
    );
  });
  test('ways to stand, as one would say them', () => {
    expect(standing(two)).toBe('one digs, one carries, screens and feeds');
    expect(standing([{ ...(two[0] as Post), people: 2 }, two[1] as Post])).toBe(
      'two dig, one carries, screens and feeds',
    );
    expect(standing([{ tasks: ['dig', 'feed'], people: 3 }])).toBe('each takes a bucket all the way');
  });
  test('a pace in whole buckets, in halves below ten; nothing is promised that may not come', () => {
    expect([pace(13.6), pace(6.7)]).toEqual(['14', '6.5']);
    expect(changeSays({ low: 1.3, middle: 1.6, high: 1.9 }, 10)).toBe('16 an hour, at least 13');
    expect(changeSays({ low: 0.95, middle: 1.2, high: 1.5 }, 10)).toBe('12 an hour, perhaps no more');
    expect(changeSays({ low: 0.9, middle: 1, high: 1.08 }, 10)).toBe('no more');
  });
});

describe('where the hours went', () => {
  const run = (people: number | null, volumeLoose_L: number, running_s: number) =>
    ({ people, tally: { volumeLoose_L, running_s } }) as never;
  const times = [
    { task: 'dig', rounds: 1, usual_s: 180, low_s: 90, high_s: 300 },
    { task: 'feed', rounds: 1, usual_s: 60, low_s: 30, high_s: 90 },
  ] as const;
  test('two at it for three hours and 60 buckets: three of digging, one of feeding, two of rest', () => {
    const spent = hoursByTask(
      [run(2, 1200, 10_800), run(null, 500, 3600), run(3, 0, 3600)],
      [{ worked_s: 5400 }, { worked_s: null }],
      times,
      20,
    );
    expect(spent).toEqual({
      people_h: 6,
      buckets: 60,
      tasks: [
        { task: 'dig', hours: 3 },
        { task: 'feed', hours: 1 },
      ],
      rest_h: 2,
      clean_h: 1.5,
      unsaid: 1,
    });
  });
  test('nothing where no run says how many were at it; cleaning that was never said is not nothing', () => {
    expect(hoursByTask([run(null, 500, 3600)], [], times, 20)).toBeNull();
    expect(hoursByTask([run(1, 20, 3600)], [{} as never], times, 20)?.clean_h).toBeNull();
  });
  test('runs pace a crew from a quarter of an hour on', () =>
    expect(pacedRuns([run(2, 300, 3600), run(2, 20, 60), run(null, 300, 3600)], 20)).toEqual([
      { people: 2, buckets_h: 15 },
    ]));
});
