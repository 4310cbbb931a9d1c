import type { ButtonHTMLAttributes } from 'react';

const LOOKS = {
  main: 'px-4 bg-ink text-paper font-semibold border-2 border-ink',
  plain: 'px-4 bg-transparent border-2 border-ink',
  quiet: 'bg-transparent border-0 underline underline-offset-4 decoration-rule',
  danger: 'px-4 bg-transparent border-2 border-dashed border-danger text-danger',
} as const;

/** A button says what happens. At least 44 px high; disabled ones stay readable. */
export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof LOOKS }) {
  return (
    <button
      type="button"
      className={`inline-flex min-h-11 items-center justify-center gap-2 py-1 disabled:cursor-not-allowed disabled:opacity-60 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
