import type { ReactNode } from 'react';

interface CheckboxProps {
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  readonly children: ReactNode;
  readonly className?: string;
}

/** A box to tick with its words beside it; all of it is the target. */
export function Checkbox({ checked, onChange, children, className = '' }: CheckboxProps) {
  return (
    <label className={`flex min-h-11 items-center gap-3 ${className}`}>
      <input
        type="checkbox"
        className="size-5 shrink-0 accent-ink"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      {children}
    </label>
  );
}
