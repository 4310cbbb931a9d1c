// npm run calibrate [-- share]: every judgement held against simulated truths that do not share its form. Prints said against true, writes
// docs/calibration.md and what the page "How sure is it?" shows. Seeded: the same numbers on every machine. A share below 1 makes a shorter run and writes nothing.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { calibrate, type Calibrated } from '../demo/src/calibration/calibrate.ts';

const share = Number(process.argv[2] ?? 1);
const root = join(import.meta.dirname, '..');
const began = Date.now();
const judgements = calibrate(share, (what) => console.log(`${what} ...`));
const line = (j: Calibrated): string =>
  `${j.says}: ${j.truth} (${j.times} times; held to: ${j.heldTo}; ${j.holds ? (j.wide ? 'holds, wide' : 'holds') : 'FALLS SHORT'})`;
for (const j of judgements) console.log(line(j));
console.log(`${Math.round((Date.now() - began) / 1000)} s`);
if (share === 1) {
  writeFileSync(join(root, 'docs', 'calibration.md'), page(judgements));
  writeFileSync(join(root, 'web', 'src', 'sure', 'calibrated.json'), `${JSON.stringify(judgements, null, 1)}\n`);
}
process.exit(judgements.every((j) => j.holds) ? 0 : 1);

function page(all: readonly Calibrated[]): string {
  return `# How often it is right

Written by \`npm run calibrate\`; do not edit. Riffle's judgements, run the way the screens run them, against simulated truths that do not share
their form: gold drawn flake by flake, flat or chunky, of log-normal sizes; spots and pans that differ as a gamma, a log-normal or patches, one form
drawn for each ground and none told; pans counted, weighed, some of each; eyes that see down to 0.1 or to 0.22 mm; swell that is not what was said; creeks
with and without a stop; boxes that take each size at its own rate. Nothing is fitted to them.

| It says | Held to | So often it was true | Asked |
|---|---|---|---|
${all.map((j) => `| ${j.says} | ${j.heldTo} | ${j.truth}${j.holds ? (j.wide ? ', wider than it must be' : '') : ' **falls short**'} | ${j.times.toLocaleString('en-US')}${j.silent > 0 ? `, ${j.silent.toLocaleString('en-US')} times without an answer` : ''} |`).join('\n')}

## When the truth has another form
${all
  .filter((j) => j.byForm)
  .map((j) => `- ${j.says}: ${j.byForm}.`)
  .join('\n')}
`;
}
