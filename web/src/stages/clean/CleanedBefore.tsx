import type { StoredCleanup } from '@riffle/contract';
import { useState } from 'react';
import { useKeep } from '../../records/useKeep.ts';
import { Block } from '../../ui/Judgement.tsx';
import { plural } from '../../ui/plural.ts';
import { TextButton } from '../../ui/TextButton.tsx';
import { useShow } from '../../units/useShow.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { CleanedSheet } from './CleanedSheet.tsx';
import { RinseOutSheet } from './RinseOutSheet.tsx';
import { isRinseOut } from './carpets.ts';
import type { CleanupInHand } from './useCleanup.ts';

/** Clean-ups in the book, the latest first, and the way to tell what a later rinse brought out. */
export function CleanedBefore({ inHand: { ground, cleanups } }: { inHand: CleanupInHand }) {
  const local = useLocalTime();
  const show = useShow();
  const { takeOut } = useKeep('cleanups');
  const [open, setOpen] = useState<StoredCleanup | null>(null);
  const [rinsing, setRinsing] = useState(false);
  const latestFirst = [...cleanups].sort((a, b) => (a.cleanedAt < b.cleanedAt ? 1 : -1));
  if (cleanups.length === 0) return null;
  return (
    <Block title="Cleaned up before">
      <ul className="grid grid-cols-1 gap-x-10 lg:grid-cols-2">
        {latestFirst.map((c) => {
          const on = local.day(c.cleanedAt);
          const isRinse = isRinseOut(c);
          return (
            <li key={c.id} className="flex items-center gap-x-3 border-b border-rule py-1 tight:flex-wrap">
              <span className="w-14 shrink-0 text-ink-2">{on}</span>
              <span className="min-w-0 grow">
                <b className="text-gold">{show.gold(c.sections.reduce((sum, s) => sum + s.gold_mg, 0))}</b>{' '}
                {isRinse ? 'rinsed out of the carpet' : `in ${plural(c.sections.length, 'section')}`}
                {c.rinsedClean === 'no' && ', box not rinsed'}
                {c.note && <span className="block text-[13px] text-ink-2">{c.note}</span>}
              </span>
              <TextButton aria-label={`Put right the clean-up of ${on}`} onClick={() => setOpen(c)}>
                put right
              </TextButton>
              <TextButton
                aria-label={`Take out the clean-up of ${on}`}
                onClick={() => takeOut(c, `Taken out of the book${isRinse ? '.' : '; its runs wait again.'}`)}
              >
                take out
              </TextButton>
            </li>
          );
        })}
      </ul>
      <TextButton onClick={() => setRinsing(true)}>gold rinsed out of a carpet later</TextButton>
      {open && <CleanedSheet cleanup={open} onClose={() => setOpen(null)} />}
      {rinsing && <RinseOutSheet groundId={ground.id} onClose={() => setRinsing(false)} />}
    </Block>
  );
}
