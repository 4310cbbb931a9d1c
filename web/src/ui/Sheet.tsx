import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useIsPhone } from './useIsPhone.ts';

interface SheetProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** What lies under a slip. */
const DIM = 'pointer-events-auto fixed inset-0 z-20 bg-ink/30';

/** A slip laid over the page: full width on a phone, from the right on a desk. It lies there until it is closed. */
export function Sheet({ title, onClose, children }: SheetProps) {
  const isPhone = useIsPhone();
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        {isPhone ? <div className={`touch-none ${DIM}`} /> : <Dialog.Overlay className={DIM} />}
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-0 bottom-0 z-30 max-h-[92dvh] overflow-y-auto overscroll-contain border-t-4 border-ink bg-paper p-5 sm:inset-y-0 sm:left-auto sm:max-h-none sm:w-[26rem] sm:border-t-0 sm:border-l-4"
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

interface FormSheetProps extends SheetProps {
  /** Called when the form is sent, by its main button or the enter key. */
  readonly onSave: () => void;
  /** What stands under the form and is not part of it. */
  readonly below?: ReactNode;
  /** Fields closer together, for a long form. */
  readonly tight?: boolean;
}

/** A slip that is a form. */
export function FormSheet({ title, onClose, onSave, below, tight = false, children }: FormSheetProps) {
  return (
    <Sheet title={title} onClose={onClose}>
      <form
        className={`flex flex-col ${tight ? 'gap-1' : 'gap-2'}`}
        onSubmit={(e) => {
          e.preventDefault();
          // A slip opened from within a form is no part of it.
          e.stopPropagation();
          onSave();
        }}
      >
        {children}
      </form>
      {below}
    </Sheet>
  );
}
