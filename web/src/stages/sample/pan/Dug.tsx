import { UNSHORED_M } from '@riffle/core';
import {
  TEXTS,
  type StoredGround,
  type StoredLot,
  type StoredPit,
  type StoredSample,
  type StoredSpot,
} from '@riffle/contract';
import { memo, type ReactNode } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { undoToast } from '../../../ui/undoToast.ts';
import { useShow } from '../../../units/useShow.ts';
import { PanFacts } from './PanFacts.tsx';
import type { SampleInHand } from './useSampleDraft.ts';

const BLACK_SAND = ['0', '1', '2', '3', '4'] as const;

interface DugProps {
  readonly ground: StoredGround;
  readonly spot: StoredSpot | undefined;
  readonly lot: StoredLot | undefined;
  /** Where the spot is chosen, if it is here. */
  readonly spotSelect: ReactNode;
  readonly inHand: SampleInHand;
  /** What was panned at the spot before. */
  readonly samples: readonly StoredSample[];
  readonly pits: readonly StoredPit[];
  /** Keeping was tried: what is wrong is said. */
  readonly tried: boolean;
  readonly weighing: boolean;
  readonly onWeigh: (weighing: boolean) => void;
}

/** What was dug for this pan and what else is known of it: all but its colors, and not drawn anew when one more is counted. */
export const Dug = memo(function Dug({
  ground,
  spot,
  lot,
  spotSelect,
  inHand,
  samples,
  pits,
  tried,
  weighing,
  onWeigh,
}: DugProps) {
  const show = useShow();
  const { draft, change } = inHand;
  const deep = inHand.depth.ok && inHand.depth.value > UNSHORED_M;
  return (
    <Block title="Dug" className="order-2 flex flex-col lg:order-none">
      <span id="dug" className="scroll-mt-24" />
      {lot ? (
        <p className="mb-2 text-[16px]">
          <b>Bag {lot.tag}</b>, {spot?.name ?? 'a spot since removed'}
          {lot.layer && `, ${lot.layer}`}
          {lot.screen && `; screened ${lot.screen}`}
        </p>
      ) : (
        spotSelect
      )}
      <div data-first-field="">
        <QuantityField
          label="Depth below the surface"
          entered={draft.depth}
          reading={inHand.depth}
          units={['m', 'cm', 'ft', 'in']}
          showProblem={tried}
          onChange={(depth) => change({ depth })}
          comesTo={inHand.depth.ok && show.length(inHand.depth.value)}
          problem={inHand.depthProblem}
        />
      </div>
      {deep && (
        <Caution className="mb-2">
          {show.length(UNSHORED_M)}: nobody in an unshored hole. Many local rules say so from here; keep out and follow
          yours.
        </Caution>
      )}
      <QuantityField
        label="How much you panned"
        entered={draft.volume}
        reading={inHand.volume}
        units={['pan', 'handful', 'double handful', 'bucket', 'scoop', 'L', 'gal']}
        showProblem={tried}
        onChange={(volume) => change({ volume })}
        comesTo={inHand.volume.ok && show.volume(inHand.volume.value)}
        problem={inHand.volumeProblem}
      />
      <Choices
        label="Loose or bank volume"
        value={draft.state}
        onChange={(state) => change({ state })}
        choices={[
          { value: 'loose', label: 'loose' },
          { value: 'bank', label: 'in the bank' },
        ]}
      />
      <p className="mt-1 mb-2 text-[12.5px] text-ink-2">
        Dug and heaped is loose: it swelled by {ground.swell_percent} %.
      </p>
      <p className="mb-1 text-[13px] text-ink-2">Black sand, none to a panful</p>
      <Choices
        label="Black sand"
        value={BLACK_SAND[draft.blackSand] ?? '0'}
        onChange={(v) => change({ blackSand: Number(v) })}
        choices={BLACK_SAND.map((v) => ({ value: v, label: v, says: `Black sand ${v} of 4` }))}
      />
      <div className="mt-3">
        {weighing ? (
          <QuantityField
            label="Weighed gold, all of this sample"
            entered={draft.gold}
            reading={inHand.gold ?? { ok: true, value: 0 }}
            units={['mg', 'g', 'grain', 'dwt', 'ozt']}
            optional
            onChange={(gold) => change({ gold })}
            comesTo={inHand.gold?.ok && show.gold(inHand.gold.value)}
            problem={inHand.goldProblem}
          />
        ) : (
          <Button look="quiet" onClick={() => onWeigh(true)}>
            Weighed any gold?
          </Button>
        )}
      </div>
      <PanFacts
        inHand={inHand}
        pits={pits.filter((p) => p.spotId === spot?.id)}
        sameBucket={samples.filter(
          (s) =>
            s.spotId === spot?.id &&
            s.depth_m === (inHand.depth.ok ? inHand.depth.value : NaN) &&
            s.lotId === (lot?.id ?? null),
        )}
        showProblem={tried}
      />
      <TextField label="Note" value={draft.note} rows={2} onChange={(note) => change({ note })} limit={TEXTS.note} />
      {inHand.isBegun && (
        <Button
          look="quiet"
          className="self-start"
          onClick={() => undoToast('What you typed is dropped.', inHand.drop())}
        >
          Drop what is typed
        </Button>
      )}
    </Block>
  );
});
