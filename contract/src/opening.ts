/** Lists of a ground that every page begins with, beside the grounds themselves. */
export const FIRST_LISTS = [
  'spots',
  'samples',
  'pits',
  'signs',
  'gauge-readings',
  'swell-readings',
  'permissions',
] as const;

/** What else the first word of a page rests on, by its address within the ground. The document brings it, and what it does not the page sends for at once. */
const PAGE_LISTS = {
  day: ['day-sheets', 'outlines', 'lots'],
  walk: ['day-sheets'],
  sample: ['seedings', 'containers', 'size-words', 'outlines', 'lots'],
  'sample/bags': ['lots', 'sample-plans'],
  'sample/tags': ['lots'],
  'sample/pits': ['runs'],
  'sample/screens': ['screenings', 'looks'],
  'sample/meaning': ['sample-plans', 'seedings', 'runs'],
  'sample/in-place': ['outlines'],
  'sample/hands': ['containers', 'seedings', 'size-words'],
  set: ['rigs', 'setups', 'screenings'],
  run: ['runs', 'setups', 'lifts', 'cleanups', 'rigs'],
  'run/crew': ['work-rounds', 'runs', 'setups', 'cleanups'],
  'run/haul': ['runs', 'setups', 'rigs', 'cleanups'],
  clean: ['runs', 'setups', 'lifts', 'cleanups', 'rigs'],
  'clean/finish': ['jars'],
  books: ['runs', 'setups', 'lifts', 'cleanups'],
  'books/gold': ['gold-entries', 'agreements'],
  sure: ['runs', 'setups', 'lifts', 'cleanups', 'forecasts'],
} as const;

type PageWithLists = keyof typeof PAGE_LISTS;
/** A kind of list that some page begins with. */
export type PageList = (typeof PAGE_LISTS)[PageWithLists][number];

/** The lists of a page beside the first ones; none for one that begins with those alone. */
export const listsOfPage = (page: string): readonly PageList[] =>
  Object.hasOwn(PAGE_LISTS, page) ? PAGE_LISTS[page as PageWithLists] : [];

/** Where a path leads, within its ground: "sample/bags" of "/g/.../sample/bags"; what is of no ground as it stands: "settings". */
export const pageAt = (pathname: string): string => pathname.replace(/^\/(g\/[0-9a-f-]{36}\/)?/, '').replace(/\/$/, '');

/** Whether what stands at an address ("sample/*": and at all below it) is part of the page. */
export const isPartOf = (page: string, at: string): boolean =>
  at === page || (at.endsWith('/*') && `${page}/`.startsWith(at.slice(0, -1)));
