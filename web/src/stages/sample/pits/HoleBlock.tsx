import { useState } from 'react';
import { PIT_BOTTOMS, TEXTS } from '@riffle/contract';
import { SpotSelect } from '../../../ground/SpotSelect.tsx';
import { Photos } from '../../../photos/Photos.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Checkbox } from '../../../ui/Checkbox.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { undoToast } from '../../../ui/undoToast.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { isMoment } from '../../../when/readWhen.ts';
import { WhenField } from '../../../when/WhenField.tsx';
import type { PitOnPage } from './usePit.ts';

/** The hole itself: where, its name, what was really dug, what it ends on, and whether it is filled in. */
export function HoleBlock({ page }: { page: PitOnPage }) {
  const local = useLocalTime();
  const [unread, setUnread] = useState<string | null>(null);
  const { ground, spots, pit, spot, pick, tried, takeOut, inHand } = page;
  const { draft, change, problem } = inHand;
  return (
    <Block title="The hole">
      {!pit && (
        <SpotSelect
          spots={spots}
          value={spot?.id}
          onPick={pick}
          problem={tried && !spot ? 'Say which spot it is at.' : null}
        />
      )}
      <TextField
        label="Name"
        value={draft.name}
        onChange={(name) => change({ name })}
        limit={TEXTS.name}
        problem={tried && draft.name.trim() === '' ? 'Give it a name.' : null}
      />
      <WhenField
        label="Dug"
        value={unread ?? local.isoMoment(draft.dugAt)}
        onChange={(when) => {
          const isRead = isMoment(when);
          setUnread(isRead ? null : when);
          if (isRead) change({ dugAt: local.at(when).toISOString() });
        }}
        problem={unread === '' ? 'A day and an hour.' : null}
      />
      <TextField
        label="What was planned"
        value={draft.planned}
        onChange={(planned) => change({ planned })}
        limit={TEXTS.planned}
        hint="The area really dug counts, not this."
      />
      {!(draft.crevice && draft.layers.length === 0) && <MeasureFields page={page} />}
      <SelectField
        label="It ends on"
        value={draft.bottom}
        choices={PIT_BOTTOMS.map((b) => ({ value: b, label: b }))}
        onChange={(bottom) => change({ bottom })}
        hint={draft.bottom === 'false bottom' ? 'Gold may lie below it too: try through it.' : undefined}
      />
      <Checkbox checked={draft.filledIn} onChange={(filledIn) => change({ filledIn })}>
        filled in
      </Checkbox>
      <Checkbox checked={draft.putBack} onChange={(putBack) => change({ putBack })}>
        turf on top, looks untouched
      </Checkbox>
      {!draft.filledIn && (
        <p className="text-ink-2">
          Before filling in: look over the hole, the heap and the oversize once more. A detector misses small gold; its
          silence is no blank.
        </p>
      )}
      <TextField label="Note" value={draft.note} rows={2} onChange={(note) => change({ note })} />
      <Button look="main" type="submit" className="mt-1 w-full">
        {pit ? 'Keep the changes' : 'Keep this pit'}
      </Button>
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && (problem ?? !spot) && '▲ Not kept yet: see the fields marked. What you typed stays.'}
      </p>
      {inHand.isBegun && (
        <Button look="quiet" onClick={() => undoToast('What you typed is dropped.', inHand.drop())}>
          {pit ? 'Drop what I changed' : 'Drop this pit'}
        </Button>
      )}
      {pit && (
        <>
          <Photos groundId={ground.id} about="pit" aboutId={pit.id} />
          <Button look="quiet" onClick={takeOut}>
            Take this pit out
          </Button>
        </>
      )}
    </Block>
  );
}

function MeasureFields({ page: { inHand, tried } }: { page: PitOnPage }) {
  const { draft, change, problem, length, width, water } = inHand;
  const units = ['m', 'cm', 'ft'] as const;
  return (
    <div className="grid grid-cols-2 gap-x-4">
      <QuantityField
        label="Really dug, long"
        entered={draft.lengthEntered}
        reading={length}
        units={units}
        showProblem={tried}
        problem={length.ok && !(length.value > 0) ? 'More than nothing.' : null}
        onChange={(lengthEntered) => change({ lengthEntered })}
      />
      <QuantityField
        label="Really dug, wide"
        entered={draft.widthEntered}
        reading={width}
        units={units}
        showProblem={tried}
        problem={width.ok && !(width.value > 0) ? 'More than nothing.' : null}
        onChange={(widthEntered) => change({ widthEntered })}
      />
      <TextField
        label="Walls lean in, per depth"
        inputMode="decimal"
        value={draft.batterText}
        onChange={(batterText) => change({ batterText })}
        problem={problem?.field === 'batter' ? problem.says : null}
        hint="0 upright, 0.5 one in two"
      />
      <QuantityField
        label="Water stands at"
        entered={draft.waterAt}
        reading={water ?? { ok: true, value: 0 }}
        units={units}
        optional
        problem={problem?.field === 'water' ? problem.says : null}
        onChange={(waterAt) => change({ waterAt })}
      />
    </div>
  );
}
