import type { StoredCleanup, StoredForecast } from '@riffle/contract';
import { ForecastBar } from '../ui/ForecastBar.tsx';
import { Gold } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { useShow } from '../units/useShow.ts';
import { openForecast, type OpenedStretch } from './cleanForecast.ts';
import { useLocalTime } from '../when/useLocalTime.ts';

type Weighed = Pick<StoredCleanup['sections'][number], 'from_m' | 'to_m' | 'gold_mg'>;

/** A forecast that nobody has opened: the box hatched over, and when it was sealed. */
export function Sealed({ forecast, what = 'it' }: { forecast: StoredForecast; what?: 'it' | 'each tub' }) {
  const local = useLocalTime();
  return (
    <div className="flex items-center gap-4">
      <svg width="72" height="44" viewBox="0 0 72 44" aria-hidden="true" className="shrink-0">
        <defs>
          <pattern id="sealed" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V6" stroke="var(--ink)" strokeWidth="1.4" />
          </pattern>
        </defs>
        <rect x="2" y="6" width="68" height="32" fill="url(#sealed)" stroke="var(--ink)" strokeWidth="2" />
        <circle cx="36" cy="22" r="9" fill="var(--gold-fill)" stroke="var(--gold)" strokeWidth="2" />
      </svg>
      <p>
        <b>What {what} should hold is sealed</b> since {local.dayTime(forecast.sealedAt)}, by {restsOn(forecast)}. Weigh
        every section and it opens.
      </p>
    </div>
  );
}

/** Nothing was said beforehand, and why. */
export const NotSealed = ({ why }: { why: string }) => (
  <p className="text-ink-2">
    <b>Nothing is said beforehand.</b> {why}
  </p>
);

/** What a forecast rests on, in words. */
export const restsOn = ({ pans, measuredBy }: Pick<StoredForecast, 'pans' | 'measuredBy'>): string =>
  `${plural(pans, 'pan')} and ${measuredBy === 0 ? 'boxes of its kind' : `${plural(measuredBy, 'measure')} of this box`}`;

/** A forecast opened: what was said of each stretch, and what the scale said. */
export function OpenedForecast({ forecast, weighed }: { forecast: StoredForecast; weighed: readonly Weighed[] }) {
  const local = useLocalTime();
  const { all, stretches } = openForecast(forecast, weighed);
  const most = Math.max(all.high_mg, all.came_mg);
  return (
    <div>
      <p className="mb-1 text-[13px] text-ink-2">
        Sealed {local.dayTime(forecast.sealedAt)}, by {restsOn(forecast)}; nine of ten should hold.
      </p>
      <ul>
        {[...stretches, all].map((s) => (
          <OpenedLine key={s.from_m ?? 'all'} stretch={s} most={most} />
        ))}
      </ul>
      {stretches.length === 0 && (
        <p className="text-[13px] text-ink-2">
          The box was cut elsewhere than it was said, so only the whole is held against it.
        </p>
      )}
    </div>
  );
}

function OpenedLine({ stretch: s, most }: { stretch: OpenedStretch; most: number }) {
  const show = useShow();
  const name = s.from_m === null ? 'the whole box' : `to ${show.smallLength(s.to_m)}`;
  const verdict = s.held ? 'held' : s.came_mg > s.high_mg ? 'more' : 'less';
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 border-b border-rule py-1 sm:grid-cols-[6.2rem_minmax(0,1fr)_8rem]">
      <span className={s.from_m === null ? 'font-bold' : ''}>{name}</span>
      <span className="order-last col-span-full sm:order-none sm:col-span-1">
        <ForecastBar
          low={s.low_mg}
          said={s.middle_mg}
          high={s.high_mg}
          came={s.came_mg}
          most={most}
          label={`${name}: said ${show.gold(s.low_mg)} to ${show.gold(s.high_mg)}, came ${show.gold(s.came_mg)}`}
        />
      </span>
      <span className={`text-right ${s.held ? '' : 'font-bold'}`}>
        {verdict}, <Gold>{show.gold(s.came_mg)}</Gold>
      </span>
    </li>
  );
}
