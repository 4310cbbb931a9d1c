import { startBareBrowser } from './bareBrowser.mjs';
import { quantile, show } from './figures.mjs';
import { CHROMIUM, ensureChromium } from '../setup.mjs';

/** The first view of a phone four times slower than this machine: nothing cached, and installed without a signal. With what the time went into. */
export async function firstView(port) {
  ensureChromium();
  const address = `http://localhost:${port}/`;
  const middle = (views, part) => {
    const wrong = views.find((v) => !/Best so far|Work |Pan .* next/.test(v.shows));
    if (wrong) throw new Error(`The first view says something else: ${wrong.shows.slice(0, 200)}`);
    return quantile(
      views.map((v) => v[part]),
      0.5,
    );
  };

  const browser = await startBareBrowser(CHROMIUM);
  try {
    const fresh = [];
    for (let i = 0; i < 7; i++) fresh.push(await browser.open(address, { fresh: true }));
    show(
      'first view on a phone (4 x slower), nothing cached, median of 7',
      middle(fresh, 'drawn') / 1000,
      's',
      'target',
      1.5,
    );
    const [document, scripts, ran] = ['document', 'scripts', 'ran'].map((part) => middle(fresh, part).toFixed(0));
    console.log(
      `   document by ${document} ms, scripts fetched by ${scripts}, compiled and running at ${ran}, drawn with its sentence at ${middle(fresh, 'drawn').toFixed(0)}; the data came with the document`,
    );

    // Installed: opened once with a signal, then from cold without one.
    await browser.open(address, { install: true });
    const installed = [];
    for (let i = 0; i < 7; i++) installed.push(await browser.open(address, { offline: true }));
    show(
      'installed and without a signal, from cold, median of 7',
      middle(installed, 'drawn') / 1000,
      's',
      'target',
      1.5,
    );
  } finally {
    await browser.stop();
  }
}
