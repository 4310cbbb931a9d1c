import { CHROMIUM, ensureChromium } from '../setup.mjs';

/** The browser the parts of the bench look through. */
export async function openBrowser() {
  ensureChromium();
  const { chromium } = await import('@playwright/test');
  return chromium.launch({
    executablePath: CHROMIUM,
    args: [
      '--disable-dev-shm-usage',
      '--disable-background-networking',
      ...(process.getuid() === 0 ? ['--no-sandbox'] : []),
    ],
  });
}
