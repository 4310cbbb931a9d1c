// Which test file is begun when: what takes minutes comes first, or at the end one worker is left alone with it. Jest itself
// knows that only where it has run before.
import Sequencer from '@jest/test-sequencer';

/** The longest, the longest first; the first of them mostly waits, for a browser and a server that was killed. */
const LONG = [
  'scripts/soak/chaos',
  'scripts/start',
  'demo/src/calibration/calibration',
  'server/src/fuzz',
  'web/src/offline/deviceStore',
  'server/src/sums/sums',
  'server/src/backup/backup',
  'server/src/work/workPool',
];
const place = ({ path }) => {
  const at = LONG.findIndex((name) => path.includes(`/${name}.test.`));
  return at === -1 ? LONG.length : at;
};

export default class LongestFirst extends Sequencer {
  sort(tests) {
    return super.sort(tests).sort((a, b) => place(a) - place(b));
  }
}
