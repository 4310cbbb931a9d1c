import type { StoredGround } from '@riffle/contract';
import type { JoiningGround } from '@riffle/core';
import type { ReactNode } from 'react';
import { Link } from '../../ui/Link.tsx';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useShow } from '../../units/useShow.ts';

interface JoinLineProps {
  readonly ground: StoredGround;
  readonly into: StoredGround | undefined;
  readonly draws: readonly JoiningGround[];
}

/** What this ground runs into, and which draws of the book join it. */
export function JoinLine({ ground, into, draws }: JoinLineProps) {
  const show = useShow();
  const grounds = useRecords('grounds').items;
  // A small-looking draw may drain a whole slope: both are said.
  const sizeOf = (draw: StoredGround | undefined): string =>
    draw
      ? `, ${show.distance(draw.length_m)} long${!draw.catchment_m2 ? '' : `, drains ${show.land(draw.catchment_m2)}`}`
      : '';
  const { joins } = ground;
  if (draws.length === 0 && !into) return null;
  return (
    <p className="text-[13.5px] text-ink-2">
      {into && joins && (
        <>
          Runs into <ToGround id={into.id}>{into.name}</ToGround> at {show.distance(joins.distance_m)},{' '}
          {GROUND_WORDS[into.kind].banks[joins.bank]}.{' '}
        </>
      )}
      {draws.length > 0 && (
        <>
          Draws that join:{' '}
          {draws.map((d, i) => (
            <span key={d.id}>
              {i > 0 && '; '}
              <ToGround id={d.id}>{d.name}</ToGround> at {show.distance(d.distance_m)}
              {sizeOf(grounds.find((g) => g.id === d.id))}
            </span>
          ))}
          .
        </>
      )}
    </p>
  );
}

const ToGround = ({ id, children }: { id: string; children: ReactNode }) => (
  <Link className="text-ink underline underline-offset-4" to={`/g/${id}/read`}>
    {children}
  </Link>
);
