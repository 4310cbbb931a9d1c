import { TextField } from '../../ui/Field.tsx';
import type { TideText } from './readTide.ts';

interface TideFieldsProps {
  readonly text: TideText;
  readonly onChange: (text: TideText) => void;
  readonly problem: string | null;
}

/** A beach's tide, copied from a table that may be used. */
export function TideFields({ text, onChange, problem }: TideFieldsProps) {
  return (
    <div className="flex flex-col gap-1">
      <div className="grid grid-cols-2 gap-x-4">
        <TextField label="Mean level, m" value={text.mean} onChange={(mean) => onChange({ ...text, mean })} />
        <TextField
          label="Sand is bare below, m"
          value={text.below}
          onChange={(below) => onChange({ ...text, below })}
        />
        <TextField
          label="The way off is dry below, m"
          value={text.way}
          onChange={(way) => onChange({ ...text, way })}
          hint="the lowest place you pass; empty: it never floods"
        />
        <TextField
          label="Off before the water, min"
          value={text.margin}
          onChange={(margin) => onChange({ ...text, margin })}
          hint="off the sand and past the way so long before"
        />
      </div>
      <TextField
        label="Constituents: name, amplitude in m, Greenwich phase lag"
        value={text.table}
        rows={5}
        problem={problem}
        hint="One a line, such as M2 0.62 48. Weather is not in it: wind and swell move the water too."
        onChange={(table) => onChange({ ...text, table })}
      />
    </div>
  );
}
