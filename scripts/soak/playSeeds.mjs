// Plays seeds of chaos, several at a time, each lane with a Riffle and a browser of its own.
// The whole browser: the one without a window sends nothing in the background, and what is sent there may be sent twice.
import { CHROMIUM } from '../setup.mjs';
import { startRiffleProcess } from './riffleProcess.mjs';
import { playSeed } from './chaos.mjs';

export async function playSeeds(seeds, lanes, tell = () => {}) {
  const { chromium } = await import('@playwright/test');
  const waiting = [...seeds];
  const days = [];
  const lane = async () => {
    const riffle = await startRiffleProcess();
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: [
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
      ],
    });
    try {
      for (let seed = waiting.shift(); seed !== undefined; seed = waiting.shift()) {
        const day = await playSeed({ riffle, browser, seed });
        days.push(day);
        tell(day);
      }
    } finally {
      await browser.close();
      await riffle.stop();
    }
  };
  await Promise.all(Array.from({ length: Math.min(lanes, seeds.length) }, lane));
  return days.sort((a, b) => a.seed - b.seed);
}
