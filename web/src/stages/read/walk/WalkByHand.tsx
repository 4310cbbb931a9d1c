import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import type { Walk } from './useWalk.ts';

/** Thirty walked, as one counts paces. */
const PACES_M = 20;

/** Where one stands, said by hand: at a place of the walk, or so many paces on. */
export function WalkByHand({ walk }: { walk: Walk }) {
  const show = useShow();
  const { byHand, where, marks, ahead, way, ground } = walk;
  if (!byHand) return null;
  const choices = where === null ? marks : ahead.length > 0 ? ahead : marks;
  const step = (by_m: number): void =>
    walk.sayWhere(Math.min(ground.length_m, Math.max(0, (where?.distance_m ?? 0) + (way === 'up' ? by_m : -by_m))));
  return (
    <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Where you stand">
      <span className="text-[15px]">I am at</span>
      {choices.slice(0, 2).map((m) => (
        <Button key={m.id} className="min-h-12" onClick={() => walk.sayWhere(m.distance_m)}>
          {m.name}
        </Button>
      ))}
      {where === null && (
        <Button className="min-h-12" onClick={() => walk.sayWhere(0)}>
          the foot
        </Button>
      )}
      {where !== null && (
        <>
          <Button className="min-h-12" onClick={() => step(-PACES_M)}>
            back {show.distance(PACES_M)}
          </Button>
          <Button className="min-h-12" onClick={() => step(PACES_M)}>
            on {show.distance(PACES_M)}
          </Button>
        </>
      )}
      {ground.line && walk.noFix !== 'denied' && (
        <Button look="quiet" onClick={() => walk.setByHand(false)}>
          by position
        </Button>
      )}
    </div>
  );
}
