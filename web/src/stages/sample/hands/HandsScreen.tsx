import type { StoredContainer } from '@riffle/contract';
import { bankVolume_L, CONTAINERS, detectionLimit, EYES, PAN_FINISHES, PAN_LIGHTS, handsOf } from '@riffle/core';
import { useState } from 'react';
import { toast } from '../../../ui/toast.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround } from '../../../shell/useGround.ts';
import { asTyped } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { SelectField } from '../../../ui/Field.tsx';
import { Block, Judgement } from '../../../ui/Judgement.tsx';
import { ContainerSheet } from './ContainerSheet.tsx';
import { Practice } from './Practice.tsx';
import { useSeenWith } from '../../../pan/seenWith.ts';
import { SizeWordList } from './SizeWordList.tsx';
import { TrialsBlock } from '../../../trial/TrialsBlock.tsx';

/** What the crew measures with: their pans and buckets, their eyes, their hands. Measured once, used everywhere. */
export function HandsScreen() {
  const show = useShow();
  const { ground } = useGround();
  const containers = useRecords('containers').items;
  const seedings = useRecords('seedings').items;
  const hands = handsOf(seedings);
  const best = [...hands].sort((a, b) => b.recovery.share - a.recovery.share)[0];
  const [open, setOpen] = useState<{ name: string; kept: StoredContainer | null } | null>(null);
  const names = [...new Set([...Object.keys(CONTAINERS), ...containers.map((c) => c.name)])];
  const measured = containers.length;
  return (
    <div className="flex flex-col gap-5">
      {best ? (
        <Judgement
          rests={`${best.recovery.cameBack} of ${best.recovery.putIn} seeded grains came back. ${measured === 0 ? 'None of your containers is measured yet.' : `${measured} of your containers ${measured === 1 ? 'is' : 'are'} measured.`}`}
        >
          {best.panner} keeps {percent(best.recovery.share)} ({percentDigits(best.recovery.low)}–
          {percentDigits(best.recovery.high)}) of what is in the pan.
        </Judgement>
      ) : (
        <Judgement rests="Until then every pan is a pan of common practice, and every count is taken as if nothing was lost.">
          Measure your pan once, and pan a few grains you know.
        </Judgement>
      )}
      <div className="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-2">
        <Block title="Your containers" aside="level full">
          <ul>
            {names.map((name) => {
              const kept = containers.find((c) => c.name === name) ?? null;
              const usual = (CONTAINERS as Readonly<Record<string, number>>)[name];
              return (
                <li key={name} className="flex min-h-12 flex-wrap items-center gap-x-3 border-b border-rule">
                  <b className="w-32">{name}</b>
                  <span className="min-w-0 grow">
                    {kept ? (
                      <>
                        {show.volume(kept.volume_L)}{' '}
                        <span className="text-ink-2">
                          {asTyped(kept.volumeEntered)}, {kept.way}
                        </span>
                      </>
                    ) : (
                      <span className="text-ink-2">
                        {usual === undefined ? '' : `${show.volume(usual)}, common practice`}
                      </span>
                    )}
                  </span>
                  <button
                    type="button"
                    className="min-h-11 px-1 underline underline-offset-4"
                    aria-label={`Measure the ${name}`}
                    onClick={() => setOpen({ name, kept })}
                  >
                    {kept ? 'measure again' : 'measure'}
                  </button>
                </li>
              );
            })}
          </ul>
          <Button look="quiet" onClick={() => setOpen({ name: '', kept: null })}>
            Another container ...
          </Button>
          <p className="mt-1 text-ink-2">
            Say how full it was beside the number: “2 heaped pans”, “1 bucket, three-quarter full”. Heaped counts a
            quarter more than level.
          </p>
          <LooseAndBank swell_percent={ground.swell_percent} />
          <div className="mt-6">
            <SizeWordList />
          </div>
        </Block>
        <div className="flex flex-col gap-6">
          <Practice seedings={seedings} hands={hands} isDry={ground.kind === 'wash'} />
          <TrialsBlock groundId={ground.id} measures={PAN_MEASURES} a="as I pan now" />
          <Seeing />
        </div>
      </div>
      {open && (
        <ContainerSheet
          name={open.name}
          kept={open.kept}
          taken={containers.map((c) => c.name)}
          onClose={() => setOpen(null)}
          onKept={(name) => toast(`The ${name} is measured; it counts from now on.`)}
        />
      )}
    </div>
  );
}

