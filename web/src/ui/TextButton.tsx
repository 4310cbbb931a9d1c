import type { ButtonHTMLAttributes } from 'react';

/** A small action within a line of text, such as "take out" in a list. Still 44 px high for a wet thumb. */
export function TextButton({ className = '', ...rest }: ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button
      type="button"
      className={`min-h-11 shrink-0 text-[13px] text-ink-2 underline underline-offset-4 ${className}`}
      {...rest}
    />
  );
}
