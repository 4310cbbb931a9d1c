import { format, parseISO } from 'date-fns';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { plural } from '../ui/plural.ts';
import { toast } from '../ui/toast.ts';
import { textProblem, TEXTS, type StoredDaySheet, type StoredGround, type StoredSpot } from '@riffle/contract';
import { useRecords } from '../records/useRecords.ts';
import { ClosedToday } from '../ground/ClosedToday.tsx';
import { daysWords } from '../ground/permissionDays.ts';
import { useKeep } from '../records/useKeep.ts';
import { useNow } from '../ui/useNow.ts';
import { inTen } from '../reading/inTen.ts';
import { useGround } from '../shell/useGround.ts';
import { useShow } from '../units/useShow.ts';
import { Button } from '../ui/Button.tsx';
import { TextField } from '../ui/Field.tsx';
import { Block, Judgement } from '../ui/Judgement.tsx';
import { CarryList } from './CarryList.tsx';
import { cautionsOf } from './cautions.ts';
import { DaySettings } from './DaySettings.tsx';
import { asStop } from './dayDraft.ts';
import { clock, lasting } from './dayWords.ts';
import { riverIsFresh, type Candidate } from '@riffle/core';
import { DayTimeline } from './DayTimeline.tsx';
import { dayAsGpx, dayAsIcs } from './exportDay.ts';
import { saveFile } from '../files/saveFile.ts';
import { StopList } from './StopList.tsx';
import { Lots } from './Lots.tsx';
import { Unfinished } from './Unfinished.tsx';
import { useDay, type Day } from './useDay.ts';

/** Today against the clock. */
export function DayScreen() {
  const { ground, spots } = useGround();
  const [date, setDate] = useState(() => format(new Date(), 'yyyy-MM-dd'));
  const plans = useRecords('day-sheets', ground.id);
  const samples = useRecords('samples', ground.id);
  if (plans.loading || samples.loading) return <p className="pt-6 text-ink-2">Opening the day ...</p>;
  const kept = plans.items.filter((p) => p.day === date).at(-1);
  // A kept plan may come a moment later, or from someone else of the crew: then the sheet begins again from it.
  return (
    <DaySheet
      key={`${ground.id} ${date} ${kept?.id} ${kept?.version}`}
      ground={ground}
      spots={spots}
      date={date}
      onDate={setDate}
      kept={kept}
    />
  );
}

interface DaySheetProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly date: string;
  readonly onDate: (date: string) => void;
  readonly kept: StoredDaySheet | undefined;
}