/** Halves of one scoop, panned two ways. */
const PAN_MEASURES = ['colors in the pan'] as const;

const percentDigits = (share: number): string => String(Math.round(share * 100));
const percent = (share: number): string => `${percentDigits(share)}\u00a0%`;

/** Loose and bank, explained once: what is dug swells. Both boxes hold the same gravel. */
function LooseAndBank({ swell_percent }: { swell_percent: number }) {
  const show = useShow();
  const tall = 64 * (1 + swell_percent / 100);
  return (
    <figure className="mt-4">
      <svg
        viewBox="0 0 420 118"
        className="block w-full max-w-[30rem]"
        role="img"
        aria-label={`The same gravel in the bank and dug: dug it is ${swell_percent} % more`}
      >
        <path d="M10 36h120" stroke="var(--ink)" strokeWidth="1.6" />
        <rect x="30" y="36" width="80" height="64" fill="url(#gravel)" stroke="var(--ink)" strokeWidth="1.6" />
        <text x="70" y="115" fontSize="12.5" textAnchor="middle">
          in the bank: {show.volume(10)}
        </text>
        <path d="M140 70h60m-9 -6l9 6l-9 6" fill="none" stroke="var(--ink)" strokeWidth="1.8" />
        <text x="168" y="60" fontSize="12.5" textAnchor="middle">
          dug
        </text>
        <rect
          x="226"
          y={100 - tall}
          width="80"
          height={tall}
          fill="url(#gravel)"
          stroke="var(--ink)"
          strokeWidth="1.6"
          strokeDasharray="5 3"
        />
        <path d={`M314 36V${100 - tall}`} stroke="var(--ink)" strokeWidth="4" />
        <text x="322" y={72 - tall / 4} fontSize="12.5">
          + {swell_percent} %
        </text>
        <text x="266" y="115" fontSize="12.5" textAnchor="middle">
          loose: {show.volume(10 * (1 + swell_percent / 100))}
        </text>
      </svg>
      <figcaption className="text-ink-2">
        A pan or bucket is filled loose. {show.volume(100)} loose is {show.volume(bankVolume_L(100, swell_percent))} of
        ground in place; grades here are always of ground in place.
      </figcaption>
    </figure>
  );
}

/** What the eye can see at all: finer gold is not in any count. */
function Seeing() {
  const show = useShow();
  const [seen, setSeen] = useSeenWith();
  const limit = detectionLimit(seen);
  const list = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));
  return (
    <Block title="What you can see">
      <div className="grid grid-cols-1 gap-x-4 sm:grid-cols-3">
        <SelectField
          label="Pan"
          value={seen.pan}
          choices={list(PAN_FINISHES)}
          onChange={(pan) => setSeen({ ...seen, pan })}
        />
        <SelectField
          label="Light"
          value={seen.light}
          choices={list(PAN_LIGHTS)}
          onChange={(light) => setSeen({ ...seen, light })}
        />
        <SelectField
          label="Eyes"
          value={seen.eyes}
          choices={list(EYES)}
          onChange={(eyes) => setSeen({ ...seen, eyes })}
        />
      </div>
      <p>
        The smallest color you count is about <b>{show.grainSize(limit.size_m)}</b> across (
        <span className="text-gold">{show.gold(limit.mass_mg)}</span>). Finer gold may be there and is in no count of
        yours.
      </p>
      <p className="text-ink-2">
        Common practice says nothing is seen below about {show.grainSize(0.00006)}; what pan, light and eyes add is an
        assumption. It goes with each sample you keep from now on.
      </p>
    </Block>
  );
}
