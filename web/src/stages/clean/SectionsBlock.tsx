import { LINING_IDS, LININGS, type LiningId } from '@riffle/core';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { useShow } from '../../units/useShow.ts';
import type { SectionReading, SectionDraft } from './readCleanup.ts';
import type { CleanupInHand } from './useCleanup.ts';

/** Gold weighed section by section. */
export function SectionsBlock({ inHand }: { inHand: CleanupInHand }) {
  return (
    <Block title="Gold by section" aside="from the head of the box down">
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

interface SectionFieldsProps {
  readonly nth: number;
  readonly section: SectionDraft;
  readonly reading: SectionReading;
  readonly inHand: CleanupInHand;
}

function SectionFields({ nth, section, reading: { to, gold, from_m, problem }, inHand }: SectionFieldsProps) {
  const show = useShow();
  const { tried, sections, dropSection } = inHand;
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
            onChange={(entered) => set({ gold: entered })}
            comesTo={gold.ok && show.gold(gold.value)}
          />
        </div>
      </div>
      <div className="-mt-1 mb-1 flex items-center justify-between gap-3 text-[13px] text-ink-2">
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
        {sections.length > 1 && <TextButton onClick={() => dropSection(section.key)}>drop section {nth}</TextButton>}
      </div>
    </fieldset>
  );
}
