import type { ExternalToast } from 'sonner';

let toasterStands: () => void;
const standing = new Promise<void>((resolve) => {
  toasterStands = resolve;
});
/** Called once the place where toasts appear is on the page. */
export const takeToasts = (): void => toasterStands();

/** Says a few words at the top of the page. The words come with their own code, after the first sight of the page. */
export function toast(says: string, options?: ExternalToast): void {
  void Promise.all([import('sonner'), standing]).then(([sonner]) => sonner.toast(says, options));
}
