import { companionWindows, COMPANIONS, type Companion, type FinishSetting } from '@riffle/core';
import { SelectField } from '../../../ui/Field.tsx';
import { Checkbox } from '../../../ui/Checkbox.tsx';
import { useShow } from '../../../units/useShow.ts';
import { filmText } from './finishWords.ts';

const CALLED: Readonly<Record<Companion, string>> = {
  garnet: 'garnet: red, light',
  ilmenite: 'ilmenite: black, weak at the magnet',
  magnetite: 'magnetite: black, jumps to it',
  cassiterite: 'cassiterite, tin: brown, heavy',
};

interface CompanionListProps {
  readonly companion: Companion;
  readonly saltWater: boolean;
  readonly setting: FinishSetting | null;
  readonly onChange: (some: { companion?: Companion; saltWater?: boolean }) => void;
}

/** What the black sand is for the most part, and which water takes each kind of it: the heavier, the nearer to gold. */
export function CompanionList({ companion, saltWater, setting, onChange }: CompanionListProps) {
  const { system } = useShow().display;
  const windows = setting ? companionWindows(setting) : [];
  const deepest = Math.max(...windows.flatMap((w) => [w.from_m, w.to_m]), 1e-6);
  return (
    <div>
      <SelectField
        label="Mostly"
        value={companion}
        choices={COMPANIONS.map((value) => ({ value, label: CALLED[value] }))}
        onChange={(one) => onChange({ companion: one })}
      />
      <Checkbox checked={saltWater} onChange={(salt) => onChange({ saltWater: salt })}>
        washed in sea water
      </Checkbox>
      <ul className="mt-1 text-[13px]" aria-label="Water that takes each of them and leaves gold">
        {windows.map((w) => (
          <li key={w.companion} className={`mb-1.5 ${w.companion === companion ? 'font-bold' : ''}`}>
            <span className="flex justify-between gap-2">
              <span>{w.companion}</span>
              <span className="text-right">
                {w.to_m > w.from_m
                  ? `${filmText(w.from_m, system)} to ${filmText(w.to_m, system)}`
                  : 'no water parts it'}
              </span>
            </span>
            <span aria-hidden="true" className="relative block h-1.5 border-b border-rule">
              {w.to_m > w.from_m && (
                <span
                  className={`absolute inset-y-0 ${w.companion === companion ? 'bg-ink' : 'bg-rule'}`}
                  style={{ left: `${(100 * w.from_m) / deepest}%`, width: `${(100 * (w.to_m - w.from_m)) / deepest}%` }}
                />
              )}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
