import type { StoredGround } from '@riffle/contract';
import { permissionOn, riverIsFresh } from '@riffle/core';
import { useRecords } from '../records/useRecords.ts';
import { inTen } from '../reading/inTen.ts';
import { Button } from '../ui/Button.tsx';
import { Judgement } from '../ui/Judgement.tsx';
import { useNow } from '../ui/useNow.ts';
import { useShow } from '../units/useShow.ts';
import { byTheSand } from './dayDraft.ts';
import { clock, lasting } from './dayWords.ts';
import { inDaylight } from './daySky.ts';
import { hoursWords, nextBare, seaWords } from './seaWords.ts';
import type { Day } from './useDay.ts';
import { sayDay } from '../when/localTime.ts';
import { useLocalTime } from '../when/useLocalTime.ts';

/** The day in one sentence: where first, when, and when back; what falls out where it does not fit. */
export function DayJudgement({ ground, day, date }: { ground: StoredGround; day: Day; date: string }) {
  const local = useLocalTime();
  const show = useShow();
  const now_ms = useNow(60_000);
  const { draft, plan, places, sky, river, tide, backBy } = day;
  const isToday = date === local.isoDay(now_ms);
  const bare = tide && (inDaylight(sky, tide.work) ?? tide.work);
  const inHours = bare?.filter((w) => w.to_min > draft.start_min && w.from_min < draft.back_min);
  const { closed } = permissionOn(useRecords('permissions', ground.id).items, date);
  // What forbids the day comes before what the day would be: no plan for closed ground is praised.
  const [shut] = closed;
  if (shut)
    return (
      <Judgement
        rests={`${shut.why === 'closed season' ? (shut.until ? `Until ${sayDay(shut.until, date, 'long')}, by your notes.` : 'No end is noted.') : `By your notes it has ${shut.why === 'run out' ? 'run out' : 'not begun'}.`} The plan below is for a day on which you may; local law decides.`}
      >
        Stay off {ground.name}: {shut.note.name}.
      </Judgement>
    );
  if (day.findingOrder)
    return (
      <div role="status" className={tide ? 'at-length' : undefined}>
        <Judgement waits>Looking for the best order ...</Judgement>
      </div>
    );
  if (tide && bare && (inHours?.length === 0 || day.wayShut)) {
    const between = `${clock(draft.start_min)} to ${clock(draft.back_min)}`;
    const next = nextBare(ground, date, local);
    const sand = byTheSand(sky, tide);
    return (
      <>
        <Judgement rests={`${next ? `Next ${next}. ` : ''}${seaWords(tide, day.shore, isToday, show, local)}`}>
          {bare.length === 0
            ? 'The sand does not come bare by daylight on this day.'
            : inHours?.length === 0
              ? `The sand can be worked ${hoursWords(bare)}, not ${between}: change your hours.`
              : `The way off is under water from ${between}: change your hours.`}
        </Judgement>
        {sand && (
          <Button className="self-start" onClick={() => day.change({ ...sand, order: null })}>
            Go by the sand, {clock(sand.start_min)} to {clock(sand.back_min)}
          </Button>
        )}
      </>
    );
  }
  if (!plan || plan.stops.length === 0)
    return (
      <Judgement rests="Give it an hour to be back, and places to choose from.">
        {day.candidates.length === 0 && day.closed.length > 0
          ? 'Everything is closed today.'
          : 'No plan yet for this day.'}
      </Judgement>
    );
  const fits = plan.stops.filter((s) => !s.late);
  const lates = plan.stops.filter((s) => s.late);
  const first = places.get(fits[0]?.id ?? '');
  const best = fits.flatMap((s) => places.get(s.id) ?? []).sort((a, b) => b.chance - a.chance)[0];
  const chance = 1 - fits.reduce((none, s) => none * (1 - (places.get(s.id)?.chance ?? 0)), 1);
  const sunset = sky.sun?.kind === 'rises and sets' ? sky.sun.sunset_min : null;
  const dark = sunset !== null && plan.back_min > sunset;
  const left_min = backBy.min - plan.back_min;
  // The sea waits for nobody: its hour comes first.
  const gate = !tide
    ? ''
    : backBy.bySea
      ? `Be off by ${clock(backBy.min)}, before the sea shuts the way: `
      : `Sand to work ${hoursWords(inHours ?? [])}: `;
  const digs = places.get(day.digsAt ?? '');
  const toTry = fits.length - (digs ? 1 : 0);
  const rests = [
    day.ranking.nextSays,
    best && `Likeliest ${best.name}, ${inTen(best.chance)}; that one of them pays, ${inTen(chance)}.`,
    sunset !== null &&
      (dark
        ? `The sun sets at ${clock(sunset)}, before you are back: take a light or start earlier.`
        : `${lasting(sunset - plan.back_min)} of sun to spare.`),
    ground.kind === 'creek' &&
      river &&
      (riverIsFresh(river.last, now_ms)
        ? `River ${show.length(river.last.level_m)}.`
        : `The river was last read ${local.day(river.last.readAt)}: read it before you cross.`),
    ground.kind === 'creek' &&
      river?.flood &&
      `Last flood ${local.day(river.flood.readAt, 'long')}, ${show.length(river.flood.level_m)}.`,
    tide && seaWords(tide, day.shore, isToday, show, local),
  ]
    .filter(Boolean)
    .join(' ');
  if (lates.length > 0 && bare && plan.back_min <= backBy.min) {
    const last = bare.findLast((w) => lates.some((s) => s.begin_min < w.to_min)) ?? bare.at(-1);
    return (
      <Judgement rests={rests}>
        {lates.map((s) => places.get(s.id)?.name).join(', ')} {lates.length === 1 ? 'falls' : 'fall'} out: the sand has
        to be left by {clock(last?.to_min ?? backBy.min)}.
      </Judgement>
    );
  }
  if (lates.length > 0) {
    return (
      <Judgement rests={rests}>
        {lates.map((s) => places.get(s.id)?.name).join(', ')} {lates.length === 1 ? 'falls' : 'fall'} out: you would be
        back at {clock(plan.back_min)}, not {clock(backBy.min)}
        {backBy.bySea && ', when the sea shuts the way'}.
      </Judgement>
    );
  }
  return (
    <Judgement rests={rests}>
      {gate}
      {digs && toTry === 0 ? `Dig at ${digs.name}` : first ? `${first.name} first` : 'Go'} at{' '}
      {clock(fits[0]?.begin_min ?? draft.start_min)}
      {toTry > 1 ? `, ${toTry} places` : !digs && ', that one place'}
      {digs && toTry > 0 && `, then dig at ${digs.name} for ${lasting(digs.work_min)}`}, back at {clock(plan.back_min)}
      {!digs && left_min >= 5 && `, ${lasting(left_min)} in hand`}.
    </Judgement>
  );
}
