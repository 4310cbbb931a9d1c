import type { StoredLift, Tub } from '@riffle/contract';
import { useState } from 'react';
import { expectedWords, type OpenLift } from '../../box/openLifts.ts';
import { useKeep } from '../../records/useKeep.ts';
import { Button } from '../../ui/Button.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { plural } from '../../ui/plural.ts';
import { TextButton } from '../../ui/TextButton.tsx';
import { useShow } from '../../units/useShow.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { TubSheet } from './TubSheet.tsx';

interface TubsBlockProps {
  readonly lifts: readonly OpenLift[];
  /** The lift being weighed. */
  readonly weighing: string | null;
  readonly onWeigh: (liftId: string | null) => void;
}

/** What stands in tubs between the creek and the scale. */
export function TubsBlock({ lifts, weighing, onWeigh }: TubsBlockProps) {
  return (
    <Block title="In tubs" aside="tap a tub when it is finished, moved or lost">
      {lifts.map((l) => (
        <TubsOfLift key={l.lift.id} of={l} isWeighing={l.lift.id === weighing} onWeigh={onWeigh} />
      ))}
    </Block>
  );
}

interface TubsOfLiftProps {
  readonly of: OpenLift;
  readonly isWeighing: boolean;
  readonly onWeigh: (liftId: string | null) => void;
}

function TubsOfLift({ of: { lift, runs, volumeBank_L, forecast }, isWeighing, onWeigh }: TubsOfLiftProps) {
  const local = useLocalTime();
  const show = useShow();
  const { takeOut } = useKeep('lifts');
  const [open, setOpen] = useState<string | null>(null);
  const tub = lift.tubs.find((t) => t.tag === open);
  return (
    <div className="border-b border-rule py-2">
      <p>
        Lifted <b>{local.dayTime(lift.liftedAt)}</b>: {plural(runs.length, 'run')}, {show.volume(volumeBank_L)} of bank
        ground
        {forecast && `, ${expectedWords(forecast.all, show.gold)}`}.{lift.rinsedClean === 'no' && ' Box not rinsed.'}
      </p>
      <ul className="my-2 flex flex-wrap gap-2">
        {lift.tubs.map((t) => (
          <li key={t.tag}>
            <button
              type="button"
              aria-label={`Tub ${t.tag}, ${t.name}: ${tubState(t)}`}
              className="flex min-h-14 w-[5.5rem] flex-col items-center"
              onClick={() => setOpen(t.tag)}
            >
              <TubDrawing tub={t} />
              <span className="text-[13px] leading-tight">{tubState(t)}</span>
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-center gap-3">
        {isWeighing ? (
          <Button onClick={() => onWeigh(null)}>Not these after all</Button>
        ) : (
          <Button look="main" onClick={() => onWeigh(lift.id)}>
            Weigh these tubs
          </Button>
        )}
        <TextButton
          aria-label={`Take out the lift of ${local.dayTime(lift.liftedAt)}`}
          onClick={() => takeOut(lift, 'The lift is taken out; its runs lie in the box again.')}
        >
          take it out
        </TextButton>
      </div>
      {tub && <TubSheet lift={lift} tub={tub} onClose={() => setOpen(null)} />}
    </div>
  );
}

export const tubState = (tub: Tub): string => (tub.lost ? 'lost' : tub.finish ? 'finished' : 'to be finished');

/** A tub from the side: full of sand while it waits, a line of gold once it is finished, struck through when it is lost. */
function TubDrawing({ tub }: { tub: StoredLift['tubs'][number] }) {
  return (
    <svg viewBox="0 0 72 46" width="72" height="46" aria-hidden="true">
      {!tub.lost && !tub.finish && <path d="M10 18h52l-4 24H14z" fill="url(#sand)" />}
      {tub.finish && <path d="M13.4 38h45.2l-.6 4H14z" fill="var(--gold-fill)" stroke="var(--gold)" />}
      <path d="M6 6h60M8 6l6 36h44l6-36" fill="none" stroke="var(--ink)" strokeWidth="2.4" />
      <rect x="24" y="10" width="24" height="22" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.4" />
      <text x="36" y="27" textAnchor="middle" className="text-[16px] font-bold" fill="var(--ink)">
        {tub.tag.slice(0, 3)}
      </text>
      {tub.lost && <path d="M4 44 68 4" stroke="var(--danger)" strokeWidth="3" />}
    </svg>
  );
}
