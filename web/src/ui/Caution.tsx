import type { ReactNode } from 'react';

/** The usual caution at a step that can hurt someone. Local law and licensed practice come first. */
export function Caution({ children, quiet = false, className = '' }: CautionProps) {
  return (
    <p
      role="note"
      className={`border-l-4 border-dashed border-danger pl-3 ${quiet ? 'text-[13px] text-ink-2' : 'text-danger'} ${className}`}
    >
      {children}
    </p>
  );
}

interface CautionProps {
  readonly children: ReactNode;
  /** A standing reminder, not something that is so now. */
  readonly quiet?: boolean;
  readonly className?: string;
}
