/** What a browser hands over when it could put this page on the home screen (`beforeinstallprompt`). */
interface InstallPrompt extends Event {
  prompt(): Promise<unknown>;
}
let held: InstallPrompt | null = null;

// Kept until a person asks for it: nothing pops up by itself.
addEventListener('beforeinstallprompt', (event) => {
  event.preventDefault();
  held = event as InstallPrompt;
});

/** Whether Riffle runs from the home screen already. */
export const isInstalled = (): boolean => matchMedia('(display-mode: standalone)').matches;

/** Asks the browser to put Riffle on the home screen; false where it offers no way to. */
export async function install(): Promise<boolean> {
  if (!held) return false;
  await held.prompt();
  held = null;
  return true;
}
