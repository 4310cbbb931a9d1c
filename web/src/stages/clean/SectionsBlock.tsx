import { LINING_IDS, LININGS, type LiningId } from '@riffle/core';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Checkbox } from '../../ui/Checkbox.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { showLike } from '../../units/showLike.ts';
import { useShow } from '../../units/useShow.ts';
import { scaleWords } from './scaleWords.ts';
import { ScaleSheet } from './ScaleSheet.tsx';
import { USUAL_SCREENS, type SectionDraft, type SectionReading } from './readCleanup.ts';
import type { CleanupInHand } from './useCleanup.ts';

/** Gold weighed section by section. */
export function SectionsBlock({ inHand }: { inHand: CleanupInHand }) {
  return (
    <Block title="Gold by section" aside="from the head of the box down">
      <Parted inHand={inHand} />
      {inHand.sections.map((s, i) => {
        const reading = inHand.readings[i];
        return reading && <SectionFields key={s.key} nth={i + 1} section={s} reading={reading} inHand={inHand} />;
      })}
      <Button look="quiet" onClick={inHand.addSection}>
        Another section
      </Button>
    </Block>
  );
}

/** Whether the gold is parted by screens, and by which. */
function Parted({ inHand: { draft, change, screens } }: { inHand: CleanupInHand }) {
  const show = useShow();
  const says = screens?.ok ? screens.list.map((s) => show.grainSize(s.mm / 1000)).join(', ') : undefined;
  return (
    <div className="mb-1">
      <Checkbox
        checked={draft.screens !== undefined}
        onChange={(parted) => change({ screens: parted ? USUAL_SCREENS : undefined })}
      >
        Parted by screens: tells what of each size went over the end
      </Checkbox>
      {draft.screens !== undefined && (
        <TextField
          label="Screens, the coarsest first"
          value={draft.screens}
          onChange={(text) => change({ screens: text })}
          problem={screens?.ok === false ? screens.problem : null}
          hint={says}
        />
      )}
    </div>
  );
}

interface SectionFieldsProps {
  readonly nth: number;
  readonly section: SectionDraft;
  readonly reading: SectionReading;
  readonly inHand: CleanupInHand;
}

function SectionFields({ nth, section, reading, inHand }: SectionFieldsProps) {
  const show = useShow();
  const { to, gold, from_m, problem, differs } = reading;
  const { tried, sections, dropSection } = inHand;
  const like = showLike(show, 'mass', section.gold);
  const [isWeighing, setWeighing] = useState(false);
  const set = (some: Partial<SectionDraft>): void => inHand.setSection(section.key, some);
  const from = nth === 1 ? 'the head' : from_m === null ? 'there' : show.smallLength(from_m);
  return (
    <fieldset className="border-b border-rule pt-1">
      <legend className="sr-only">Section {nth}</legend>
      <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-[1fr_1fr_1.2fr]">
        <TextField label={`Section ${nth}`} value={section.name} onChange={(name) => set({ name })} />
        <QuantityField
          label={`from ${from} to`}
          entered={section.to}
          reading={to}
          units={['mm', 'cm', 'm', 'in', 'ft']}
          showProblem={tried}
          problem={problem}
          onChange={(entered) => set({ to: entered })}
          comesTo={to.ok && show.smallLength(to.value)}
        />
        <div className="col-span-2 sm:col-span-1">
          <QuantityField
            label="Gold"
            entered={section.gold}
            reading={gold}
            units={['mg', 'g', 'grain', 'dwt', 'ozt']}
            showProblem={tried}
            onChange={(entered) => set({ gold: entered, weighing: null })}
            comesTo={
              gold.ok && `${show.gold(gold.value)}${section.weighing ? `, ${scaleWords(section.weighing)}` : ''}`
            }
          />
        </div>
      </div>
      <BySize nth={nth} section={section} reading={reading} inHand={inHand} />
      {differs && (
        <p role="status" className="-mt-1 mb-2 text-[13px] font-bold">
          The sizes come to {like.gold(differs.sizes_mg)}, the whole says {like.gold(differs.whole_mg)}: weigh again, or
          say what was lost in the remarks.
        </p>
      )}
      <div className="-mt-1 mb-1 flex flex-wrap items-center justify-between gap-x-3 text-[13px] text-ink-2">
        <select
          aria-label={`Lining of section ${nth}`}
          className="min-h-11 min-w-0 bg-transparent"
          value={section.lining}
          onChange={(e) => set({ lining: e.target.value as LiningId })}
        >
          {LINING_IDS.map((id) => (
            <option key={id} value={id}>
              {LININGS[id].name}
            </option>
          ))}
        </select>
        <label className="flex items-center gap-2">
          colors counted
          <input
            className="written w-16 text-right"
            inputMode="numeric"
            aria-invalid={reading.colors?.ok === false}
            value={section.colors ?? ''}
            onChange={(e) => set({ colors: e.target.value })}
          />
        </label>
        <TextButton aria-label={`Weigh section ${nth} on a scale`} onClick={() => setWeighing(true)}>
          vial and scale
        </TextButton>
        {sections.length > 1 && <TextButton onClick={() => dropSection(section.key)}>drop section {nth}</TextButton>}
      </div>
      {isWeighing && (
        <ScaleSheet
          what={section.name || `section ${nth}`}
          onWeighed={(gold, weighing) => set({ gold, weighing })}
          onClose={() => setWeighing(false)}
        />
      )}
    </fieldset>
  );
}

/** The same gold by sizes: what stayed on each screen, and what went through the last. Empty is not weighed. */
function BySize({ nth, section, reading, inHand: { screens, setSection } }: SectionFieldsProps) {
  const show = useShow();
  if (!screens?.ok) return null;
  const names = [
    ...screens.list.map((s) => `over ${show.grainSize(s.mm / 1000)}`),
    `under ${show.grainSize((screens.list.at(-1)?.mm ?? 0) / 1000)}`,
  ];
  return (
    <div className="mb-2 grid grid-cols-3 gap-x-3 gap-y-1 sm:grid-cols-5">
      <p className="col-span-full text-[13px] text-ink-2">
        The same by sizes, in {section.gold.unit}; empty: not weighed
      </p>
      {names.map((name, f) => (
        <label key={name} className="flex min-w-0 flex-col text-[12.5px] text-ink-2">
          {name}
          <input
            className="written w-full min-w-0"
            inputMode="decimal"
            aria-label={`Section ${nth}, gold ${name}`}
            aria-invalid={reading.cells[f]?.ok === false}
            value={section.bySize?.[f] ?? ''}
            onChange={(e) =>
              setSection(section.key, {
                bySize: names.map((_, i) => (i === f ? e.target.value : (section.bySize?.[i] ?? ''))),
              })
            }
          />
        </label>
      ))}
    </div>
  );
}
