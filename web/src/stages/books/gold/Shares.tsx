import { MOST, NUMBERS, numberProblem, TEXTS, textProblem, type StoredAgreement } from '@riffle/contract';
import { TOGETHER } from '@riffle/core';
import { useState } from 'react';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { moneyText } from '../../../units/moneyText.ts';
import { Button } from '../../../ui/Button.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { PutRight } from '../../../ui/PutRight.tsx';
import { FormSheet } from '../../../ui/Sheet.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useShow } from '../../../units/useShow.ts';
import { dayMonthYear } from '../../../when/localTime.ts';
import { DayField } from '../../../when/WhenField.tsx';
import { useToday } from '../../../when/useLocalTime.ts';
import type { Gold } from './useGold.ts';
import { useStatement } from './useStatement.ts';

/** What each partner has coming, by what was agreed for the day it was won, sold or lost. */
export function Shares({ gold }: { gold: Gold }) {
  const { agreements, statements } = gold;
  const give = useStatement(gold);
  const show = useShow();
  const { money } = usePreferences().preferences;
  const [open, setOpen] = useState<StoredAgreement | 'new' | null>(null);
  const isAgreed = statements.some((s) => s.name !== TOGETHER);
  const paid = statements.some((s) => s.price > 0);
  return (
    <Block title="Shares" aside="to the tenth of a milligram; what is due comes to what is in hand">
      {isAgreed && (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="What each partner has coming">
          <table className="w-full border-collapse">
            <thead>
              <tr className="text-ink-2">
                {['partner', 'due', 'share', 'had', ...(paid ? ['of the money'] : [])].map((h, i) => (
                  <th key={h} scope="col" className={`pr-3 font-normal ${i === 0 ? 'text-left' : 'text-right'}`}>
                    {h}
                  </th>
                ))}
                <td />
              </tr>
            </thead>
            <tbody>
              {statements.map((s) => (
                <tr key={s.name} className="border-t border-rule">
                  <th scope="row" className="py-2 pr-3 text-left">
                    {s.name}
                  </th>
                  <td className={`pr-3 text-right font-bold ${s.due_mg < 0 ? 'text-danger' : 'text-gold'}`}>
                    {show.gold(s.due_mg)}
                  </td>
                  <td className="pr-3 text-right">{show.gold(s.share_mg)}</td>
                  <td className="pr-3 text-right">{show.gold(s.handedOut_mg)}</td>
                  {paid && <td className="pr-3 text-right">{moneyText(s.price, money)}</td>}
                  <td className="text-right">
                    <TextButton aria-label={`Statement for ${s.name}`} onClick={() => void give(s)}>
                      statement
                    </TextButton>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {agreements.length === 0 ? (
        <p>Nothing is agreed yet: the gold is everybody’s together.</p>
      ) : (
        <ul className="mt-2" aria-label="What was agreed">
          {agreements.map((a) => (
            <li key={a.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1.5">
              <span className="min-w-0 grow">
                since {dayMonthYear(a.since)}: {a.partners.map((p) => `${p.name} ${p.parts}`).join(', ')}
              </span>
              <TextButton aria-label={`Put right what was agreed since ${a.since}`} onClick={() => setOpen(a)}>
                put right
              </TextButton>
            </li>
          ))}
        </ul>
      )}
      <Button className="mt-2" onClick={() => setOpen('new')}>
        {agreements.length === 0 ? 'Agree on shares' : 'Agree anew'}
      </Button>
      {open && (
        <AgreementSheet
          agreement={open === 'new' ? undefined : open}
          before={agreements[0]}
          onClose={() => setOpen(null)}
        />
      )}
    </Block>
  );
}

interface AgreementSheetProps {
  readonly agreement: StoredAgreement | undefined;
  readonly before: StoredAgreement | undefined;
  readonly onClose: () => void;
}

/** Who has how many parts, from which day on. */
function AgreementSheet({ agreement, before, onClose }: AgreementSheetProps) {
  const { put, takeOut } = useKeep('agreements');
  const today = useToday();
  const [since, setSince] = useState(agreement?.since ?? today);
  const [partners, setPartners] = useState(() =>
    ((agreement ?? before)?.partners ?? [{ name: '', parts: 1 }]).map((p) => ({
      name: p.name,
      parts: String(p.parts),
    })),
  );
  const [tried, setTried] = useState(false);
  const wrong = partners.map(({ name, parts }, i) => {
    const value = Number(parts);
    return {
      name:
        textProblem(TEXTS.name, name) ??
        (partners.findIndex((p) => p.name.trim() === name.trim()) < i ? 'Each partner once.' : null),
      parts: parts.trim() === '' || !Number.isInteger(value) ? 'Whole parts.' : numberProblem(NUMBERS.parts, value),
    };
  });
  const nobody = partners.every((p) => Number(p.parts) === 0) ? 'Somebody has a part.' : null;
  const isWrong = since === '' || nobody !== null || wrong.some((w) => w.name !== null || w.parts !== null);
  const set = (i: number, some: Partial<(typeof partners)[number]>): void =>
    setPartners(partners.map((p, j) => (j === i ? { ...p, ...some } : p)));
  return (
    <FormSheet
      title={agreement ? 'What was agreed' : 'Agree on shares'}
      onClose={onClose}
      tight
      onSave={() => {
        setTried(true);
        if (isWrong) return;
        put(agreement, {
          since,
          partners: partners.map((p) => ({ name: p.name.trim(), parts: Number(p.parts) })),
          note: agreement?.note ?? '',
        });
        onClose();
      }}
    >
      <DayField label="From this day on" value={since} onChange={setSince} problem={since === '' ? 'A day.' : null} />
      {partners.map((p, i) => (
        <fieldset key={i} className="grid grid-cols-[minmax(0,1fr)_5rem_auto] gap-x-3">
          <legend className="sr-only">Partner {i + 1}</legend>
          <TextField
            label="Partner"
            value={p.name}
            onChange={(name) => set(i, { name })}
            problem={tried ? (wrong[i]?.name ?? null) : null}
          />
          <TextField
            label="Parts"
            value={p.parts}
            inputMode="numeric"
            onChange={(parts) => set(i, { parts })}
            problem={tried ? (wrong[i]?.parts ?? null) : null}
          />
          {partners.length > 1 && (
            <TextButton
              className="mt-6"
              aria-label={`Drop partner ${i + 1}`}
              onClick={() => setPartners(partners.filter((_, j) => j !== i))}
            >
              drop
            </TextButton>
          )}
        </fieldset>
      ))}
      {partners.length < MOST.partners && (
        <TextButton className="self-start" onClick={() => setPartners([...partners, { name: '', parts: '1' }])}>
          one partner more
        </TextButton>
      )}
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && isWrong && `▲ Not kept: ${nobody ?? 'see the fields marked.'}`}
      </p>
      {agreement ? (
        <PutRight
          onTakeOut={() => {
            takeOut(agreement, 'What was agreed is taken out.');
            onClose();
          }}
        />
      ) : (
        <Button look="main" type="submit" className="self-start">
          Keep it so
        </Button>
      )}
    </FormSheet>
  );
}
