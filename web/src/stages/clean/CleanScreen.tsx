import type { StoredCleanup } from '@riffle/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import { CleanedSheet } from './CleanedSheet.tsx';
import { NotSealed, OpenedForecast, Sealed } from '../../box/SealedForecast.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { plural } from '../../ui/plural.ts';
import { TextButton } from '../../ui/TextButton.tsx';
import { useShow } from '../../units/useShow.ts';
import { CleanVerdict } from './CleanVerdict.tsx';
import { LostBySize } from './LostBySize.tsx';
import { FinishBlock } from './FinishBlock.tsx';
import { RunsBlock } from './RunsBlock.tsx';
import { SectionsBlock } from './SectionsBlock.tsx';
import { SplitDrawing } from './SplitDrawing.tsx';
import { useCleanup, type CleanupInHand } from './useCleanup.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

/** Weighs what the box held, section by section, and says whether it held it all. */
export function CleanScreen() {
  const inHand = useCleanup();
  const { ground, waiting, runs, sections, split, cleanups } = inHand;
  return (
    <div className="flex flex-col gap-4">
      <header className="hidden border-b border-rule pb-2 font-serif text-[18px] font-semibold sm:block">
        {ground.name}
      </header>
      <CleanVerdict
        runs={runs.length}
        volumeBank_L={inHand.volumeBank_L}
        sources={inHand.sources}
        split={waiting.length === 0 ? null : split}
        bySize={inHand.bySize}
      />
      {waiting.length > 0 ? (
        <form
          className="grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
          onSubmit={(e) => {
            e.preventDefault();
            inHand.keep();
          }}
        >
          <div className="flex flex-col gap-5">
            <RunsBlock inHand={inHand} />
            <SectionsBlock inHand={inHand} />
          </div>
          <div className="flex flex-col gap-4">
            {inHand.forecast && (
              <Block title={split ? 'Said beforehand, and weighed' : 'Said beforehand'}>
                {split ? (
                  <OpenedForecast forecast={inHand.forecast} weighed={inHand.measured} />
                ) : (
                  <Sealed forecast={inHand.forecast} />
                )}
              </Block>
            )}
            {inHand.notForetold && !inHand.forecast && (
              <Block title="Said beforehand">
                <NotSealed why={inHand.notForetold} />
              </Block>
            )}
            {split && (
              <Block title="Where it lay" aside="weight for its length of box; dashed: what goes past the end at least">
                <SplitDrawing
                  sections={inHand.measured.map((m, i) => ({ ...m, name: sections[i]?.name ?? '' }))}
                  split={split}
                />
              </Block>
            )}
            {inHand.bySize && inHand.bySize.sizes.length > 0 && (
              <Block title="By sizes" aside="what the box held, and what of it went over the end">
                <LostBySize bySize={inHand.bySize} />
              </Block>
            )}
            <FinishBlock inHand={inHand} />
          </div>
        </form>
      ) : (
        <p>
          <Link className="underline underline-offset-4" to={`/g/${ground.id}/run`}>
            Start a run
          </Link>
        </p>
      )}
      {cleanups.length > 0 && <CleanedBefore inHand={inHand} />}
    </div>
  );
}

/** Clean-ups in the book, the latest first. */
function CleanedBefore({ inHand: { cleanups, takeOut } }: { inHand: CleanupInHand }) {
  const local = useLocalTime();
  const show = useShow();
  const [open, setOpen] = useState<StoredCleanup | null>(null);
  const latestFirst = [...cleanups].sort((a, b) => (a.cleanedAt < b.cleanedAt ? 1 : -1));
  return (
    <Block title="Cleaned up before">
      <ul className="grid grid-cols-1 gap-x-10 lg:grid-cols-2">
        {latestFirst.map((c) => {
          const on = local.day(c.cleanedAt);
          return (
            <li key={c.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1">
              <span className="w-14 shrink-0 text-ink-2">{on}</span>
              <span className="min-w-0 grow">
                <b className="text-gold">{show.gold(c.sections.reduce((sum, s) => sum + s.gold_mg, 0))}</b> in{' '}
                {plural(c.sections.length, 'section')}
                {c.rinsedClean === 'no' && ', box not rinsed'}
                {c.note && <span className="block text-[13px] text-ink-2">{c.note}</span>}
              </span>
              <TextButton aria-label={`Put right the clean-up of ${on}`} onClick={() => setOpen(c)}>
                put right
              </TextButton>
              <TextButton aria-label={`Take out the clean-up of ${on}`} onClick={() => takeOut(c)}>
                take out
              </TextButton>
            </li>
          );
        })}
      </ul>
      {open && <CleanedSheet cleanup={open} onClose={() => setOpen(null)} />}
    </Block>
  );
}
