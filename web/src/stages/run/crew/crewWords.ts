import type { CrewPace, Post, Task, WayToStand } from '@riffle/core';
import { plural } from '../../../ui/plural.ts';

export const DOING: Readonly<Record<Task, string>> = {
  dig: 'digging',
  carry: 'carrying',
  screen: 'screening',
  feed: 'feeding',
};
const listed = (words: readonly string[]): string =>
  words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${words.at(-1)}` : (words[0] ?? '');
/** What a post does: "carrying and feeding". */
export const doing = ({ tasks }: Pick<Post, 'tasks'>): string => listed(tasks.map((t) => DOING[t]));
const capital = (words: string): string => `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`;
const NUMERALS = ['no one', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const count = (n: number): string => NUMERALS[n] ?? String(n);

/** Buckets an hour in words; halves below ten. */
export const pace = (buckets_h: number): string =>
  String(buckets_h < 10 ? Math.round(2 * buckets_h) / 2 : Math.round(buckets_h));

/** How hands stand: "two dig, one carries and feeds"; "three each take a bucket all the way". */
export function standing(posts: readonly Post[]): string {
  const VERBS: Readonly<Record<Task, readonly [one: string, many: string]>> = {
    dig: ['digs', 'dig'],
    carry: ['carries', 'carry'],
    screen: ['screens', 'screen'],
    feed: ['feeds', 'feed'],
  };
  const [only] = posts;
  if (posts.length === 1 && only) return only.people === 1 ? 'one does all' : 'each takes a bucket all the way';
  return posts
    .map((p) => `${count(p.people)} ${listed(p.tasks.map((t) => VERBS[t][p.people === 1 ? 0 : 1]))}`)
    .join(', ');
}

/** From this chance on it is said who holds the others up. */
export const SAID_FROM = 0.75;
/** Posts that wait so little more than the busiest are as good as matched. */
const MATCHED = 0.1;
/** Less than this is no gain one would notice. */
const NOTICED = 1.1;

export interface CrewSaid {
  readonly says: string;
  readonly rests: string;
}

/** The answer in a sentence, and what it rests on. */
export function crewSays(crew: CrewPace, posts: readonly Post[], rounds: number): CrewSaid {
  const people = posts.reduce((sum, p) => sum + p.people, 0);
  const now = crew.buckets_h.middle;
  const at = crew.holdsUp.post;
  const post = posts[at];
  const inOrder = [...crew.busy].sort((a, b) => b - a);
  const matched = posts.length > 1 && (inOrder[0] ?? 0) - (inOrder.at(-1) ?? 0) < MATCHED;
  const about = `about ${pace(now)} buckets an hour`;
  const longest = [...crew.tasks].sort((a, b) => b.usual_s - a.usual_s)[0];
  const says = (): string => {
    if (people === 1)
      return `Alone ${about}; ${longest ? `${DOING[longest.task]} takes most of it` : ''}. ${oneMoreSays(crew.bestOfMore, now)}`;
    if (!post || posts.length === 1)
      return `Together ${about}: nobody waits but at the box. ${oneMoreSays(crew.bestOfMore, now)}`;
    if (matched) return `Well matched: ${about} with ${count(people)}, and nobody waits long.`;
    if (crew.holdsUp.chance < SAID_FROM)
      return `${capital(about)}. Too close to tell who holds you up: time another round.`;
    const gain = crew.oneMore[at]?.middle ?? 1;
    return `${capital(doing(post))} ${post.tasks.length === 1 ? 'holds' : 'hold'} the others up: ${about}. ${
      crew.better && crew.better.times.middle >= NOTICED
        ? // What costs nothing comes first.
          `With the same hands about ${pace(now * crew.better.times.middle)}: ${standing(crew.better.posts)}.`
        : gain < NOTICED
          ? 'Another pair of hands there would bring little.'
          : `Another pair of hands there: about ${pace(now * gain)}.`
    }`;
  };
  const kept = `Rests, stones and talk leave ${Math.round(10 * crew.kept)} tenths of it, ${
    crew.runs > 0
      ? `as your ${plural(crew.runs, 'run')} with ${count(people)} came out`
      : `as is usual; runs that say how many you were move it`
  }.`;
  return {
    says: says(),
    rests: `Nine times in ten ${pace(crew.buckets_h.low)} to ${pace(crew.buckets_h.high)}, by ${plural(rounds, 'timed round')}. ${kept}`,
  };
}

function oneMoreSays(way: WayToStand, now: number): string {
  return way.times.middle < NOTICED
    ? 'Another pair of hands would bring little.'
    : `With one more about ${pace(now * way.times.middle)}: ${standing(way.posts)}.`;
}

/** What a change brings: "16 an hour, at least 13", or that it brings nothing one would notice. */
export function changeSays({ low, middle, high }: WayToStand['times'], now: number): string {
  if (high < NOTICED || middle < 1.03) return 'no more';
  return `${pace(now * middle)} an hour, ${low < 1 ? 'perhaps no more' : `at least ${pace(now * low)}`}`;
}
