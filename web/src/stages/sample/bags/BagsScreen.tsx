import type { StoredLot, StoredSamplePlan } from '@riffle/contract';
import { acrossOf, countColors, WET_GRAVEL_KG_L, spotGrades } from '@riffle/core';
import { useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { Link } from '../../../ui/Link.tsx';
import { plural } from '../../../ui/plural.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useRecordsOfAll } from '../../../records/useRecordsOfAll.ts';
import { useColors } from '../../../reading/useColors.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { Ribbon } from '../../../ribbon/Ribbon.tsx';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { useKeys } from '../../../shell/useKeys.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field, SelectField } from '../../../ui/Field.tsx';
import { Block, Judgement } from '../../../ui/Judgement.tsx';
import { BagSheet } from './BagSheet.tsx';
import { byTag, freeCode, missingBags, readTag, STATE_WORDS } from './bagWords.ts';
import { PlanSheet } from './PlanSheet.tsx';
import { PointsDrawing } from './PointsDrawing.tsx';
import { TagScanner } from './TagScanner.tsx';

/** Samples laid out and the bags they come home in: what is dug, what waits, what is missing. */
export function BagsScreen() {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const show = useShow();
  const keep = useKeep('sample-plans');
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const plans = useRecords('sample-plans', ground.id).items;
  const lots = useRecords('lots', ground.id).items;
  const samples = useRecords('samples', ground.id).items;
  const everyLot = useRecordsOfAll('lots').items;
  const grounds = useRecords('grounds').items;
  const pits = useRecords('pits', ground.id).items;
  const colors = useColors(ground, samples);
  const grades = useMemo(
    () => spotGrades(samples, ground.swell_percent, colors, pits),
    [samples, ground.swell_percent, colors, pits],
  );
  const [laying, setLaying] = useState(false);
  const [scanning, setScanning] = useState(false);
  const [tag, setTag] = useState('');
  const [tagProblem, setTagProblem] = useState<string | null>(null);
  useKeys(useMemo(() => ({ n: () => setLaying(true) }), []));

  const set = (name: string, value: string | null): void =>
    setSearch(
      (before) => {
        const after = new URLSearchParams(before);
        if (value === null) after.delete(name);
        else after.set(name, value);
        return after;
      },
      { replace: true },
    );
  const plan = plans.find((p) => p.id === search.get('plan')) ?? plans.at(-1);
  const mine = useMemo(() => lots.filter((l) => (plan ? l.samplePlanId === plan.id : true)).sort(byTag), [lots, plan]);
  const loose = lots.filter((l) => l.samplePlanId === null).sort(byTag);
  const bag = lots.find((l) => l.id === search.get('bag'));
  const points = plan ? spots.filter((s) => s.samplePlanId === plan.id) : [];
  const mouths = grounds.flatMap((g) =>
    g.joins?.groundId === ground.id ? [{ distance_m: g.joins.distance_m, bank: g.joins.bank }] : [],
  );
  const goldAt = (spotId: string): boolean | null => {
    const here = samples.filter((s) => s.spotId === spotId);
    return here.length === 0 ? null : here.some((s) => countColors(s.counts) > 0 || s.gold_mg !== null);
  };

  /** Opens the bag a tag or its square code names. Answers why it could not. */
  const openTag = (words: string): string | null => {
    const said = readTag(words);
    const hit = everyLot.find((l) => ('id' in said ? l.id === said.id : l.tag.toUpperCase() === said.tag));
    if (!hit)
      return words.trim() === ''
        ? 'Type or scan a tag.'
        : `No bag is tagged ${'tag' in said ? said.tag : 'so'}. Nothing was opened.`;
    setTag('');
    setScanning(false);
    if (hit.groundId === ground.id) set('bag', hit.id);
    else void navigate(`/bag/${hit.id}`);
    return null;
  };
  const removePlan = (p: StoredSamplePlan): void =>
    keep.takeOut(p, `${p.name} is out of the book, with the bags nobody dug.`);

  return (
    <div className="flex flex-col gap-4">
      <BagsJudgement plan={plan} lots={mine} />
      <div className="no-print flex flex-wrap items-end gap-x-6 gap-y-2">
        <form
          className="flex min-w-0 grow items-start gap-2 sm:max-w-96 tight:flex-wrap"
          onSubmit={(e) => {
            e.preventDefault();
            setTagProblem(openTag(tag));
          }}
        >
          <div className="grow">
            <Field
              label="Tag in your hand"
              problem={tagProblem}
              hint="Type it, or hold its square code before the camera."
            >
              {(ids) => (
                <input
                  {...ids}
                  className="written w-full"
                  value={tag}
                  autoCapitalize="characters"
                  autoComplete="off"
                  onChange={(e) => {
                    setTag(e.target.value);
                    setTagProblem(null);
                  }}
                />
              )}
            </Field>
          </div>
          <Button type="submit" className="mt-5">
            Open
          </Button>
          <Button className="mt-5" onClick={() => setScanning(true)}>
            Scan
          </Button>
        </form>
        <Button look={plans.length === 0 ? 'main' : 'plain'} className="mb-5" onClick={() => setLaying(true)}>
          Lay out samples
        </Button>
        {plans.length > 1 && (
          <div className="w-56">
            <SelectField
              label="Plan"
              value={plan?.id ?? ''}
              choices={plans.map((p) => ({ value: p.id, label: p.name }))}
              onChange={(id) => set('plan', id)}
            />
          </div>
        )}
      </div>
      {plan && (
        <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
          <div className="flex min-w-0 flex-col gap-4">
            <Block title={plan.name} aside={`${plan.pattern}, ${plural(points.length, 'point')}`}>
              {points.length > 0 && (
                <PointsDrawing
                  picked={picked}
                  onPick={pick}
                  points={points.map((s) => ({
                    id: s.id,
                    distance_m: s.distance_m,
                    across_m: acrossOf(s.bank, s.offset_m),
                    name: s.name,
                    states: mine.filter((l) => l.spotId === s.id).map((l) => l.state),
                    gold: goldAt(s.id),
                  }))}
                />
              )}
              <Progress lots={mine} />
              <p className="no-print flex flex-wrap gap-x-4">
                <Link
                  className="inline-flex min-h-11 items-center underline underline-offset-4"
                  to={`/g/${ground.id}/sample/tags?plan=${plan.id}`}
                >
                  Print the tags
                </Link>
                <button
                  type="button"
                  className="min-h-11 text-ink-2 underline underline-offset-4"
                  onClick={() => removePlan(plan)}
                >
                  Take this plan out
                </button>
              </p>
            </Block>
            <Ribbon thin ground={ground} spots={spots} grades={grades} picked={picked} onPick={pick} />
          </div>
          <Block
            title="Its bags"
            aside={
              picked && points.some((s) => s.id === picked) ? (
                <button type="button" className="underline underline-offset-4" onClick={() => pick(null)}>
                  all of them
                </button>
              ) : undefined
            }
          >
            <BagTable
              lots={picked && points.some((s) => s.id === picked) ? mine.filter((l) => l.spotId === picked) : mine}
              nameOf={(l) => spots.find((s) => s.id === l.spotId)?.name ?? 'mixed'}
              say={(m) => show.length(m)}
              onOpen={(id) => set('bag', id)}
            />
          </Block>
        </div>
      )}
      {loose.length > 0 && (
        <Block
          title="Bags of no plan"
          aside={show.load(
            loose.filter((l) => l.state === 'waiting').reduce((sum, l) => sum + l.volume_L, 0) * WET_GRAVEL_KG_L,
          )}
        >
          <BagTable
            lots={loose}
            nameOf={(l) => spots.find((s) => s.id === l.spotId)?.name ?? 'mixed: no grade for any spot'}
            say={(m) => show.length(m)}
            onOpen={(id) => set('bag', id)}
          />
        </Block>
      )}
      {laying && (
        <PlanSheet
          ground={ground}
          mouths={mouths}
          code={freeCode(everyLot.map((l) => l.tag))}
          tags={everyLot.map((l) => l.tag)}
          at_m={spots.find((s) => s.id === picked)?.distance_m ?? null}
          onClose={() => setLaying(false)}
          onKept={(id) => {
            setLaying(false);
            set('plan', id);
          }}
        />
      )}
      {scanning && <TagScanner onWords={openTag} onClose={() => setScanning(false)} />}
      {bag && (
        <BagSheet
          key={bag.id}
          ground={ground}
          spots={spots}
          lot={bag}
          taken={everyLot.map((l) => l.tag)}
          onClose={() => set('bag', null)}
        />
      )}
    </div>
  );
}

