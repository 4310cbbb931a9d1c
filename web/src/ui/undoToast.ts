import { toast } from './toast.ts';

/** Long enough to read it, wipe a thumb and press; other words stand four seconds. */
const UNDO_MS = 10_000;

export interface UndoOptions {
  /** How long the way back stands on the screen; left out, `UNDO_MS`. */
  readonly lasts_ms?: number;
  readonly afterUndo?: () => void;
}

/** Says what was done, and offers the way back. */
export function undoToast(says: string, undo: () => void, { lasts_ms = UNDO_MS, afterUndo }: UndoOptions = {}): void {
  toast(says, {
    duration: lasts_ms,
    action: {
      label: 'Undo',
      onClick: () => {
        undo();
        afterUndo?.();
      },
    },
  });
}
