import type { ExternalToast, toast as sonnerToast } from 'sonner';

type Say = (says: string, options?: ExternalToast) => ReturnType<typeof sonnerToast>;
let toasterStands: (say: Say) => void;
const standing = new Promise<Say>((resolve) => {
  toasterStands = resolve;
});
/** Called once the place where toasts appear is on the page, with what puts one there: it came with the same code, so no signal is needed to say that there is none. */
export const takeToasts = (say: Say): void => toasterStands(say);

/** Says a few words at the bottom of the page, as soon as the first sight of it has been drawn. */
export function toast(says: string, options?: ExternalToast): void {
  void standing.then((say) => say(says, options));
}
