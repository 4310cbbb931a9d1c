import { spawnSync } from 'node:child_process';
import { show } from './figures.mjs';
import { root } from '../setup.mjs';

/** Sums and files, in one process (`sums.ts`). */
export function worked() {
  const sums = spawnSync('npx', ['--no-install', 'tsx', 'scripts/bench/sums.ts'], {
    cwd: root,
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const s = JSON.parse(sums.stdout);
  show('one box solved, readable form (median)', s.solve_us, 'us', '1,000 exponentials', s.exp1000_us);
  show('a drag of the head: the middle box and its surface', s.drag_us / 1000, 'ms', 'one frame', 16);
  show('what to change on a box that stalls, 256 draws', s.advice_ms / 1000, 's', 'one second', 1);
  show('first window, 24 x 16 x 64 draws', s.windowCoarse_s, 's', 'target', 0.15);
  show('whole window, 60 x 40 x 200 draws', s.window_s, 's', 'target', 1);
  if (s.windowBesideC !== null)
    show(
      'its sums, draws made',
      s.windowBesideC.here_s,
      's',
      'the same in C, -O2, one thread',
      s.windowBesideC.there_s,
    );
  show('grade of a sample with its band', s.grade_us, 'us', 'target', 1000);
  show('what 600 pans of 200 spots say, with the best of all', s.meaning200_s, 's', 'target', 0.1);
  show('day of 40 places planned', s.plan40_ms, 'ms', 'all orders of 12', s.plan12_ms);
  show('its worth', s.plan40_value, 'of', 'the best of a search 25 times as long', s.plan40_best);
  show(`GPX of 100,000 points read (${s.gpx_MB.toFixed(1)} MB)`, s.gpx_ms, 'ms', 'the XML parser alone', s.gpxParse_ms);

  show('2,000 samples kriged on 200 x 200 cells', s.krige_ms / 1000, 's', 'target', 5);
  show(
    '2,000 samples kriged on 200 x 200 cells',
    s.krige_ms / 1000,
    's',
    'each cell by its nearest sample',
    s.nearest_ms / 1000,
  );

  if (s.krigeBesideGstat !== null)
    show(
      'the kriging of it alone',
      s.krigeBesideGstat.here_s,
      's',
      'by gstat, as many neighbors',
      s.krigeBesideGstat.there_s,
    );
}
