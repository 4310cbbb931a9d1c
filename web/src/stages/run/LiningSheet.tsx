import type { StoredRig } from '@riffle/contract';
import { boxLength_m, LINING_IDS, liningOf, LININGS, type LiningId } from '@riffle/core';
import { useState } from 'react';
import { rigSections } from '../../api/rigSections.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField } from '../../ui/Field.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { useShow } from '../../units/useShow.ts';
import type { Linings } from './relined.ts';

interface LiningSheetProps {
  readonly rig: StoredRig;
  readonly onClose: () => void;
  readonly onKeep: (linings: Linings) => void;
}

/** The box is lined otherwise from now on, section by section. */
export function LiningSheet({ rig, onClose, onKeep }: LiningSheetProps) {
  const show = useShow();
  const sections = rigSections(rig);
  const [linings, setLinings] = useState<Linings>(sections.map((s) => s.lining));
  const isChanged = sections.some((s, i) => s.lining !== linings[i]);
  const [tried, setTried] = useState(false);
  return (
    <FormSheet
      title="Another lining"
      onClose={onClose}
      onSave={() => {
        setTried(true);
        if (!isChanged) return;
        onKeep(linings);
        onClose();
      }}
    >
      <p>
        First roll the old one into a numbered tub and rinse it there: its gold is of what was fed till now. What
        follows is told apart.
      </p>
      {sections.map((section, i) => {
        const at_m = boxLength_m(sections.slice(0, i));
        const now = liningOf(section).name;
        return (
          <SelectField<LiningId>
            key={i}
            label={
              sections.length === 1
                ? 'Lined with'
                : `From ${show.length(at_m)} down, ${show.length(section.length_m)} long`
            }
            value={linings[i] ?? section.lining}
            choices={LINING_IDS.map((value) => ({
              value,
              label: value === section.lining ? now : LININGS[value].name,
            }))}
            onChange={(lining) => setLinings(linings.map((l, j) => (j === i ? lining : l)))}
            hint={LININGS[linings[i] ?? section.lining].goodFor}
            problem={tried && !isChanged && i === 0 ? 'It is lined so already.' : null}
          />
        );
      })}
      <Button look="main" type="submit" className="min-h-14">
        Lined so from now on
      </Button>
    </FormSheet>
  );
}
