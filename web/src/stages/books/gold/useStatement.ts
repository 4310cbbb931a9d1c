import type { Statement } from '@riffle/core';
import { saveFile } from '../../../files/saveFile.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { toast } from '../../../ui/toast.ts';
import { moneyText } from '../../../units/moneyText.ts';
import { useShow } from '../../../units/useShow.ts';
import { dayMonthYear } from '../../../when/localTime.ts';
import { useLocalTime, useToday } from '../../../when/useLocalTime.ts';
import { goldWords } from './goldWords.ts';
import type { Gold } from './useGold.ts';

/** Saves a partner's statement as one sheet (PDF). */
export function useStatement({ lines, ledger, agreements }: Gold): (of: Statement) => Promise<void> {
  const show = useShow();
  const local = useLocalTime();
  const today = useToday();
  const { money } = usePreferences().preferences;
  return async (of) => {
    try {
      const [{ statementSheet }, { readLetters }] = await Promise.all([
        import('../../../give/statementSheet.ts'),
        import('../../../give/letters.ts'),
      ]);
      const back = new Set(ledger.takenBack);
      const bytes = await statementSheet(
        {
          name: of.name,
          day: dayMonthYear(today),
          account: [
            { what: 'Share of what was won', amount: show.gold(of.share_mg) },
            { what: 'Share of what was sold, lost or melted away', amount: show.gold(of.gone_mg) },
            { what: 'Handed out', amount: show.gold(of.handedOut_mg) },
            { what: of.due_mg < 0 ? 'Had too much' : 'Due', amount: show.gold(of.due_mg), isSum: true },
            ...(of.price > 0 ? [{ what: 'Of the money for what was sold', amount: moneyText(of.price, money) }] : []),
          ],
          agreed: agreements
            .filter((a) => a.partners.some((p) => p.name === of.name))
            .map((a) => ({
              since: dayMonthYear(a.since),
              parts: a.partners.map((p) => `${p.name} ${p.parts}`).join(', '),
            })),
          handedOut: lines
            .filter((l) => l.deed === 'handed out' && l.to === of.name && !back.has(l.id))
            .map((l) => ({ day: dayMonthYear(local.isoDay(l.at)), what: goldWords(l, money) })),
        },
        await readLetters(),
      );
      saveFile(new Blob([bytes]), `statement ${of.name}.pdf`, 'application/pdf');
    } catch {
      toast('It could not be made. A sheet needs a signal.');
    }
  };
}
