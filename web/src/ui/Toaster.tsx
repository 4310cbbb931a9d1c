import { useEffect } from 'react';
import { toast, Toaster as Sonner } from 'sonner';
import { takeToasts } from './toast.ts';

/** Where toasts appear. */
export default function Toaster() {
  useEffect(() => takeToasts(toast), []);
  return (
    <Sonner
      position="top-center"
      // One at a time, in the letters of the page.
      visibleToasts={1}
      style={{ fontFamily: 'inherit' }}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast: 'flex w-full items-center gap-3 border-2 border-ink bg-picked px-4 py-3 text-ink',
          actionButton: 'ml-auto underline underline-offset-4',
        },
      }}
    />
  );
}