/** Named at most so many; the rest is a number. */
const NAMED = 5;
const named = (lots: readonly StoredLot[]): string =>
  `${lots
    .slice(0, NAMED)
    .map((l) => l.tag)
    .join(', ')}${lots.length > NAMED ? ` and ${lots.length - NAMED} more` : ''}`;

function BagsJudgement({ plan, lots }: { plan: StoredSamplePlan | undefined; lots: readonly StoredLot[] }) {
  if (!plan)
    return (
      <Judgement rests="A line across a bar, a grid, a test square, a row of cracks, a series up the creek: Riffle numbers the bags and prints their tags.">
        No samples are laid out here yet.
      </Judgement>
    );
  const missing = missingBags(lots);
  const waiting = lots.filter((l) => l.state === 'waiting');
  const next = lots.find((l) => l.state === 'planned' && !missing.includes(l));
  const dug = lots.filter((l) => l.state !== 'planned').length;
  const rests = [
    `${dug} of ${lots.length} dug, ${lots.filter((l) => l.state === 'panned' || l.state === 'run').length} panned.`,
    waiting.length > 0 && `Dug and waiting: ${named(waiting)}.`,
  ]
    .filter(Boolean)
    .join(' ');
  if (missing.length > 0)
    return (
      <Judgement rests={rests}>
        <span className="text-danger">
          {named(missing)} {missing.length === 1 ? 'is' : 'are'} missing.
        </span>
        {next ? ` Dig ${next.tag} after that.` : ''}
      </Judgement>
    );
  if (next) return <Judgement rests={rests}>Dig {next.tag} next.</Judgement>;
  if (waiting.length > 0) return <Judgement rests={rests}>All dug. Pan {waiting[0]?.tag} next.</Judgement>;
  return <Judgement rests={rests}>{plan.name} is done: see what it says.</Judgement>;
}