function DaySheet({ ground, spots, date, onDate, kept }: DaySheetProps) {
  const now_ms = useNow(30_000);
  const now = useMemo(() => new Date(now_ms), [now_ms]);
  const day = useDay(ground, spots, date, kept, now);
  const book = useKeep('day-sheets');
  const permissions = useRecords('permissions', ground.id).items;
  const show = useShow();
  const [picked, setPicked] = useState<string | null>(null);
  const [note, setNote] = useState(kept?.note ?? '');
  const [givesAway, setGivesAway] = useState(false);
  const { draft, plan, places, change } = day;
  const planned = plan?.stops.filter((s) => !s.late).flatMap((s) => places.get(s.id) ?? []) ?? [];
  const left = day.candidates.filter((c) => !plan?.stops.some((s) => s.id === c.id));
  const today = format(now, 'yyyy-MM-dd') === date;

  const keep = (): void => {
    if (!plan || textProblem(TEXTS.note, note)) return;
    const stops = plan.stops.flatMap((s) => places.get(s.id) ?? []).map(asStop);
    const { order, minutes, ...settled } = draft;
    book.put(kept, {
      ...settled,
      tools: [...settled.tools],
      groundId: ground.id,
      day: date,
      stops,
      note,
    });
    toast('The plan is kept.');
  };
  const save = (what: 'ics' | 'gpx'): void => {
    if (!plan) return;
    try {
      if (what === 'ics')
        saveFile(dayAsIcs(ground, date, plan, places, draft.back_min), `day-${date}.ics`, 'text/calendar');
      else saveFile(dayAsGpx(ground, date, plan, places, spots), `day-${date}.gpx`, 'application/gpx+xml');
    } catch (error) {
      toast((error as Error).message);
    }
    setGivesAway(false);
  };

  return (
    <div className="flex flex-col gap-4">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6 border-b border-rule pb-2">
        <span className="font-serif text-[18px] font-semibold">
          {format(parseISO(date), 'EEEE d MMMM')}
          <span className="hidden sm:inline">, {ground.name}</span>
        </span>
        <span className="no-print flex flex-wrap items-center gap-x-4">
          <input
            type="date"
            aria-label="Another day"
            className="min-h-11 bg-transparent text-ink-2"
            value={date}
            onChange={(e) => {
              if (e.target.value) onDate(e.target.value);
            }}
          />
          {day.planner.searching !== null && day.candidates.length > 12 && (
            <span role="status" className="text-[13px] text-ink-2">
              searching, {Math.round(100 * day.planner.searching)} %{' '}
              <button
                type="button"
                className="min-h-11 underline underline-offset-4"
                onClick={() => day.planner.stop()}
              >
                stop here
              </button>
            </span>
          )}
          {draft.order && (
            <Button look="quiet" onClick={() => change({ order: null })}>
              Order it for me
            </Button>
          )}
          <Button look={kept ? 'plain' : 'main'} onClick={keep} disabled={!plan}>
            {kept ? 'Keep the changes' : 'Keep this plan'}
          </Button>
        </span>
      </header>
      <DayJudgement ground={ground} day={day} />
      <ClosedToday ground={ground} on={date} />
      {plan && plan.stops.length > 0 && (
        <DayTimeline
          plan={plan}
          places={places}
          start_min={draft.start_min}
          back_min={draft.back_min}
          sky={day.sky}
          tide={day.tide}
          now_min={today ? now.getHours() * 60 + now.getMinutes() : null}
          picked={picked}
          onPick={setPicked}
        />
      )}
      <div className="no-print">
        <DaySettings ground={ground} draft={draft} change={change} />
      </div>
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)] print:grid-cols-[3fr_2fr]">
        <div className="flex min-w-0 flex-col gap-5">
          <Block
            title="In this order"
            aside={
              <>
                {inWords(day)}
                <span className="no-print">; drag to change it</span>
              </>
            }
          >
            {plan && plan.stops.length > 0 ? (
              <StopList
                plan={plan}
                places={places}
                back_min={draft.back_min}
                picked={picked}
                onPick={setPicked}
                onOrder={(order) => change({ order })}
                onMinutes={(id, minutes) => change({ minutes: { ...draft.minutes, [id]: minutes } })}
              />
            ) : (
              <p className="text-ink-2">
                {day.candidates.length === 0 ? (
                  <>
                    Nothing to plan yet.{' '}
                    <Link className="underline" to={`/g/${ground.id}/read`}>
                      Mark spots and signs
                    </Link>{' '}
                    as you walk; the day is made of them.
                  </>
                ) : plan ? (
                  'No place can be reached, tried and left in that time. Give the day more room.'
                ) : (
                  'Working it out ...'
                )}
              </p>
            )}
          </Block>
          {left.length > 0 && (
            <div className="no-print">
              <Block title="Left out" aside="tap to put one at the end">
                <ul className="flex flex-wrap gap-x-2 gap-y-2">
                  {[...left]
                    .sort((a, b) => b.value - a.value)
                    .slice(0, 12)
                    .map((c) => (
                      <li key={c.id}>
                        <button
                          type="button"
                          className="min-h-11 border border-ink px-3 text-left text-[13px]"
                          onClick={() => change({ order: [...(plan?.stops.map((s) => s.id) ?? []), c.id] })}
                        >
                          <b>{c.name}</b>, {inTen(c.chance)}, {lasting(c.work_min)}
                        </button>
                      </li>
                    ))}
                </ul>
              </Block>
            </div>
          )}
          {day.closed.length > 0 && (
            <p className="text-[13px] text-ink-2">
              Not today: {day.closed.map((c) => `${c.name} (${c.closed})`).join(', ')}.
            </p>
          )}
          <Block title="If it goes wrong" aside="plan B">
            <PlanB ground={ground} day={day} />
          </Block>
        </div>
        <div className="flex min-w-0 flex-col gap-5">
          <Block title="To carry">
            <CarryList draft={draft} change={change} planned={planned} />
          </Block>
          <Block title="Before you go">
            <ul className="flex flex-col gap-1.5 text-[13.5px]">
              {cautionsOf(ground, planned, draft, show.length).map((c) => (
                <li key={c.says} className="border-l-4 border-dashed border-danger pl-3">
                  {c.says}
                  {c.at.length > 0 && (
                    <span className="text-ink-2">
                      {' '}
                      {c.at.slice(0, 3).join(', ')}
                      {c.at.length > 3 && ` and ${c.at.length - 3} more`}.
                    </span>
                  )}
                </li>
              ))}
            </ul>
            {permissions.length > 0 && (
              <p className="mt-2 text-[13px]">
                {permissions.map((p) => `${p.name}: ${p.kind}${daysWords(p)}`).join('; ')}.{' '}
                <span className="text-ink-2">As you wrote it down; local law decides.</span>
              </p>
            )}
            <div className="mt-2">
              <TextField
                label="Local rules, who has been told, where the car stands"
                value={note}
                onChange={setNote}
                limit={TEXTS.note}
                rows={2}
              />
            </div>
          </Block>
          <Lots ground={ground} spots={spots} />
          <Unfinished ground={ground} spots={spots} />
          <div className="no-print flex flex-wrap gap-3">
            <Button onClick={() => save('ics')} disabled={!plan}>
              Calendar file
            </Button>
            {givesAway ? (
              <Button look="danger" onClick={() => save('gpx')}>
                Save with every position
              </Button>
            ) : (
              <Button onClick={() => setGivesAway(true)} disabled={!plan}>
                GPX for a receiver ...
              </Button>
            )}
            <Button onClick={() => print()}>Print one sheet</Button>
            {givesAway && (
              <p className="text-[13px] text-ink-2">A GPX file gives every place away to whoever gets it.</p>
            )}
          </div>
          {!ground.line && (
            <p className="text-[13px] text-ink-2">
              Walking is reckoned flat: this ground has no heights. At {show.distance(1000)} it takes about 20 min off
              the path.
            </p>
          )}
        </div>
      </div>
    </div>
  );
}

