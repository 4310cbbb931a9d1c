import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface SheetProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly children: ReactNode;
}

/** A slip laid over the page: full width on a phone, from the right on a desk. */
export function Sheet({ open, onOpenChange, title, children }: SheetProps) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-30 max-h-[92dvh] overflow-y-auto border-t-4 border-ink bg-paper p-5 sm:inset-y-0 sm:left-auto sm:max-h-none sm:w-[26rem] sm:border-t-0 sm:border-l-4"
        >
          <div className="mb-3 flex items-start justify-between gap-3">
            <Dialog.Title className="text-[20px]">{title}</Dialog.Title>
            <Dialog.Close className="min-h-11 min-w-11 text-ink-2 underline underline-offset-4">Close</Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
