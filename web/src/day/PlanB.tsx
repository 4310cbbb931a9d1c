import type { StoredGround } from '@riffle/contract';
import { DRY_IN_SUMMER, localPlane, secondWater, type Candidate, type WaterHole } from '@riffle/core';
import { Link } from '../ui/Link.tsx';
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

/** Where to go for water when the first hole is dry. */
function waterWords(holes: readonly WaterHole[], say: (m: number) => string): string {
  const second = secondWater(holes);
  if (second)
    return `The next water is the hole at ${say(second.distance_m)}${second.traits['holds'] === DRY_IN_SUMMER ? ', which fails in summer too' : ''}. `;
  return holes.length === 1
    ? 'Only one water hole is marked: find a second before you need it. '
    : 'No water hole is marked: bring the water you pan with. ';
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
      <b>{WRONG[ground.kind]}:</b> {ground.kind === 'wash' && waterWords(holes, show.distance)}
      {names.length > 0 && planB
        ? `${names.map((c) => c.name).join(', then ')}, off the water, back at ${clock(planB.back_min)}.`
        : ground.kind === 'wash'
          ? 'Or dry-sift what you dig: screen it, let it get bone dry, shake and blow the lights off, carry the fines to water in tagged bags. The dust is silica: a respirator, and stand upwind.'
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
