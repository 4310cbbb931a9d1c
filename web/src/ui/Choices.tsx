import { RadioGroup } from 'radix-ui';
import type { ReactNode } from 'react';

interface ChoicesProps<T extends string> {
  readonly label: string;
  readonly value: T | null;
  readonly onChange: (value: T) => void;
  readonly choices: readonly { readonly value: T; readonly label: ReactNode; readonly says?: string }[];
}

/** A few choices side by side, the chosen one inked. Arrow keys move. */
export function Choices<T extends string>({ label, value, onChange, choices }: ChoicesProps<T>) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      onValueChange={(v) => onChange(v as T)}
      className="flex flex-wrap pt-0.5 pl-0.5"
    >
      {choices.map((c) => (
        <RadioGroup.Item
          key={c.value}
          value={c.value}
          aria-label={c.says}
          className="-mt-0.5 -ml-0.5 min-h-11 border-2 border-ink px-3 data-[state=checked]:bg-ink data-[state=checked]:font-semibold data-[state=checked]:text-paper"
        >
          {c.label}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
