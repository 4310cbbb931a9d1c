import type { StoredGround, StoredSpot } from '@riffle/contract';
import { Link } from 'react-router';
import { useRecords } from '../records/useRecords.ts';
import { useShow } from '../units/useShow.ts';
import { Block } from '../ui/Judgement.tsx';
import { useLocalTime } from '../when/useLocalTime.ts';

/** What was begun and not ended, and the places passed by with what they need. */
export function Unfinished({ ground, spots }: { ground: StoredGround; spots: readonly StoredSpot[] }) {
  const local = useLocalTime();
  const show = useShow();
  const runs = useRecords('runs', ground.id).items;
  const cleaned = new Set(useRecords('cleanups', ground.id).items.flatMap((c) => c.runIds));
  const back = useRecords('signs', ground.id).items.filter((s) => s.comeBackWith !== '');
  const open = runs.filter((r) => !r.tally.stopped);
  const unweighed = runs.filter((r) => r.tally.stopped && r.tally.buckets > 0 && !cleaned.has(r.id));
  if (open.length + unweighed.length + back.length === 0) return null;
  const at = (spotId: string): string => spots.find((s) => s.id === spotId)?.name ?? 'a spot since removed';
  return (
    <Block title="Unfinished">
      <ul className="flex flex-col">
        {open.map((r) => (
          <li key={r.id} className="border-b border-rule py-1">
            <Link
              className="no-print flex min-h-11 items-center underline underline-offset-4"
              to={`/g/${ground.id}/run`}
            >
              A run at {at(r.spotId)} is still open, {r.tally.buckets} buckets in
            </Link>
          </li>
        ))}
        {unweighed.map((r) => (
          <li key={r.id} className="border-b border-rule py-1">
            <Link className="flex min-h-11 items-center underline underline-offset-4" to={`/g/${ground.id}/clean`}>
              Concentrate of {local.day(r.startedAt)} from {at(r.spotId)}, {r.tally.buckets} buckets, not weighed
            </Link>
          </li>
        ))}
        {back.map((s) => (
          <li key={s.id} className="border-b border-rule py-1.5">
            <b>{s.kind.replace(/^own: /, '')}</b> at {show.distance(s.distance_m)}: come back with {s.comeBackWith}
          </li>
        ))}
      </ul>
    </Block>
  );
}
