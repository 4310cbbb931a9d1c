import { Link } from '../../../ui/Link.tsx';
import { clock, lasting } from '../../../day/dayWords.ts';
import type { Shore } from '../../../shore/shoreOf.ts';
import { useShow } from '../../../units/useShow.ts';
import type { Walk } from './useWalk.ts';

const BEFORE = { 'the hour': 'back by', dark: 'dark at', 'the sea': 'off before the sea,' } as const;

/** Two facts that end a walk: when to turn, and what the river leaves open. */
export function WalkFacts({ walk, onRiver }: { walk: Walk; onRiver: () => void }) {
  const show = useShow();
  const { back, river, shore, ground } = walk;
  return (
    <div className="grid grid-cols-2 border-y-2 border-ink text-[16px] leading-tight">
      <Link to={`/g/${ground.id}/day`} className="flex min-h-14 items-center gap-2 border-r-2 border-ink py-1.5 pr-1">
        <Dial share={back ? Math.min(1, Math.max(0, back.left_min / 240)) : 0} />
        {back ? (
          <span>
            <b className={`whitespace-nowrap ${back.left_min <= 10 ? 'text-danger' : ''}`}>
              Turn back {clock(back.turn_min)}
            </b>
            <span className="block text-[14px]">
              {back.left_min > 0 ? `in ${lasting(back.left_min)}` : `${lasting(-back.left_min)} ago`};{' '}
              {BEFORE[back.before]} {clock(back.back_min)}
            </span>
          </span>
        ) : (
          <span>
            <b>When to turn</b>
            <span className="block text-[14px]">
              {walk.where ? 'plan the day, and it says' : 'once it is known where you are'}
            </span>
          </span>
        )}
      </Link>
      <button type="button" className="flex min-h-14 items-center gap-2 py-1.5 pl-2 text-left" onClick={onRiver}>
        <Stake />
        {shore ? (
          <SeaNow shore={shore} />
        ) : river?.isFresh ? (
          <span>
            <b className="text-water">River {show.length(river.level_m)}</b>
            <span className="block text-[14px]">
              {river.ford
                ? `${river.ford.name} to ${show.length(river.ford.worksBelow_m)}`
                : 'shuts nothing you marked'}
            </span>
          </span>
        ) : (
          <span>
            <b className="text-water">{ground.kind === 'creek' ? 'Read the river' : 'Water'}</b>
            <span className="block text-[14px]">{river ? 'its last reading is old' : 'no reading yet'}</span>
          </span>
        )}
      </button>
    </div>
  );
}

const SeaNow = ({ shore: { last, isFresh, adds_m } }: { shore: Shore }) => {
  const show = useShow();
  return (
    <span>
      <b className="text-water">{last && isFresh ? `Swell ${show.length(last.height_m)}` : 'Read the swell'}</b>
      <span className="block text-[14px]">
        {!last
          ? 'no reading yet'
          : !isFresh
            ? 'its last reading is old'
            : adds_m > 0.05
              ? `lifts the water ${show.length(adds_m)}`
              : 'no higher than usual'}
      </span>
    </span>
  );
};

/** What is left of four hours, as a clock's face. */
const Dial = ({ share }: { share: number }) => {
  const turn = share * 2 * Math.PI;
  const [x, y] = [18 + 14 * Math.sin(turn), 18 - 14 * Math.cos(turn)];
  return (
    <svg width="36" height="36" aria-hidden="true" className="shrink-0">
      <circle cx="18" cy="18" r="16" fill="none" stroke="var(--ink)" strokeWidth="2" />
      {share >= 1 ? (
        <circle cx="18" cy="18" r="14" fill="var(--ink)" />
      ) : (
        <path d={`M18 18V4A14 14 0 ${share > 0.5 ? 1 : 0} 1 ${x.toFixed(1)} ${y.toFixed(1)}Z`} fill="var(--ink)" />
      )}
    </svg>
  );
};

const Stake = () => (
  <svg width="22" height="36" aria-hidden="true" className="shrink-0">
    <path d="M8 2V34M8 6h6M8 12h4M8 18h6M8 24h4M8 30h6" stroke="var(--ink)" strokeWidth="2" fill="none" />
    <path d="M0 20q3 -3 6 0t6 0t6 0" stroke="var(--water)" strokeWidth="2.4" fill="none" />
  </svg>
);