/** What the order rests on. */
const inWords = ({ draft, pace }: Day): string =>
  `${Math.round(pace.pan_min)} min a pan, ${pace.from > 0 ? `from ${plural(pace.from, 'gap')} in your own log` : 'as is common; your own log will say'}${draft.order ? '; your own order' : ''}`;

function DayJudgement({ ground, day }: { ground: StoredGround; day: Day }) {
  const show = useShow();
  const now_ms = useNow(60_000);
  const { draft, plan, places, sky, river, tide } = day;
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
  const rests = [
    best && `Likeliest ${best.name}, ${inTen(best.chance)}; that one of them pays, ${inTen(chance)}.`,
    sunset !== null &&
      (dark
        ? `The sun sets at ${clock(sunset)}, before you are back: take a light or start earlier.`
        : `${lasting(sunset - plan.back_min)} of sun to spare.`),
    ground.kind === 'creek' &&
      river &&
      (riverIsFresh(river.last, now_ms)
        ? `River ${show.length(river.last.level_m)}.`
        : `The river was last read ${format(new Date(river.last.readAt), 'd MMM')}: read it before you cross.`),
    ground.kind === 'creek' &&
      river?.flood &&
      `Last flood ${format(new Date(river.flood.readAt), 'd MMMM')}, ${show.length(river.flood.level_m)}.`,
    tide && 'Places wait for the sand to come bare.',
  ]
    .filter(Boolean)
    .join(' ');
  if (lates.length > 0) {
    return (
      <Judgement rests={rests}>
        {lates.map((s) => places.get(s.id)?.name).join(', ')} {lates.length === 1 ? 'falls' : 'fall'} out: you would be
        back at {clock(plan.back_min)}, not {clock(draft.back_min)}.
      </Judgement>
    );
  }
  return (
    <Judgement rests={rests}>
      {first ? `${first.name} first` : 'Go'} at {clock(fits[0]?.begin_min ?? draft.start_min)},{' '}
      {fits.length === 1 ? 'that one place' : `${fits.length} places`}, back at {clock(plan.back_min)}
      {draft.back_min - plan.back_min >= 5 && `, ${lasting(draft.back_min - plan.back_min)} in hand`}.
    </Judgement>
  );
}

const WRONG: Readonly<Record<StoredGround['kind'], string>> = {
  creek: 'If the river comes up',
  beach: 'If swell keeps you off the sand',
  wash: 'If the water hole is dry',
  bench: 'If the ground is frozen',
  hillside: 'If the ground is frozen',
};

const isDry = (g: StoredGround): boolean => g.kind !== 'creek' && g.kind !== 'beach';

/** What to do when the first thing goes wrong that does on such a ground. */
function PlanB({ ground, day }: { ground: StoredGround; day: Day }) {
  const { items: grounds } = useRecords('grounds');
  const { planB, places } = day;
  const elsewhere = grounds.filter((g) => g.id !== ground.id && isDry(g) !== isDry(ground));
  const names =
    planB?.stops.map((s: { id: string }) => places.get(s.id)).filter((c): c is Candidate => c !== undefined) ?? [];
  return (
    <p>
      <b>{WRONG[ground.kind]}:</b>{' '}
      {names.length > 0 && planB
        ? `${names.map((c) => c.name).join(', then ')}, off the water, back at ${clock(planB.back_min)}.`
        : ground.kind === 'wash'
          ? 'fill bags instead of panning, and carry them to the next water; tag each one.'
          : ground.kind === 'beach'
            ? 'walk the berm and mark seams and creek mouths to come back to; dig nothing the swell can reach.'
            : 'no place here lies out of its reach.'}{' '}
      {elsewhere.length > 0 && (
        <>
          Or go to{' '}
          {elsewhere.slice(0, 2).map((g, i) => (
            <span key={g.id}>
              {i > 0 && ' or '}
              <Link className="underline underline-offset-4" to={`/g/${g.id}/day`}>
                {g.name}
              </Link>
            </span>
          ))}
          .
        </>
      )}
    </p>
  );
}
