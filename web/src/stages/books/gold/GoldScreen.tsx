import { useState } from 'react';
import { useKeep } from '../../../records/useKeep.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { Block, Gold, Judgement } from '../../../ui/Judgement.tsx';
import { plural } from '../../../ui/plural.ts';
import { TextButton } from '../../../ui/TextButton.tsx';
import { undoToast } from '../../../ui/undoToast.ts';
import { trueNow } from '../../../api/trueClock.ts';
import { useShow } from '../../../units/useShow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { goldWords } from './goldWords.ts';
import { LineForm } from './LineForm.tsx';
import { Shares } from './Shares.tsx';
import { useGold } from './useGold.ts';

/** What became of the gold: in which vial it lies, what was sold, melted, handed out, and what each partner has coming. */
export function GoldScreen() {
  const local = useLocalTime();
  const show = useShow();
  const gold = useGold(local);
  const { ledger, lines } = gold;
  const gone = [
    ledger.sold_mg > 0 && `sold ${show.gold(ledger.sold_mg)}`,
    ledger.handedOut_mg > 0 && `handed out ${show.gold(ledger.handedOut_mg)}`,
    ledger.lost_mg > 0 && `lost ${show.gold(ledger.lost_mg)}`,
  ].filter(Boolean);
  return (
    <div className="flex flex-col gap-5">
      <Judgement
        rests={`${plural(gold.came.length, 'clean-up')} of every ground weighed ${show.gold(ledger.weighed_mg)}${ledger.found_mg > 0 ? `, found otherwise ${show.gold(ledger.found_mg)}` : ''}${gone.length > 0 ? `; ${gone.join(', ')}` : ''}.${gold.isPartly ? ' Some of the book has not reached this device yet.' : ''}`}
      >
        {gold.came.length === 0 && lines.length === 0 ? (
          'No gold in hand yet: what a clean-up weighs stands here.'
        ) : (
          <>
            <Gold>{show.gold(ledger.inHand_mg)}</Gold> in hand.
          </>
        )}
      </Judgement>
      <div className="grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-2">
        <div className="flex flex-col gap-5">
          <Vials gold={gold} />
          <Shares gold={gold} />
        </div>
        <div className="flex flex-col gap-5">
          <Block title="Write a line">
            <LineForm vials={ledger.vials.map((v) => v.name)} partners={gold.statements.map((s) => s.name)} />
          </Block>
          <Lines gold={gold} />
        </div>
      </div>
    </div>
  );
}

/** What lies in each vial, drawn beside the fullest. */
function Vials({ gold: { ledger } }: { gold: ReturnType<typeof useGold> }) {
  const show = useShow();
  if (ledger.vials.length === 0) return null;
  const most = Math.max(...ledger.vials.map((v) => v.gold_mg));
  return (
    <Block title="In hand" aside="weighed gold lies unsorted until a line moves it">
      <ul>
        {ledger.vials.map((v) => (
          <li
            key={v.name}
            className="grid grid-cols-[minmax(0,9rem)_minmax(0,1fr)_6rem] items-center gap-x-3 border-b border-rule py-2"
          >
            <b className="truncate">{v.name}</b>
            <svg viewBox="0 0 100 18" preserveAspectRatio="none" className="block h-[18px] w-full" aria-hidden="true">
              <rect x="0.5" y="1" width="99" height="16" fill="none" stroke="var(--rule)" />
              {v.gold_mg > 0 && (
                <rect
                  x="0.5"
                  y="1"
                  width={(99 * v.gold_mg) / most}
                  height="16"
                  fill="var(--gold-fill)"
                  stroke="var(--gold)"
                />
              )}
            </svg>
            <span className="text-right">
              <b className={v.gold_mg < 0 ? 'text-danger' : 'text-gold'}>{show.gold(v.gold_mg)}</b>
              {v.fine_mg !== null && <span className="block text-[12.5px]">{show.gold(v.fine_mg)} fine</span>}
            </span>
          </li>
        ))}
      </ul>
      {ledger.vials.some((v) => v.gold_mg < 0) && (
        <p className="mt-1 font-bold text-danger">
          ▲ More was taken from a vial than lay in it: a line or a clean-up is missing, or one is wrong.
        </p>
      )}
    </Block>
  );
}

/** So many lines are shown until one asks for all. */
const SHOWN = 12;

/** Every line, the latest first. None is ever changed: one that is wrong is taken back by a line of its own. */
function Lines({ gold: { lines, ledger } }: { gold: ReturnType<typeof useGold> }) {
  const local = useLocalTime();
  const { add } = useKeep('gold-entries');
  const money = usePreferences().preferences.money;
  const [all, setAll] = useState(false);
  if (lines.length === 0) return null;
  const gone = new Set(ledger.takenBack);
  const written = lines.filter((l) => l.deed !== 'taken back');
  const takeBack = (id: string): void => {
    const bare = { from: '', to: '', amount_mg: 0, amountEntered: { text: '', unit: '' }, note: '' };
    const none = { out_mg: null, outEntered: null, fineness_permille: null, price: null };
    const back = (corrects: string): string => add({ ...bare, ...none, at: trueNow(), deed: 'taken back', corrects });
    const backId = back(id);
    undoToast('The line is taken back; both stay in the ledger.', () => back(backId));
  };
  return (
    <Block title="Lines" aside="none is changed; a wrong one is taken back">
      <ol aria-label="Lines of the ledger, the latest first">
        {(all ? written : written.slice(0, SHOWN)).map((l) => (
          <li
            key={l.id}
            className="grid grid-cols-[3.7rem_minmax(0,1fr)_auto] items-baseline gap-x-3 border-b border-rule py-1.5"
          >
            <span className="text-ink-2">{local.day(l.at)}</span>
            <span className={`min-w-0 ${gone.has(l.id) ? 'text-ink-2 line-through' : ''}`}>
              {goldWords(l, money)}
              {l.note && <span className="block text-[13px] text-ink-2">{l.note}</span>}
            </span>
            {gone.has(l.id) ? (
              <span className="text-ink-2">taken back</span>
            ) : (
              <TextButton aria-label={`Take back: ${goldWords(l, money)}`} onClick={() => takeBack(l.id)}>
                take back
              </TextButton>
            )}
          </li>
        ))}
      </ol>
      {!all && written.length > SHOWN && (
        <TextButton onClick={() => setAll(true)}>{written.length - SHOWN} earlier</TextButton>
      )}
    </Block>
  );
}
