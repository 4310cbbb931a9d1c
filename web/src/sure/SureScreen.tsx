import { Block, Judgement } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { DaysFinds } from './DaysFinds.tsx';
import { JudgementList } from './JudgementList.tsx';
import { Opened } from './Opened.tsx';
import { worstFifth } from './ownFifths.ts';
import { SaidAndCame } from './SaidAndCame.tsx';
import { useSure, type Sure } from './useSure.ts';
import { YourEye } from './YourEye.tsx';

/** How sure is it? How often Riffle is right in simulation, and how what it said came out on this ground. */
export function SureScreen() {
  const sure = useSure();
  const { ground, fifths, judgements, nameOf } = sure;
  const pays = judgements.find((j) => j.bins && j.says === 'Chance that a spot pays');
  return (
    <div className="flex flex-col gap-5 pt-3">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6 border-b border-rule pb-2">
        <span className="font-serif text-[18px] font-semibold">How sure is it?</span>
        <span className="text-ink-2">on {ground.name}</span>
      </header>
      <SureVerdict sure={sure} />
      <div className="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,24rem)_minmax(0,1fr)]">
        <div className="flex min-w-0 flex-col gap-6">
          {pays?.bins && (
            <Block title="Said, and came true" aside="chance that a place pays, in 10">
              <SaidAndCame bins={pays.bins} own={fifths} />
            </Block>
          )}
          <DaysFinds replayed={sure.replayed} />
        </div>
        <div className="flex min-w-0 flex-col gap-6">
          <Opened runs={sure.opened} weighed={sure.weighed} named={sure.named} places={sure.replayed} nameOf={nameOf} />
          <YourEye eye={sure.eye} />
        </div>
      </div>
      <JudgementList judgements={judgements} yours={sure.yours} />
      <Block title="What it finds" aside="a safe judgement that never speaks is no judgement">
        <ul className="grid grid-cols-1 gap-x-8 lg:grid-cols-2">
          {judgements
            .filter((j) => j.group === 'found')
            .map((j) => (
              <li key={j.says} className="border-b border-rule py-1.5">
                {j.says}: <b>{j.truth}</b> <span className="text-ink-2">({j.times.toLocaleString('en-US')} times)</span>
              </li>
            ))}
        </ul>
      </Block>
    </div>
  );
}

/** What to trust: the own record where luck does not explain it, else what holds in simulation. */
function SureVerdict({ sure: { ground, judgements, fifths, replayed, opened } }: { sure: Sure }) {
  const short = judgements.filter((j) => !j.holds).length;
  const worst = worstFifth(fifths);
  const paid = replayed.filter((r) => r.paid).length;
  const expected = Math.round(replayed.reduce((sum, r) => sum + r.said, 0));
  const held = opened.filter((o) => o.held).length;
  const own =
    replayed.length + opened.length === 0
      ? `On ${ground.name} nothing that was said has been measured yet.`
      : [
          replayed.length > 0 &&
            `On ${ground.name} ${plural(replayed.length, 'place was', 'places were')} panned: about ${expected} to pay, ${paid} did.`,
          opened.length > 0 && `Bands held ${held} of ${plural(opened.length, 'clean-up')}.`,
        ]
          .filter(Boolean)
          .join(' ');
  return (
    <Judgement rests={`${own} Simulated truth is drawn flake by flake and has other forms than Riffle’s sums.`}>
      {worst
        ? `${worst.said > worst.paid / worst.places ? 'Shave' : 'Raise'} the ${worst.said > 0.5 ? 'high' : 'low'} chances here: where it said ${Math.round(10 * worst.said)} in 10, ${Math.round((10 * worst.paid) / worst.places)} came true.`
        : short === 0
          ? `Trust the bands: all ${judgements.length} judgements hold against simulated truth.`
          : `Of ${judgements.length} judgements ${judgements.length - short} hold against simulated truth; ${short === 1 ? 'one falls' : `${short} fall`} short.`}
    </Judgement>
  );
}
