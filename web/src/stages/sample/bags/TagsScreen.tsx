import { toString as qrSvg } from 'qrcode';
import { useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { Link } from '../../../ui/Link.tsx';
import { plural } from '../../../ui/plural.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround } from '../../../shell/useGround.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Judgement } from '../../../ui/Judgement.tsx';
import { byTag } from './bagWords.ts';

/** Tags to print and cut: number, point, depth, room for the date, and a square code that opens the record. No name, no position: a lost tag tells nobody where. */
export function TagsScreen() {
  const { ground, spots } = useGround();
  const [search] = useSearchParams();
  const show = useShow();
  const planId = search.get('plan');
  const all = useRecords('lots', ground.id).items;
  const lots = useMemo(
    () => all.filter((l) => (planId ? l.samplePlanId === planId : true) && l.state === 'planned').sort(byTag),
    [all, planId],
  );
  const codes = useCodes(lots.map((l) => l.id));
  const pointNumber = (spotId: string | null): string => {
    const points = spots.filter((s) => s.samplePlanId === planId);
    const at = points.findIndex((s) => s.id === spotId);
    return at < 0 ? '' : `point ${at + 1}`;
  };
  return (
    <div className="flex flex-col gap-3">
      <div className="no-print">
        <Judgement rests="Print on waterproof paper, cut along the lines, one inside each bag and one tied to it. A tag names no place; its square code opens the bag’s record on a device of your crew.">
          {plural(lots.length, 'tag')} to print.
        </Judgement>
        <p className="mt-2 flex gap-3">
          <Button look="main" onClick={() => window.print()} disabled={lots.length === 0}>
            Print
          </Button>
          <Link
            className="inline-flex min-h-11 items-center underline underline-offset-4"
            to={`/g/${ground.id}/sample/bags?plan=${planId ?? ''}`}
          >
            Back to the bags
          </Link>
        </p>
      </div>
      <ul
        className="grid grid-cols-1 border-t border-l border-dashed border-ink-2 sm:grid-cols-2 lg:grid-cols-3 print:grid-cols-3!"
        aria-label="Tags"
      >
        {lots.map((l) => (
          <li
            key={l.id}
            className="flex break-inside-avoid items-center gap-3 border-r border-b border-dashed border-ink-2 p-3"
          >
            {/* Markup drawn by the code library from the record's own id: nothing a person typed. */}
            <span
              className="block size-24 shrink-0 bg-white p-1"
              role="img"
              aria-label={`Square code of ${l.tag}`}
              dangerouslySetInnerHTML={{ __html: codes.get(l.id) ?? '' }}
            />
            <span className="min-w-0">
              <span className="block font-serif text-[30px] leading-9 font-bold">{l.tag}</span>
              <span className="block">{pointNumber(l.spotId)}</span>
              <span className="block">
                {l.toDepth_m !== null && l.toDepth_m > 0
                  ? show.range('length', l.fromDepth_m ?? 0, l.toDepth_m)
                  : 'surface'}
                {l.layer && `, ${l.layer}`}
              </span>
              <span className="block text-ink-2">date ____________</span>
            </span>
          </li>
        ))}
      </ul>
      {lots.length === 0 && <p className="text-ink-2">Every bag of this plan is dug already.</p>}
    </div>
  );
}

/** Square codes (ISO/IEC 18004) of records, as drawings. */
function useCodes(ids: readonly string[]): ReadonlyMap<string, string> {
  const [codes, setCodes] = useState<ReadonlyMap<string, string>>(new Map());
  const key = ids.join(' ');
  useEffect(() => {
    let current = true;
    const wanted = key === '' ? [] : key.split(' ');
    void Promise.all(
      wanted.map(
        async (id) =>
          [
            id,
            await qrSvg(`${location.origin}/bag/${id}`, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' }),
          ] as const,
      ),
    ).then((made) => {
      if (current) setCodes(new Map(made));
    });
    return () => {
      current = false;
    };
  }, [key]);
  return codes;
}
