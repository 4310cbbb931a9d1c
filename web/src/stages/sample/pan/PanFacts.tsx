import { PAN_WAYS, TEXTS, type StoredPit, type StoredSample } from '@riffle/contract';
import { judgedByItsTop } from '@riffle/core';
import { useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { Field, SelectField, TextField } from '../../../ui/Field.tsx';
import { WhenField } from '../../../when/WhenField.tsx';
import { PanGuide } from './PanGuide.tsx';
import { layerWords } from '../../../ground/layerWords.ts';
import type { SampleInHand } from './useSampleDraft.ts';

interface PanFactsProps {
  readonly inHand: SampleInHand;
  readonly pits: readonly StoredPit[];
  /** Earlier pans of the same bucket or bag. */
  readonly sameBucket: readonly StoredSample[];
  readonly showProblem: boolean;
}

/** What else is known of this pan: its layer, its place in the bucket, whose hands, how and how long. */
export function PanFacts({ inHand, pits, sameBucket, showProblem }: PanFactsProps) {
  const [opened, setOpened] = useState(false);
  const isOpen = opened || (showProblem && Object.keys(inHand.factProblems).length > 0);
  return (
    <details className="border-t border-rule pt-1" open={isOpen} onToggle={(e) => setOpened(e.currentTarget.open)}>
      <summary className="min-h-11 py-2 font-semibold">More about this pan</summary>
      {isOpen && <Facts inHand={inHand} pits={pits} sameBucket={sameBucket} showProblem={showProblem} />}
    </details>
  );
}

function Facts({ inHand, pits, sameBucket, showProblem }: PanFactsProps) {
  const { draft, change, factProblems } = inHand;
  const [guide, setGuide] = useState(false);
  const pit = pits.find((p) => p.id === draft.pitId);
  const layers = pit?.layers.map((l, i) => ({ id: l.id, nth: i + 1, words: layerWords(l) })) ?? [];
  const [nth, of] = [Number(draft.nth), Number(draft.of)];
  const numbered = draft.nth !== '' && draft.of !== '' && !factProblems.bucket;
  const top = numbered
    ? judgedByItsTop([{ nth, of }, ...sameBucket.flatMap((s) => (s.bucket?.of === of ? [s.bucket] : []))])
    : null;
  const number = (
    label: string,
    field: 'took' | 'nth' | 'of' | 'grownIn' | 'fromSafetyPan',
    problem: string | undefined,
    hint?: string,
  ) => (
    <Field label={label} problem={showProblem || draft[field] !== '' ? problem : null} hint={hint}>
      {(ids) => (
        <input
          {...ids}
          inputMode="numeric"
          className="written w-full"
          value={draft[field]}
          onChange={(e) => change({ [field]: e.target.value })}
        />
      )}
    </Field>
  );
  return (
    <>
      <div className="grid grid-cols-2 gap-x-4">
        <SelectField
          label="How you pan"
          value={draft.way}
          choices={PAN_WAYS.map((w) => ({ value: w, label: w }))}
          onChange={(way) => change({ way })}
        />
        <div className="pt-5">
          <Button look="quiet" onClick={() => setGuide(true)}>
            Show me how
          </Button>
        </div>
        <TextField label="Panner" value={draft.panner} onChange={(panner) => change({ panner })} limit={TEXTS.panner} />
        {number('Minutes it took', 'took', factProblems.took)}
        <WhenField
          label="Panned earlier? When"
          value={draft.when ?? ''}
          onChange={(when) => change({ when })}
          hint="empty: now"
        />
        {pits.length > 0 && (
          <SelectField
            label="From the pit"
            value={draft.pitId}
            choices={[{ value: '', label: 'none' }, ...pits.map((p) => ({ value: p.id, label: p.name }))]}
            onChange={(pitId) => change({ pitId, layerId: '', layer: '' })}
          />
        )}
        {pit ? (
          <SelectField
            label="Layer"
            value={draft.layerId}
            choices={[
              { value: '', label: 'mixed, no layer' },
              ...layers.map((l) => ({ value: l.id, label: `${l.nth}. ${l.words}` })),
            ]}
            onChange={(layerId) => change({ layerId, layer: layers.find((l) => l.id === layerId)?.words ?? '' })}
          />
        ) : (
          <TextField label="Layer" value={draft.layer} onChange={(layer) => change({ layer })} limit={TEXTS.layer} />
        )}
        {number('Pan of its bucket', 'nth', factProblems.bucket, 'from the top')}
        {number('of how many', 'of', undefined)}
        {number('Grown into rock', 'grownIn', factProblems.grownIn, 'in the count, lighter than they look')}
        {number('From the safety pan', 'fromSafetyPan', factProblems.fromSafetyPan, 'in the count')}
      </div>
      {top && (
        <p role="status" className="mt-1 border-l-4 border-ink pl-3">
          <b>
            {top.panned} of {top.of} pans of this bucket, and not its bottom.
          </b>{' '}
          In the bucket the heavies sink: the top may show nothing and the last pan all of it. Judge nothing before pan{' '}
          {top.of}, and wash out the last mud.
        </p>
      )}
      {draft.grownIn !== '' && draft.grownIn !== '0' && !factProblems.grownIn && (
        <p className="mt-1 text-ink-2">
          Gold grown into quartz or ironstone weighs less than its size says: this grade is likelier too high. Weigh it
          when you can.
        </p>
      )}
      {guide && (
        <PanGuide way={draft.way} onClose={() => setGuide(false)} onTook={(min) => change({ took: String(min) })} />
      )}
    </>
  );
}
