import { toast } from './toast.ts';

export interface UndoOptions {
  /** How long the way back stands on the screen; left out, as long as any word does. */
  readonly lasts_ms?: number;
  readonly afterUndo?: () => void;
}

/** Says what was done, and offers the way back. */
export function undoToast(says: string, undo: () => void, { lasts_ms, afterUndo }: UndoOptions = {}): void {
  toast(says, {
    ...(lasts_ms !== undefined && { duration: lasts_ms }),
    action: {
      label: 'Undo',
      onClick: () => {
        undo();
        afterUndo?.();
      },
    },
  });
}
