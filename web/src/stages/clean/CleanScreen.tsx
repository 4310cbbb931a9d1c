import { useState } from 'react';
import { Link } from '../../ui/Link.tsx';
import { NotSealed, OpenedForecast, Sealed } from '../../box/SealedForecast.tsx';
import { useGround } from '../../shell/useGround.ts';
import { Button } from '../../ui/Button.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { useDraft } from '../../ui/useDraft.ts';
import { CleanedBefore } from './CleanedBefore.tsx';
import { CleanVerdict } from './CleanVerdict.tsx';
import { FinishBlock } from './FinishBlock.tsx';
import { LiftSheet } from './LiftSheet.tsx';
import { LostBySize } from './LostBySize.tsx';
import { Moments } from './Moments.tsx';
import { RunsBlock } from './RunsBlock.tsx';
import { SectionsBlock } from './SectionsBlock.tsx';
import { SplitDrawing } from './SplitDrawing.tsx';
import { TailsAgain } from './TailsAgain.tsx';
import { TubsBlock } from './TubsBlock.tsx';
import { useCleanup, type CleanupInHand } from './useCleanup.ts';

/** From the box to the scale: lifted into tubs, finished, weighed; or weighed at once. */
export function CleanScreen() {
  const { ground } = useGround();
  const [weighing, setWeighing] = useDraft<{ readonly liftId: string | null }>(`clean-in-hand-${ground.id}`, () => ({
    liftId: null,
  }));
  const { liftId } = weighing;
  return <InHand key={liftId ?? 'box'} liftId={liftId} onWeigh={(id) => setWeighing({ liftId: id })} />;
}

interface InHandProps {
  /** The lift whose tubs are weighed; null: what lies in the box. */
  readonly liftId: string | null;
  readonly onWeigh: (liftId: string | null) => void;
}

/** Weighs what the box held, section by section, and says whether it held it all. */
function InHand({ liftId, onWeigh }: InHandProps) {
  const inHand = useCleanup(liftId, () => onWeigh(null));
  const { ground, waiting, runs, split, cleanups, inTubs, inBox, tubs } = inHand;
  const [lifting, setLifting] = useState(false);
  return (
    <div className="flex flex-col gap-4">
      <header className="hidden border-b border-rule pb-2 font-serif text-[18px] font-semibold sm:block">
        {ground.name}
      </header>
      <CleanVerdict
        runs={runs.length}
        tubs={inTubs}
        weighing={tubs}
        volumeBank_L={inHand.volumeBank_L}
        sources={inHand.sources}
        split={waiting.length === 0 ? null : split}
        bySize={inHand.bySize}
        typed={inHand.sections.find((s) => s.gold.text.trim() !== '')?.gold}
      />
      <Moments inBox={inBox} inTubs={inTubs} cleanups={cleanups} swell_percent={ground.swell_percent} />
      {inBox.length > 0 && !tubs && (
        <Button look="main" className="min-h-14 w-full text-[18px] sm:max-w-[26rem]" onClick={() => setLifting(true)}>
          Lift it into tubs, weigh later
        </Button>
      )}
      {inTubs.length > 0 && <TubsBlock lifts={inTubs} weighing={tubs?.lift.id ?? null} onWeigh={onWeigh} />}
      {waiting.length > 0 ? (
        <form
          className="grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
          onSubmit={(e) => {
            e.preventDefault();
            inHand.keep();
          }}
        >
          <div className="flex flex-col gap-5">
            <RunsBlock inHand={inHand} />
            <SectionsBlock inHand={inHand} />
          </div>
          <div className="flex flex-col gap-4">
            <SaidAndFound inHand={inHand} />
            <FinishBlock inHand={inHand} />
          </div>
        </form>
      ) : (
        <p>
          <Link className="underline underline-offset-4" to={`/g/${ground.id}/run`}>
            Start a run
          </Link>
        </p>
      )}
      <Link className="self-start underline underline-offset-4" to={`/g/${ground.id}/clean/finish`}>
        The last tablespoon: jars, floor and magnet
      </Link>
      <CleanedBefore inHand={inHand} />
      {lifting && (
        <LiftSheet
          groundId={ground.id}
          runs={inBox}
          rig={inHand.rig}
          sections={inHand.sections}
          onClose={() => setLifting(false)}
        />
      )}
    </div>
  );
}

/** What was said of these runs beforehand, and what the weights tell. */
function SaidAndFound({ inHand }: { inHand: CleanupInHand }) {
  const { split, sections, bySize } = inHand;
  return (
    <>
      {inHand.forecast && (
        <Block title={split ? 'Said beforehand, and weighed' : 'Said beforehand'}>
          {split ? (
            <OpenedForecast forecast={inHand.forecast} weighed={inHand.measured} />
          ) : (
            <Sealed forecast={inHand.forecast} what={inHand.tubs ? 'each tub' : 'it'} />
          )}
        </Block>
      )}
      {inHand.notForetold && !inHand.forecast && (
        <Block title="Said beforehand">
          <NotSealed why={inHand.notForetold} />
        </Block>
      )}
      {split && (
        <Block title="Where it lay" aside="weight for its length of box; dashed: what goes past the end at least">
          <SplitDrawing
            sections={inHand.measured.map((m, i) => ({ ...m, name: sections[i]?.name ?? '' }))}
            split={split}
          />
        </Block>
      )}
      {bySize && bySize.sizes.length > 0 && (
        <Block title="By sizes" aside="what the box held, and what of it went over the end">
          <LostBySize bySize={bySize} />
          <TailsAgain bySize={bySize} runs={inHand.runs} />
        </Block>
      )}
    </>
  );
}
