import { clock } from '../../../day/dayWords.ts';
import { useContext, type ReactNode } from 'react';
import { GROUND_WORDS } from '../../../ground/groundWords.ts';
import { claimWords } from '../../../ground/claims.ts';
import { SecondWord } from '../../../ui/Judgement.tsx';
import { plural } from '../../../ui/plural.ts';
import { useShow } from '../../../units/useShow.ts';
import type { NoFix } from './useWhere.ts';
import type { Walk } from './useWalk.ts';
import { markWords, sideWords } from './walkWords.ts';

/** What comes first on a walk, as large as the screen allows: a stop, or the next place and how far it is. */
export function WalkFirst({ walk }: { walk: Walk }) {
  const show = useShow();
  const { where, next, isThere, way, inShut, edge, back, wayShut, isOld, noFix, marks } = walk;
  if (!where) return <NoPlace walk={walk} />;
  if (inShut)
    return (
      <Stop says={`You are on ${claimWords(inShut)}.`}>
        It runs from {show.distance(inShut.from_m)} to {show.distance(inShut.to_m)} by your drawing, which is no survey.
        Do not dig; the posts and the register decide.
      </Stop>
    );
  if (wayShut === 'sea')
    return (
      <Stop says="The sea shuts the way back.">
        Do not wade it. Stay high, above the berm, till it opens
        {walk.seaOpens_min !== null && ` about ${clock(walk.seaOpens_min)}`}; swell runs higher than the table.
      </Stop>
    );
  if (wayShut)
    return (
      <Stop says="The river shuts the way back.">
        {walk.river?.ford?.name} is covered at this level. Do not wade it: go back over high ground, or wait for the
        water to fall.
      </Stop>
    );
  if (back && back.left_min <= 0)
    return <Stop says="Turn back now.">It is {Math.round(back.walk_min)} min to the start, stones and all.</Stop>;
  if (edge && edge.ahead_m <= 60 && (!next || edge.ahead_m < next.ahead_m))
    return (
      <Far figure={show.figure('distance', edge.ahead_m)} side="ahead" name={`The edge of ${claimWords(edge)}.`}>
        Turn before it; a drawing is no survey.
      </Far>
    );
  if (!next)
    return (
      <Far
        figure={null}
        side=""
        name={
          !walk.isReady
            ? ' '
            : marks.length > 0
              ? `Nothing more ahead; ${plural(marks.length, 'place')} behind you.`
              : 'Every place of this walk is tried or passed.'
        }
      >
        Mark what you see: a sign here makes the next walk better.
      </Far>
    );
  return (
    <Far
      figure={isThere ? { digits: 'here', unit: '' } : show.figure('distance', Math.max(0, next.ahead_m))}
      side={isThere ? '' : sideWords(next, way)}
      name={next.name}
      rank={next.rank}
      of={walk.left}
    >
      {GROUND_WORDS[walk.ground.kind].banks[next.bank]}, {markWords(next)}
      {!walk.byHand && noFix && noFix !== 'looking' && ` · ${NO_FIX[noFix]}`}
      {isOld && ' · an old position: wait for the next'}
    </Far>
  );
}

const NO_FIX: Readonly<Record<NoFix, string>> = {
  looking: 'Looking for your position',
  lost: 'no position now',
  denied: 'your position is not allowed here',
  'too wide': 'the position is too wide to use',
  elsewhere: 'you are not on this ground',
  'no line': 'this ground has no line to find you on',
};

const NoPlace = ({ walk: { noFix } }: { walk: Walk }) => (
  <Far
    figure={null}
    side=""
    name={noFix === null ? 'Where do you stand?' : `${capital(NO_FIX[noFix])}${noFix === 'looking' ? ' ...' : '.'}`}
  >
    {noFix === 'looking'
      ? 'Under open sky it takes half a minute. By hand it goes without.'
      : 'Say where you are: the walk goes on without a receiver.'}
  </Far>
);

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** The first heading of the page, unless closed ground stands above it. */
const Name = ({ className, children }: { className: string; children: ReactNode }) => {
  const Words = useContext(SecondWord) ? 'p' : 'h1';
  return <Words className={className}>{children}</Words>;
};

const Stop = ({ says, children }: { says: string; children: ReactNode }) => (
  <div className="border-y-4 border-danger py-2">
    <Name className="font-serif text-[31px] leading-[1.1] font-bold text-danger">▲ {says}</Name>
    <p className="mt-1 text-[16px]">{children}</p>
  </div>
);

interface FarProps {
  readonly figure: { readonly digits: string; readonly unit: string } | null;
  readonly side: string;
  readonly name: string;
  readonly rank?: number | null;
  readonly of?: number;
  readonly children: ReactNode;
}

const Far = ({ figure, side, name, rank, of, children }: FarProps) => (
  <div>
    <div className="flex items-end gap-3">
      {figure && (
        <p className="leading-[0.82]">
          <span className="text-[88px] font-extrabold tracking-tight tabular-nums" data-walk-distance="">
            {figure.digits}
          </span>
          <span className="ml-1 text-[36px] font-bold">{figure.unit}</span>
        </p>
      )}
      {side && <p className="text-[24px] leading-[1.15] font-semibold">{side}</p>}
    </div>
    <div className="mt-2 flex items-start justify-between gap-3">
      <Name className="font-serif text-[27px] leading-[1.12] font-bold">{name}</Name>
      {rank != null && (
        <p className="flex shrink-0 items-center gap-2 pt-0.5 text-[15px] font-semibold whitespace-nowrap">
          <span className="grid h-7 min-w-7 place-items-center bg-ink px-1 text-[17px] font-bold text-paper">
            {rank}
          </span>
          of {of} left
        </p>
      )}
    </div>
    <p className="text-[16px] text-ink-2">{children}</p>
  </div>
);
