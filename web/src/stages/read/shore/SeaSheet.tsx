import type { StoredGround, StoredSwellReading } from '@riffle/contract';
import { useRef, useState } from 'react';
import { useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { shoreOf } from '../../../shore/shoreOf.ts';
import { Button } from '../../../ui/Button.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { FormSheet } from '../../../ui/Sheet.tsx';
import { useNow } from '../../../ui/useNow.ts';
import { useShow } from '../../../units/useShow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { WhenField } from '../../../when/WhenField.tsx';
import { BeingPutRight, ReadingsList } from '../ReadingsList.tsx';
import { newSea, readSea, seaAsDraft, type SeaDraft } from './readSea.ts';
import { roughly, stormWords, swellWords } from './seaWords.ts';
import { SwellFileForm } from './SwellFileForm.tsx';

/** The sea off a beach: the swell as it runs, or a storm at its height with what it left of the berm. */
export function SeaSheet({ ground, onClose }: { ground: StoredGround; onClose: () => void }) {
  const local = useLocalTime();
  const show = useShow();
  const US = show.display.system === 'US';
  const { put, takeOut } = useKeep('swell-readings');
  const swell = useRecords('swell-readings', ground.id).items;
  const signs = useRecords('signs', ground.id).items;
  const { storms } = shoreOf(ground, signs, swell, useNow(60_000));
  const [draft, setDraft] = useState<SeaDraft>(() => newSea(US, local.isoMoment(Date.now())));
  const [tried, setTried] = useState(false);
  /** A reading of the list that is put right; null: a new one. */
  const [mended, setMended] = useState<StoredSwellReading | null>(null);
  const top = useRef<HTMLDivElement>(null);
  const set = (some: Partial<SeaDraft>): void => setDraft((before) => ({ ...before, ...some }));
  const begin = (): void => {
    setMended(null);
    setDraft({ ...newSea(US, local.isoMoment(new Date())), kind: draft.kind });
    setTried(false);
  };
  const { height, cut, problems, record } = readSea(draft, local);
  const keep = (): void => {
    setTried(true);
    if (!record) return;
    put(mended, {
      groundId: ground.id,
      ...record,
      // The field has no seconds: what was not touched keeps its own.
      ...(mended && draft.at === local.isoMoment(mended.readAt) && { readAt: mended.readAt }),
      note: mended?.note ?? '',
    });
    begin();
  };
  const putRight = (r: StoredSwellReading): void => {
    setMended(r);
    setDraft(seaAsDraft(r, US, local));
    top.current?.scrollIntoView({ block: 'center' });
  };
  return (
    <FormSheet
      title="The sea"
      onClose={onClose}
      onSave={keep}
      below={
        <>
          <SwellFileForm ground={ground} swell={swell} />
          <ReadingsList
            readings={swell}
            called="the sea"
            says={(r) => {
              const storm = storms.find((s) => s.reading.id === r.id);
              return (
                <>
                  {swellWords(r, show)}
                  {r.isStorm && <b>, storm</b>}
                  {storm && !storm.reach && `; ${stormWords(storm, show)}`}
                  {storm?.reach &&
                    `; up to ${show.length(roughly(storm.reach.middle_m))} by the tide table, ${stormWords(storm, show)}`}
                </>
              );
            }}
            onPutRight={putRight}
            onTakeOut={takeOut}
          />
        </>
      }
    >
      <div ref={top} />
      {mended && <BeingPutRight says={`The sea of ${local.dayTime(mended.readAt)}`} onLeave={begin} />}
      <Choices
        label="What was read"
        value={draft.kind}
        onChange={(kind) => set({ kind })}
        choices={[
          { value: 'swell', label: 'the swell' },
          { value: 'storm', label: 'a storm at its height' },
        ]}
      />
      <div className="grid gap-x-4 sm:grid-cols-2">
        <QuantityField
          label="Height of the waves"
          entered={draft.height}
          reading={height}
          units={['m', 'ft']}
          showProblem={tried}
          problem={problems.height}
          onChange={(entered) => set({ height: entered })}
          comesTo="of the larger ones, trough to crest, out beyond the break"
        />
        <TextField
          label="From crest to crest, s"
          value={draft.period}
          onChange={(period) => set({ period })}
          inputMode="decimal"
          problem={tried ? problems.period : null}
        />
      </div>
      {draft.kind === 'storm' && (
        <>
          <Choices
            label="The berm afterwards"
            value={draft.berm}
            onChange={(berm) => set({ berm })}
            choices={[
              { value: 'not looked', label: 'not looked yet' },
              { value: 'whole', label: 'stood whole' },
              { value: 'cut', label: 'was cut' },
            ]}
          />
          {draft.berm === 'cut' && (
            <QuantityField
              label="It took"
              entered={draft.cut}
              reading={cut ?? { ok: true, value: 0 }}
              units={['m', 'cm', 'ft', 'in']}
              showProblem={tried}
              problem={tried ? problems.cut : null}
              onChange={(entered) => set({ cut: entered })}
              comesTo="the step it left, from top to toe"
            />
          )}
        </>
      )}
      <WhenField label="When" value={draft.at} onChange={(at) => set({ at })} problem={tried ? problems.at : null} />
      <Button look="main" type="submit">
        {mended ? 'Keep it so' : 'Keep it'}
      </Button>
      <p className="text-[13px] text-ink-2">
        A storm that comes to the toe of the berm sorts it anew and lays black sand there, at creek mouths and on clay:
        blanks from before it weigh little. Low swell afterwards brings sand over it again.
      </p>
      <Caution quiet>
        Never turn your back on the sea. Every so often a wave runs much higher than those before it: watch ten minutes
        before you go down.
      </Caution>
    </FormSheet>
  );
}
