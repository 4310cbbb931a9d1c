import { MOST, textProblem, TEXTS, type RigSection, type StoredRig } from '@riffle/contract';
import { leakPointsOf } from '../../box/openLifts.ts';
import { LINING_IDS, LININGS, type LiningId } from '@riffle/core';
import { useState } from 'react';
import { useKeep } from '../../records/useKeep.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { LinedFloor } from './LinedFloor.tsx';
import {
  readRigSection,
  rigDraft,
  rigProblem,
  sectionAfter,
  type RigSectionDraft,
  type RigSectionRead,
} from './readRig.ts';

interface RigSheetProps {
  /** The box to change; left out for a new one. */
  readonly rig: StoredRig | undefined;
  /** What is added is a dry washer after all. */
  readonly onWasher?: () => void;
  readonly onClose: () => void;
  readonly onKept: (rigId: string) => void;
}

/** A box as built, section by section from the head down: measured once, used on every ground. */
export function RigSheet({ rig: now, onWasher, onClose, onKept }: RigSheetProps) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [rig] = useState(now);
  const keep = useKeep('rigs');
  const show = useShow();
  const [name, setName] = useState(rig?.name ?? '');
  const [drafts, setDrafts] = useState(() => rigDraft(rig, show.display.system === 'US'));
  const [added, setAdded] = useState(0);
  const [leaks, setLeaks] = useState(() => leakPointsOf(rig).join(', '));
  const [tried, setTried] = useState(false);
  const read = drafts.map((d, i) => readRigSection(d, { isFirst: i === 0, isAlone: drafts.length === 1 }));
  const sections = read.flatMap((r) => r.section ?? []);
  const wrongName = textProblem(TEXTS.name, name);
  const leakPoints = leaks.split(/[,;\n]/).flatMap((place) => place.trim() || []);
  const wrongLeaks =
    leakPoints.map((place) => textProblem(TEXTS.leak, place)).find(Boolean) ??
    (leakPoints.length > MOST.leaks ? `At most ${MOST.leaks} places.` : null);
  const wrong = rigProblem(read);
  const save = (): void => {
    setTried(true);
    if (wrongName || wrongLeaks || wrong || sections.length < drafts.length) return;
    onKept(keep.put(rig, { name: name.trim(), sections, leakPoints, washer: null, note: rig?.note ?? '' }));
  };
  const remove = (): void => {
    if (!rig) return;
    keep.takeOut(rig, `${rig.name} is put away; what was run through it stays in the book.`);
    onClose();
  };
  return (
    <FormSheet title={rig ? rig.name : 'A new box'} onClose={onClose} onSave={save}>
      {onWasher && (
        <TextButton className="self-start" onClick={onWasher}>
          It is a dry washer
        </TextButton>
      )}
      <TextField
        label="What you call it"
        value={name}
        onChange={setName}
        limit={TEXTS.name}
        problem={tried ? wrongName : null}
      />
      {sections.length > 0 && <BoxFromAbove sections={sections} />}
      {drafts.map((draft, i) => (
        <SectionFields
          key={draft.key}
          nth={drafts.length > 1 ? i + 1 : null}
          draft={draft}
          read={read[i] as RigSectionRead}
          showProblem={tried}
          onChange={(some) => setDrafts((all) => all.map((d) => (d.key === draft.key ? { ...d, ...some } : d)))}
          onTakeOut={() => setDrafts((all) => all.filter((d) => d.key !== draft.key))}
        />
      ))}
      {drafts.length < MOST.boxSections && (
        <TextButton
          className="self-start"
          onClick={() => {
            setDrafts((all) => sectionAfter(all, `added-${added}`));
            setAdded(added + 1);
          }}
        >
          Another section below it, with a lining of its own
        </TextButton>
      )}
      <TextField
        label="Where it hides gold, washed out at each clean-up"
        value={leaks}
        onChange={setLeaks}
        problem={wrongLeaks}
        hint="parted by commas"
      />
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && wrong && `▲ ${wrong}`}
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="main" type="submit">
          {rig ? 'Keep the change' : 'Keep this box'}
        </Button>
        {rig && (
          <Button look="danger" onClick={remove}>
            Put it away
          </Button>
        )}
      </div>
    </FormSheet>
  );
}