/** Bags as they come in: panned, waiting, missing, still to dig. */
function Progress({ lots }: { lots: readonly StoredLot[] }) {
  const count = (...states: StoredLot['state'][]): number => lots.filter((l) => states.includes(l.state)).length;
  const parts = [
    ['panned', count('panned', 'run'), 'var(--ink)'],
    ['dug', count('waiting'), 'url(#gravel)'],
    ['lost', count('lost'), 'url(#against)'],
    ['to dig', count('planned'), 'var(--paper)'],
  ] as const;
  let at = 0;
  return (
    <figure className="mt-2">
      <svg viewBox="0 0 400 20" className="block h-5 w-full" preserveAspectRatio="none" aria-hidden="true">
        {parts.map(([name, n, fill]) => {
          const x = at;
          at += (n / Math.max(1, lots.length)) * 400;
          return (
            <rect key={name} x={x} y="1" width={at - x} height="18" fill={fill} stroke="var(--ink)" strokeWidth="1.2" />
          );
        })}
      </svg>
      <figcaption className="text-ink-2">
        {parts
          .filter(([, n]) => n > 0)
          .map(([name, n]) => `${n} ${name}`)
          .join(', ')}
      </figcaption>
    </figure>
  );
}

function BagTable({
  lots,
  nameOf,
  say,
  onOpen,
}: {
  lots: readonly StoredLot[];
  nameOf: (l: StoredLot) => string;
  say: (m: number) => string;
  onOpen: (id: string) => void;
}) {
  return (
    <ul className="max-h-[30rem] overflow-y-auto" tabIndex={0} aria-label="Bags">
      {lots.map((l) => (
        <li key={l.id} className="border-b border-rule">
          <button
            type="button"
            className="flex min-h-12 w-full items-center gap-3 text-left"
            onClick={() => onOpen(l.id)}
          >
            <b className="w-16 shrink-0">{l.tag}</b>
            <span className="min-w-0 grow truncate">
              {nameOf(l)}
              {l.toDepth_m !== null && l.toDepth_m > 0 ? `, to ${say(l.toDepth_m)}` : ''}
              {l.layer && `, ${l.layer}`}
            </span>
            <span className={`shrink-0 text-[13px] ${l.state === 'lost' ? 'text-danger' : 'text-ink-2'}`}>
              {STATE_WORDS[l.state]}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}
