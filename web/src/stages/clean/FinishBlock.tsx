import type { StoredLift } from '@riffle/contract';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { durationHours } from '../../when/readDuration.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';
import { OddGold } from './OddGold.tsx';
import { RinsedChoices } from './RinsedChoices.tsx';
import { readWorked } from './readCleanup.ts';
import type { CleanupInHand } from './useCleanup.ts';

const RINSED: Readonly<Record<StoredLift['rinsedClean'], string>> = {
  yes: ' and rinsed clean.',
  no: '; it was not rinsed clean.',
  unknown: '; whether it was rinsed clean was not said.',
};

/** Whether the box was rinsed, the black sand, and the way into the book. */
export function FinishBlock({ inHand }: { inHand: CleanupInHand }) {
  const { draft, change, blackSand, tried, ready, tubs } = inHand;
  const local = useLocalTime();
  const worked = readWorked(draft.worked);
  return (
    <Block title={tubs ? 'Into the book' : 'Before the next ground'}>
      {tubs ? (
        <p className="mb-1">
          It counts for <b>{local.dayTime(tubs.lift.liftedAt)}</b>, when the box was lifted
          {RINSED[tubs.lift.rinsedClean]}
        </p>
      ) : (
        <>
          <p className="mb-1 text-[13px] text-ink-2">
            Was the box rinsed clean, carpets too? If not, the next spot gets this one’s gold.
          </p>
          <RinsedChoices rinsed={draft.rinsed} onChange={(rinsed) => change({ rinsed })} />
        </>
      )}
      <div className="mt-3 grid grid-cols-1 gap-x-4 sm:grid-cols-2">
        <QuantityField
          label="Black sand, dry"
          entered={draft.blackSand}
          reading={blackSand ?? { ok: true, value: 0 }}
          units={['g', 'kg', 'oz', 'lb']}
          optional
          onChange={(entered) => change({ blackSand: entered })}
          problem={blackSand?.ok === false ? blackSand.problem : null}
        />
        <TextField
          label="Work on it, all hands together"
          value={draft.worked ?? ''}
          onChange={(worked) => change({ worked })}
          problem={worked?.ok === false ? worked.problem : null}
          hint={worked?.ok ? durationHours(worked.value) : 'lifting, finishing, weighing: “3 h 20”; may be empty'}
        />
        <TextField label="Remarks" value={draft.note} onChange={(note) => change({ note })} rows={2} />
      </div>
      {!tubs && (
        <WhenField
          label="Weighed earlier? When"
          value={draft.when ?? ''}
          onChange={(when) => change({ when })}
          hint="empty: now"
        />
      )}
      <OddGold inHand={inHand} />
      <Button look="main" type="submit" className="mt-1 min-h-14 w-full text-[18px]">
        Write it in the book
      </Button>
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && !ready && '▲ Not written yet: see the fields marked. A section without gold is 0.'}
      </p>
      <Caution quiet>
        No mercury, ever; found amalgam goes to licensed hands. Dry concentrate outdoors: fumes and silica dust harm.
      </Caution>
    </Block>
  );
}