interface SectionFieldsProps {
  /** Which section from the head; null: it is the whole box. */
  readonly nth: number | null;
  readonly draft: RigSectionDraft;
  readonly read: RigSectionRead;
  readonly showProblem: boolean;
  readonly onChange: (some: Partial<RigSectionDraft>) => void;
  readonly onTakeOut: () => void;
}
function SectionFields({ nth, draft, read, showProblem, onChange, onTakeOut }: SectionFieldsProps) {
  const show = useShow();
  const of = (alone: string, short = alone): string => (nth === null ? alone : `${short}, section ${nth}`);
  return (
    <fieldset className={nth === null ? 'flex flex-col' : 'flex flex-col border-t border-rule pt-2'}>
      {nth !== null && (
        <legend className="float-left flex w-full items-center justify-between font-bold">
          Section {nth}
          <TextButton onClick={onTakeOut}>take out</TextButton>
        </legend>
      )}
      <SelectField
        label={of('Lining')}
        value={draft.lining}
        onChange={(lining: LiningId) => onChange({ lining })}
        choices={LINING_IDS.map((id) => ({ value: id, label: LININGS[id].name }))}
        hint={LININGS[draft.lining].goodFor}
      />
      <div className="grid grid-cols-2 gap-x-4">
        <TextField
          label={of('Its name, if your own', 'Own name')}
          value={draft.ownName}
          limit={TEXTS.name}
          onChange={(ownName) => onChange({ ownName })}
          hint={draft.ownName.trim() === '' ? 'empty: as above' : 'taken as one like that, so high'}
        />
        {draft.ownName.trim() !== '' && (
          <QuantityField
            label={of('How high it stands', 'Height')}
            entered={draft.ownHeight}
            reading={read.ownHeight}
            units={['mm', 'in', 'cm']}
            showProblem={showProblem}
            onChange={(ownHeight) => onChange({ ownHeight })}
            comesTo={
              read.ownHeight.ok
                ? `${show.smallLength(read.ownHeight.value)}; most like it ${show.smallLength(LININGS[draft.lining].shelter_m)}`
                : undefined
            }
          />
        )}
      </div>
      <div className={nth === null ? 'contents' : 'grid grid-cols-2 gap-x-4'}>
        <QuantityField
          label={of('Width inside', 'Width')}
          entered={draft.width}
          reading={read.width}
          units={['in', 'cm', 'mm', 'm']}
          showProblem={showProblem}
          onChange={(width) => onChange({ width })}
          comesTo={read.width.ok && show.smallLength(read.width.value)}
        />
        <QuantityField
          label={of('Length of the lined floor', 'Length')}
          entered={draft.length}
          reading={read.length}
          units={['ft', 'in', 'm', 'cm']}
          showProblem={showProblem}
          onChange={(length) => onChange({ length })}
          comesTo={read.length.ok && show.length(read.length.value)}
        />
        {nth !== null && nth > 1 && (
          <QuantityField
            label={of('Step down')}
            entered={draft.step}
            reading={read.step}
            units={['mm', 'in', 'cm']}
            showProblem={showProblem}
            onChange={(step) => onChange({ step })}
            comesTo={draft.step.text.trim() === '' ? 'empty: none' : read.step.ok && show.smallLength(read.step.value)}
          />
        )}
      </div>
    </fieldset>
  );
}

const [WIDE, HIGH] = [320, 44] as const;

/** The box from above, its linings one after another, lengths and widths to scale. */
function BoxFromAbove({ sections }: { sections: readonly RigSection[] }) {
  const length_m = sections.reduce((sum, s) => sum + s.length_m, 0);
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH + 22}`} className="mb-2 block w-full max-w-[26rem]" aria-hidden="true">
      <LinedFloor sections={sections} x={(m) => 2 + ((WIDE - 4) * m) / length_m} y={6} high={HIGH - 12} />
    </svg>
  );
}
