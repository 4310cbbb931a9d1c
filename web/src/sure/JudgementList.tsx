import { Block } from '../ui/Judgement.tsx';
import { ClaimBar } from './ClaimBar.tsx';
import type { Simulated } from './useSure.ts';

/** Groups of judgements, with the scale each is drawn on: percent, or points off. */
const GROUPS = [
  { group: 'bands', title: 'Bands: 85 to 95 in 100 hold', from: 0.7, to: 1, as: 'in 100' },
  { group: 'chances', title: 'Chances: at most 10 points off', from: 0, to: 0.2, as: 'points off' },
  { group: 'alarms', title: 'Alarms: seldom false', from: 0, to: 0.2, as: 'in 100' },
] as const;

interface JudgementListProps {
  readonly judgements: readonly Simulated[];
  /** This ground's own count of a judgement, by what it says. */
  readonly yours: ReadonlyMap<string, string>;
}

/** Every judgement: its claim as a box, what came in simulation as a stroke, and what came on this ground. */
export function JudgementList({ judgements, yours }: JudgementListProps) {
  return (
    <Block title="Each judgement" aside="box: the claim; stroke: what came in simulation">
      {GROUPS.map(({ group, title, from, to, as }) => (
        <div key={group}>
          <h3 className="grid grid-cols-[minmax(0,1fr)_auto_4.5rem] items-baseline gap-3 border-b border-ink pt-2 font-bold">
            {title}
            <span className="text-[12.5px] font-normal text-ink-2">
              {Math.round(100 * from)}–{Math.round(100 * to)} {as}
            </span>
            <span className="text-right text-[12.5px] font-normal text-ink-2">yours</span>
          </h3>
          <ul>
            {judgements
              .filter((j) => j.group === group)
              .map((j) => (
                <li
                  key={j.says}
                  className="grid grid-cols-[minmax(0,1fr)_5rem_4rem_4.5rem] items-center gap-x-3 border-b border-rule py-1 text-[14px] sm:grid-cols-[minmax(0,1fr)_12rem_8rem_4.5rem]"
                  title={j.byForm ? `By the form of the truth: ${j.byForm}` : undefined}
                >
                  <span className={j.holds ? '' : 'font-bold'}>{j.says}</span>
                  <ClaimBar came={j.came} claim={j.claim} from={from} to={to} holds={j.holds} />
                  <span>
                    <b>{Math.round(100 * j.came)}</b>{' '}
                    <span className="text-[12.5px] text-ink-2">
                      of {j.times.toLocaleString('en-US')}
                      {j.holds ? (j.wide ? ', wide' : '') : ', short'}
                    </span>
                  </span>
                  <span className="text-right font-bold">{yours.get(j.says)}</span>
                </li>
              ))}
          </ul>
        </div>
      ))}
    </Block>
  );
}
