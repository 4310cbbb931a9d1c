import type { StoredSign } from '@riffle/contract';
import { SignMark } from '../../ribbon/SignMarks.tsx';
import { asTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';

/** Signs as a list, those passed by first with what they need; each opens to be added to. */
export function SignList({ signs, onOpen }: { signs: readonly StoredSign[]; onOpen: (signId: string) => void }) {
  const show = useShow();
  if (signs.length === 0) return <p className="text-ink-2">No signs yet. Two taps where you stand: “Add a sign”, then what you see.</p>;
  const ordered = [...signs].sort((a, b) => Number(b.comeBackWith !== '') - Number(a.comeBackWith !== '') || a.distance_m - b.distance_m);
  return (
    <div className="max-h-[20rem] overflow-y-auto" tabIndex={0} role="region" aria-label="Signs, those to come back to first">
      <ul className="grid grid-cols-1 gap-x-8 lg:grid-cols-2">
        {ordered.map((s) => (
          <li key={s.id}>
            <button type="button" className="flex min-h-11 w-full items-center gap-3 border-b border-rule py-1 text-left" onClick={() => onOpen(s.id)}>
              <svg width="30" height="26" viewBox="-15 -13 30 26" aria-hidden="true" className="shrink-0"><SignMark kind={s.kind} size_mm={s.size_mm} /></svg>
              <span className="min-w-0 grow">
                <b>{s.kind.replace(/^own: /, '')}</b>{Object.values(s.traits).length > 0 && <>: {Object.values(s.traits).join(', ')}</>}{s.sizeEntered && <>, {asTyped(s.sizeEntered)}</>}{s.coverEntered && <>, {asTyped(s.coverEntered)} of cover</>}
                {s.comeBackWith && <span className="block">come back with {s.comeBackWith}</span>}
                {s.note && <span className="block text-[13px] text-ink-2">{s.note}</span>}
              </span>
              <span className="shrink-0 text-[13px] text-ink-2">{show.distance(s.distance_m)}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
