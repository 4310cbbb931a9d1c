import type { StoredGround, StoredSign } from '@riffle/contract';
import { localPlane, type Candidate } from '@riffle/core';
import { Link } from 'react-router';
import { useShow } from '../units/useShow.ts';
import { useRecords } from '../records/useRecords.ts';
import { clock } from './dayWords.ts';
import type { Day } from './useDay.ts';

const WRONG: Readonly<Record<StoredGround['kind'], string>> = {
  creek: 'If the river comes up',
  beach: 'If swell keeps you off the sand',
  wash: 'If the water hole is dry',
  bench: 'If the ground is frozen',
  hillside: 'If the ground is frozen',
};

/** Farther than this is another journey, m. Common practice, no source: an hour of bad road. */
const SAME_DAY_M = 40_000;
/** Whether one can change to that ground the same day, as far as both lie on the map. */
function reachable({ line: from }: StoredGround, { line: to }: StoredGround): boolean {
  const [here, there] = [from?.[0], to?.[0]];
  if (!here || !there) return false;
  const { x_m, y_m } = localPlane(here).toPlane(there);
  return Math.hypot(x_m, y_m) <= SAME_DAY_M;
}
const isDry = (g: StoredGround): boolean => g.kind !== 'creek' && g.kind !== 'beach';

/** The water to go to when the first hole is dry: one that holds all year before another, and one that fails in summer last. */
function otherWater(holes: readonly Pick<StoredSign, 'distance_m' | 'traits'>[], say: (m: number) => string): string {
  const sure = (s: Pick<StoredSign, 'traits'>): number =>
    s.traits['holds'] === 'holds all year' ? 2 : s.traits['holds'] === 'dry in summer' ? 0 : 1;
  const [, second] = [...holes].sort((a, b) => sure(b) - sure(a));
  return second
    ? `the next water is the hole at ${say(second.distance_m)}${sure(second) === 0 ? ', dry in summer too' : ''}.`
    : holes.length === 1
      ? 'only one water hole is marked: find a second before you need it.'
      : 'no water hole is marked: bring the water you pan with.';
}

/** What to do when the first thing goes wrong that does on such a ground. */
export function PlanB({ ground, day }: { ground: StoredGround; day: Day }) {
  const { items: grounds } = useRecords('grounds');
  const show = useShow();
  const holes = useRecords('signs', ground.id).items.filter((s) => s.kind === 'water hole');
  const { planB, places } = day;
  const outlines = useRecords('outlines', ground.id).items;
  const benches = ground.kind === 'creek' ? outlines.filter((o) => o.kind === 'bench') : [];
  const elsewhere = grounds.filter((g) => g.id !== ground.id && isDry(g) !== isDry(ground) && reachable(ground, g));
  const names =
    planB?.stops.map((s: { id: string }) => places.get(s.id)).filter((c): c is Candidate => c !== undefined) ?? [];
  return (
    <p>
      <b>{WRONG[ground.kind]}:</b>{' '}
      {names.length > 0 && planB
        ? `${names.map((c) => c.name).join(', then ')}, off the water, back at ${clock(planB.back_min)}.`
        : ground.kind === 'wash'
          ? `${otherWater(holes, show.distance)} Dry-sift what you dig: screen it, let it get bone dry, shake and blow the lights off, and carry the fines in tagged bags to water.`
          : ground.kind === 'beach'
            ? 'walk the berm and mark seams and creek mouths to come back to; dig nothing the swell can reach.'
            : benches.length > 0
              ? `${benches.map((o) => o.name).join(' and ')} lies above it: no place is marked there yet, so walk it and mark what you see.`
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
