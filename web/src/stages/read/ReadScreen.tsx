import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useRecords } from '../../api/records.ts';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { LinePlan } from '../../ground/LinePlan.tsx';
import { Ribbon, type RibbonPlace } from '../../ribbon/Ribbon.tsx';
import { bestSpot, spotGrades } from '../../ribbon/spotGrades.ts';
import { useGround, usePicked } from '../../shell/useGround.ts';
import { useKeys } from '../../shell/useKeys.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { ReadJudgement } from './ReadJudgement.tsx';
import { GroundSheet } from './GroundSheet.tsx';
import { SpotSheet } from './SpotSheet.tsx';
import { SpotTable } from './SpotTable.tsx';

const several = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

/** The ground on its ribbon: where the pans were, what they said, which spot stands best. */
export function ReadScreen() {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const samples = useRecords('samples', ground.id).items;
  const grades = useMemo(() => spotGrades(samples, ground.swell_percent), [samples, ground.swell_percent]);
  const show = useShow();
  const [place, setPlace] = useState<RibbonPlace | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const [groundOpen, setGroundOpen] = useState(false);
  const pickedSpot = spots.find((s) => s.id === picked);

  const startNew = (at: RibbonPlace | null): void => {
    setPlace(at ?? { distance_m: Math.round(pickedSpot?.distance_m ?? ground.length_m / 2), bank: 'mid', offset_m: 0 });
    setEditing('new');
  };
  useKeys(useMemo(() => ({ n: () => { setPlace(null); setEditing('new'); } }), []));
  const positioned = spots.filter((s) => s.position);
  const goldIds = useMemo(() => new Set([...grades.values()].filter((g) => g.grade.kind === 'band').map((g) => g.spotId)), [grades]);

  return (
    <div className="flex flex-col gap-3.5">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6 border-b border-rule pb-2">
        <span className="hidden font-serif text-[18px] font-semibold sm:inline">{ground.name}</span>
        <span className="flex items-baseline gap-4 text-ink-2">
          <span>{show.distance(ground.length_m)} of {ground.kind}; {several(spots.length, 'spot')}, {several(samples.length, 'sample')}</span>
          <button type="button" className="underline decoration-rule underline-offset-4 max-sm:min-h-11" onClick={() => setGroundOpen(true)}>about it</button>
        </span>
      </header>
      <ReadJudgement ground={ground} spots={spots} grades={grades} best={bestSpot(grades.values())} />
      <Ribbon ground={ground} spots={spots} grades={grades} picked={picked} onPick={pick} onPlace={startNew} marked={editing === 'new' ? place : null} />
      <div className="flex flex-wrap items-center gap-3">
        {pickedSpot ? (
          <>
            <span className="font-serif text-[18px] font-semibold">{pickedSpot.name}</span>
            <span className="text-ink-2">{pickedSpot.kind}, {show.distance(pickedSpot.distance_m)} {GROUND_WORDS[ground.kind].along}, {GROUND_WORDS[ground.kind].banks[pickedSpot.bank]}{pickedSpot.note && `. ${pickedSpot.note}`}</span>
            <span className="grow" />
            <Button onClick={() => setEditing(pickedSpot.id)}>Change</Button>
            <Link className="inline-flex min-h-11 items-center bg-ink px-4 font-semibold text-paper" to={`/g/${ground.id}/sample?spot=${pickedSpot.id}`}>Sample here</Link>
          </>
        ) : (
          <span className="grow text-ink-2">Pick a spot on the ribbon, or tap beside one to mark a new place.</span>
        )}
        <Button onClick={() => startNew(null)}>New spot</Button>
      </div>
      <div className="grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
        {ground.line && <Block title="In plan" aside="north up"><LinePlan line={ground.line} spots={positioned} flow={ground.kind === 'beach' ? 'unknown' : 'against'} dry={ground.kind === 'wash' || ground.kind === 'bench'} picked={picked} onPick={pick} shape={0.5} gold={goldIds} /></Block>}
        <Block title="Spots" aside="best-proven first"><SpotTable kind={ground.kind} spots={spots} grades={grades} picked={picked} onPick={pick} /></Block>
      </div>
      {groundOpen && <GroundSheet ground={ground} onClose={() => setGroundOpen(false)} />}
      {editing !== null && (
        <SpotSheet
          key={editing} ground={ground} spot={spots.find((s) => s.id === editing)} place={place}
          onClose={() => { setEditing(null); setPlace(null); }}
          onKept={(id) => { setEditing(null); setPlace(null); pick(id); }}
        />
      )}
    </div>
  );
}
