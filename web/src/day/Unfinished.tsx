import type { StoredGround, StoredSpot } from '@riffle/contract';
import { Link } from '../ui/Link.tsx';
import { expectedWords, standingTubs } from '../box/openLifts.ts';
import { latestFirst } from '../box/latestFirst.ts';
import { outOfTheBox } from '../box/outOfTheBox.ts';
import { useOpenLifts } from '../box/useOpenLifts.ts';
import { useRecords } from '../records/useRecords.ts';
import { useShow } from '../units/useShow.ts';
import { plural } from '../ui/plural.ts';
import { FirstFew } from '../ui/FirstFew.tsx';
import { Block } from '../ui/Judgement.tsx';
import { useLocalTime } from '../when/useLocalTime.ts';

/** What was begun and not ended, and the places passed by with what they need. */
export function Unfinished({ ground, spots }: { ground: StoredGround; spots: readonly StoredSpot[] }) {
  const local = useLocalTime();
  const show = useShow();
  const runs = useRecords('runs', ground.id).items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const back = useRecords('signs', ground.id).items.filter((s) => s.comeBackWith !== '');
  const open = runs.filter((r) => !r.tally.stopped);
  const inTubs = useOpenLifts(ground);
  const emptied = outOfTheBox(
    cleanups,
    inTubs.map((l) => l.lift),
  );
  const unweighed = latestFirst(runs.filter((r) => r.tally.stopped && r.tally.buckets > 0 && !emptied.has(r.id)));
  if (open.length + unweighed.length + inTubs.length + back.length === 0) return null;
  const at = (spotId: string): string => spots.find((s) => s.id === spotId)?.name ?? 'a spot since removed';
  return (
    <Block title="Unfinished" className="remarks">
      {open.length > 0 && (
        <ul className="flex flex-col">
          {open.map((r) => (
            <li key={r.id} className="border-b border-rule py-1">
              <Link
                className="no-print flex min-h-11 items-center underline underline-offset-4"
                to={`/g/${ground.id}/run`}
              >
                A run at {at(r.spotId)} is still open, {plural(r.tally.buckets, 'bucket')} in
              </Link>
            </li>
          ))}
        </ul>
      )}
      <FirstFew of={unweighed} more={(count) => `${plural(count, 'earlier run')} not weighed`}>
        {(some) => (
          <ul className="flex flex-col">
            {some.map((r) => (
              <li key={r.id} className="border-b border-rule py-1">
                <Link className="flex min-h-11 items-center underline underline-offset-4" to={`/g/${ground.id}/clean`}>
                  Concentrate of {local.day(r.startedAt)} from {at(r.spotId)}, {plural(r.tally.buckets, 'bucket')}, not
                  weighed
                </Link>
              </li>
            ))}
          </ul>
        )}
      </FirstFew>
      {inTubs.length + back.length > 0 && (
        <ul className="flex flex-col">
          {inTubs.map(({ lift, forecast }) => (
            <li key={lift.id} className="border-b border-rule py-1">
              <Link className="flex min-h-11 items-center underline underline-offset-4" to={`/g/${ground.id}/clean`}>
                {plural(standingTubs([{ lift }]).length, 'tub')} of {local.day(lift.liftedAt)},{' '}
                {standingTubs([{ lift }]).every((t) => t.finish) ? 'to be weighed' : 'to be finished'}
                {forecast && `, ${expectedWords(forecast.all, show.gold)}`}
              </Link>
            </li>
          ))}
          {back.map((s) => (
            <li key={s.id} className="border-b border-rule py-1.5">
              <b>{s.kind.replace(/^own: /, '')}</b> at {show.distance(s.distance_m)}: come back with {s.comeBackWith}
            </li>
          ))}
        </ul>
      )}
    </Block>
  );
}
