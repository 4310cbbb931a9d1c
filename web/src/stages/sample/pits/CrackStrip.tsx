import type { StoredPit } from '@riffle/contract';
import { crackGold_mg_m, paidByKind, type Band, type SampleGrade } from '@riffle/core';
import { useWidth } from '../../../ui/useWidth.ts';
import { useShow } from '../../../units/useShow.ts';

/** A grade as its ends and middle; of a blank pan from nothing to what may still be there; null where nothing was counted. */
export function bandOf(grade: SampleGrade | undefined): Band | null {
  if (grade?.kind === 'band') return { low: grade.low_mg_L, middle: grade.grade_mg_L, high: grade.high_mg_L };
  if (grade?.kind === 'blank') return { low: 0, middle: 0, high: grade.lessThan_mg_L };
  return null;
}

/** Gold of a metre of a kept crack, mg; null where it has no pans of its own. */
export function perMetreOf(pit: StoredPit, grades: ReadonlyMap<string, SampleGrade>): Band | null {
  const grade = bandOf(grades.get(pit.id));
  return pit.crevice && grade ? crackGold_mg_m(pit.crevice, grade) : null;
}

interface CrackStripProps {
  readonly pits: readonly StoredPit[];
  /** Of each crack by its own pans. */
  readonly grades: ReadonlyMap<string, SampleGrade>;
  readonly picked: string | null;
  readonly onPick: (pitId: string) => void;
}

/** A sweep along a ledge: its cracks side by side as wide and deep as they are, above each what a metre of it paid. Dashed: some of it is still in there. */
export function CrackStrip({ pits, grades, picked, onPick }: CrackStripProps) {
  const [attach, width] = useWidth(560);
  const show = useShow();
  const cracks = pits.flatMap((pit) =>
    pit.crevice ? [{ pit, crevice: pit.crevice, gold: perMetreOf(pit, grades) }] : [],
  );
  const most = Math.max(1e-9, ...cracks.map((c) => c.gold?.high ?? 0));
  const deepest = Math.max(0.05, ...cracks.map((c) => c.crevice.depth_m));
  const widest = Math.max(0.01, ...cracks.map((c) => c.crevice.width_m));
  const each = Math.max(64, Math.min(150, width / Math.max(1, cracks.length)));
  const [rock, high] = [98, 196];
  return (
    <div ref={attach} className="overflow-x-auto">
      <svg
        width={Math.max(width, each * cracks.length)}
        height={high + 22}
        role="group"
        aria-label="Cracks of the ledge"
        className="block"
      >
        <rect
          x="0"
          y={rock}
          width={Math.max(width, each * cracks.length)}
          height={high - rock}
          fill="url(#hardpan)"
          opacity="0.5"
        />
        <path d={`M0 ${rock}H${Math.max(width, each * cracks.length)}`} stroke="var(--ink)" strokeWidth="2" />
        {cracks.map(({ pit, crevice, gold }, i) => {
          const x = (i + 0.5) * each;
          const half = Math.max(4, (0.32 * each * crevice.width_m) / widest);
          const deep = Math.max(10, ((high - rock - 12) * crevice.depth_m) / deepest);
          const y = (mg: number): number => rock - 8 - ((rock - 40) * mg) / most;
          const isOpen = crevice.state !== 'cleaned out';
          const says = gold === null ? 'not panned' : `${show.gold(gold.middle)} a meter`;
          return (
            <g
              key={pit.id}
              role="button"
              tabIndex={0}
              aria-label={`${pit.name}, ${crevice.strike}, ${crevice.state}: ${says}`}
              aria-pressed={pit.id === picked}
              className="cursor-pointer"
              onClick={() => onPick(pit.id)}
              onKeyDown={(e) => {
                if (e.key === 'Enter' || e.key === ' ') onPick(pit.id);
              }}
            >
              <rect
                x={x - each / 2 + 2}
                y="2"
                width={each - 4}
                height={high + 18}
                fill={pit.id === picked ? 'var(--picked)' : 'transparent'}
                fillOpacity="0.8"
              />
              <path
                d={`M${x - half} ${rock}L${x - half * 0.2} ${rock + deep}H${x + half * 0.2}L${x + half} ${rock}Z`}
                fill={isOpen ? 'url(#gravel)' : 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth="1.6"
                strokeDasharray={isOpen ? '5 3' : undefined}
              />
              {gold && (
                <>
                  <path
                    d={`M${x} ${y(gold.low)}V${y(gold.high)}M${x - 5} ${y(gold.high)}h10`}
                    stroke="var(--gold)"
                    strokeWidth="2"
                  />
                  <rect
                    x={x - 9}
                    y={y(gold.middle)}
                    width="18"
                    height={Math.max(1.5, rock - 8 - y(gold.middle))}
                    fill="var(--gold)"
                  />
                  <text
                    className="halo"
                    x={x}
                    y={Math.max(14, y(gold.high) - 8)}
                    fontSize="12.5"
                    fontWeight="700"
                    textAnchor="middle"
                    style={{ fill: 'var(--gold)' }}
                  >
                    {show.gold(gold.middle)}
                  </text>
                </>
              )}
              <text x={x} y={high + 16} fontSize="12.5" textAnchor="middle" fontWeight={pit.id === picked ? 700 : 400}>
                {pit.name}
              </text>
            </g>
          );
        })}
      </svg>
      <WhichPaid cracks={cracks} />
    </div>
  );
}

/** By what cracks are chosen, and what each kind paid here; nothing before two kinds can be told apart. */
function WhichPaid({
  cracks,
}: {
  cracks: readonly { readonly crevice: NonNullable<StoredPit['crevice']>; readonly gold: Band | null }[];
}) {
  const show = useShow();
  const paid = cracks.flatMap((c) => (c.gold ? [{ ...c, gold: c.gold }] : []));
  const ways = [
    { by: 'By strike', of: paid.map((c) => c.crevice.strike) },
    { by: 'By the rock', of: paid.map((c) => (c.crevice as Partial<typeof c.crevice>).rock ?? null) },
  ];
  return (
    <>
      {ways.map(({ by, of }) => {
        const kinds = paidByKind(
          paid.map((c, i) => ({ length_m: c.crevice.length_m, gold_mg_m: c.gold, kind: of[i] ?? null })),
        );
        return kinds.length < 2 ? null : (
          <p key={by} className="mt-1">
            <b>{by}:</b>{' '}
            {kinds.map((k, i) => (
              <span key={k.kind}>
                {i > 0 && '; '}
                {k.kind}{' '}
                <span className="text-gold">
                  {show.band('gold', k.gold_mg_m.middle, k.gold_mg_m.low, k.gold_mg_m.high)}
                </span>{' '}
                a meter, {k.cracks === 1 ? 'one crack' : `${k.cracks} cracks`}
              </span>
            ))}
            .
          </p>
        );
      })}
    </>
  );
}
