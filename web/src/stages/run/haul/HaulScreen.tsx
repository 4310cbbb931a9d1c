import { UNITS, type WeighedWay } from '@riffle/core';
import { Link } from '../../../ui/Link.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { Block, Gold, Judgement } from '../../../ui/Judgement.tsx';
import { plural } from '../../../ui/plural.ts';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { useWidth } from '../../../ui/useWidth.ts';
import { moneyText } from '../../../units/moneyText.ts';
import { showLike } from '../../../units/showLike.ts';
import { useShow } from '../../../units/useShow.ts';
import { inTen } from '../../../units/inTen.ts';
import { haulWords, wayName } from './haulWords.ts';
import { useHaul, type Haul } from './useHaul.ts';

/** Gravel where no water is: wash it dry here, pan it dry, or carry it to water. */
export function HaulScreen() {
  const haul = useHaul();
  const show = useShow();
  const { ground, found } = haul;
  const cost = costText(haul);
  const said =
    found && haulWords(found, cost, (km) => far(km, showLike(show, 'length', haul.draft.distance).display.system));
  return (
    <div className="flex flex-col gap-4" aria-busy={haul.problem !== null && !haul.settled}>
      <header className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule pb-2">
        <span className="font-serif text-[18px] font-semibold">Haul or dry</span>
        <Link className="min-h-11 content-center underline underline-offset-4" to={`/g/${ground.id}/run`}>
          back to Run
        </Link>
      </header>
      <Judgement
        pinned
        rests={
          haul.problem === null
            ? 'See the fields marked.'
            : `${said?.rests ?? ''}${haul.inMoney ? '' : ' Say in Settings what an hour is worth, and it is told in money.'}`
        }
      >
        {haul.problem === null ? 'Say how much gravel, and how far the water is.' : (said?.says ?? 'Weighing it ...')}
      </Judgement>
      <div className="grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,18rem)_minmax(0,1fr)]">
        <HaulFields haul={haul} />
        <div className="flex min-w-0 flex-col gap-5">
          {found && (
            <Block
              title="Way by way"
              aside={`cost of a gram${haul.inMoney ? '' : ' in hours'}: nine times in ten within the bar`}
            >
              <Ways ways={found.ways} cost={cost} />
            </Block>
          )}
          {found && <Road haul={haul} trips={found.trips} />}
          <Caution quiet>
            A loaded barrow or truck on a wash: brake early, keep off soft edges, and out of the bed when it clouds over
            upstream. Water for drinking comes along besides. What may be taken from where, local rules say.
          </Caution>
        </div>
      </div>
    </div>
  );
}

/** A way by road. */
const far = (km: number, system: 'metric' | 'US'): string => {
  const [value, unit] = system === 'US' ? [(km * 1000) / UNITS.length.mi, 'mi'] : [km, 'km'];
  return `${value < 10 ? Number(value.toFixed(1)) : Math.round(value)}\u00a0${unit}`;
};

const costText =
  ({ inMoney, money }: Pick<Haul, 'inMoney' | 'money'>) =>
  (value: number): string =>
    inMoney
      ? moneyText(Math.round(value), money).replace('.00', '')
      : `${value < 10 ? value.toFixed(1) : Math.round(value)} h`;

/** Each way: its cost a gram with its band, its hours, what it brings. */
function Ways({ ways, cost }: { readonly ways: readonly WeighedWay[]; readonly cost: (value: number) => string }) {
  const [attach, width] = useWidth(420);
  const show = useShow();
  const most = Math.max(...ways.map((w) => w.cost_per_g.high));
  const x = (value: number): number => 2 + ((width - 4) * value) / most;
  return (
    <ul ref={attach}>
      {ways.map(({ way, cost_per_g: c, hours, gold_g, cheapest }, i) => (
        <li key={way} className="border-b border-rule py-1.5">
          <div className="flex flex-wrap items-baseline justify-between gap-x-4">
            <b className={i === 0 ? 'text-[17px]' : ''}>{wayName(way)}</b>
            <span>
              <b>{cost(c.middle)}</b> a gram
              <span className="text-ink-2">, the cheapest {inTen(cheapest)}</span>
            </span>
          </div>
          <svg width={width} height="18" className="block" aria-hidden="true">
            <path d={`M2 9H${width - 2}`} stroke="var(--rule)" />
            <rect
              x={x(c.low)}
              y="3"
              width={Math.max(2, x(c.high) - x(c.low))}
              height="12"
              fill={i === 0 ? 'var(--ink)' : 'url(#against)'}
              stroke="var(--ink)"
              strokeWidth="1.2"
            />
            <path d={`M${x(c.middle)} 0v18`} stroke={i === 0 ? 'var(--paper)' : 'var(--ink)'} strokeWidth="3" />
          </svg>
          <span className="text-[13.5px]">
            {hoursText(hours.middle)} in all ({hoursText(hours.low)}–{hoursText(hours.high)}),{' '}
            <Gold>{show.gold(gold_g.middle * 1000)}</Gold>
          </span>
        </li>
      ))}
    </ul>
  );
}
const hoursText = (h: number): string => `${h < 10 ? h.toFixed(1) : Math.round(h)} h`;

/** The road to the water: each trip there and back, the hole, and the second one behind it. */
function Road({ haul, trips }: { readonly haul: Haul; readonly trips: number }) {
  const [attach, width] = useWidth(420);
  const show = useShow();
  const { readings, draft } = haul;
  const { system } = showLike(show, 'length', draft.distance).display;
  if (!readings.distance.ok || !readings.volume.ok || !readings.payload_kg.ok) return null;
  const has2 = readings.between.ok && readings.between.value > 0;
  const [from, hole, second] = [46, has2 ? width * 0.62 : width - 70, width - 40];
  const drawn = Math.min(trips, 8);
  const kg = readings.volume.value * KG_A_LITRE;
  return (
    <Block title="The road" aside={`${plural(trips, 'trip')}, ${show.load(kg)} of gravel`}>
      <div ref={attach}>
        <svg
          width={width}
          height="112"
          className="block"
          role="img"
          aria-label={`${plural(trips, 'trip')} of ${far(readings.distance.value, system)} each way`}
        >
          <path d={`M6 84L${from} 46L${from + 34} 84Z`} fill="url(#gravel)" stroke="var(--ink)" strokeWidth="1.4" />
          {Array.from({ length: drawn }, (_, i) => (
            <path
              key={i}
              d={`M${from + 36} ${80 - 3 * i}Q${(from + hole) / 2} ${58 - 7 * i} ${hole - 26} ${80 - 3 * i}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.3"
              strokeDasharray={i % 2 ? '4 4' : undefined}
            />
          ))}
          <ellipse
            cx={hole}
            cy="84"
            rx="24"
            ry="9"
            fill="var(--water-body)"
            stroke="var(--water)"
            strokeWidth="2"
            strokeDasharray={Number(draft.dryInTen) > 0 ? '5 4' : undefined}
          />
          <text className="halo" x={(from + hole) / 2} y="104" fontSize="13" textAnchor="middle" fontWeight="700">
            {far(readings.distance.value, system)}
          </text>
          {Number(draft.dryInTen) > 0 && (
            <text className="halo" x={hole} y="66" fontSize="12.5" textAnchor="middle">
              dry {draft.dryInTen} in 10
            </text>
          )}
          {has2 && readings.between.ok && (
            <>
              <path d={`M${hole + 26} 84H${second - 22}`} stroke="var(--ink)" strokeWidth="1.3" strokeDasharray="2 5" />
              <ellipse
                cx={second}
                cy="84"
                rx="20"
                ry="8"
                fill="var(--water-body)"
                stroke="var(--water)"
                strokeWidth="2"
              />
              <text className="halo" x={(hole + second) / 2} y="104" fontSize="13" textAnchor="middle">
                {far(readings.between.value, system)}
              </text>
            </>
          )}
        </svg>
      </div>
    </Block>
  );
}
const KG_A_LITRE = 1.6;

function HaulFields({ haul }: { readonly haul: Haul }) {
  const show = useShow();
  const { draft, change, readings, washerName, ownWet, bucket_L } = haul;
  const text = (
    field: 'dryInTen' | 'payload_kg' | 'speed_km_h' | 'costPerKm' | 'load_min' | 'wetPace',
    label: string,
    hint?: string,
  ) => {
    const reading = readings[field];
    return (
      <TextField
        label={label}
        value={draft[field]}
        onChange={(typed) => change({ [field]: typed })}
        inputMode="decimal"
        problem={reading.ok ? null : reading.problem}
        hint={hint}
      />
    );
  };
  const road = (field: 'distance' | 'between' | 'second', label: string, none?: string) => {
    const reading = readings[field];
    return (
      <QuantityField
        label={label}
        entered={draft[field]}
        reading={reading}
        units={['km', 'mi', 'm']}
        optional={none !== undefined}
        onChange={(entered) => change({ [field]: entered })}
        comesTo={draft[field].text.trim() === '' ? none : reading.ok && far(reading.value, show.display.system)}
      />
    );
  };
  return (
    <Block title="The gravel and the road">
      <QuantityField
        label="Gravel, loose"
        entered={draft.volume}
        reading={readings.volume}
        units={['bucket', 'L', 'gal', 'm3', 'yd3']}
        onChange={(volume) => change({ volume })}
        comesTo={readings.volume.ok && show.volume(readings.volume.value)}
      />
      <p className="text-[13px] text-ink-2">
        {washerName ? `Passes through ${washerName}` : 'No dry washer is set on this ground: '}
        {!washerName && (
          <Link className="underline underline-offset-4" to={`/g/${haul.ground.id}/set`}>
            set one
          </Link>
        )}
      </p>
      {washerName && (
        <Choices
          label="Passes through the washer"
          value={draft.passes}
          onChange={(passes) => change({ passes })}
          choices={[
            { value: '1', label: 'one' },
            { value: '2', label: 'two' },
            { value: '3', label: 'three' },
          ]}
        />
      )}
      <div className="mt-2 grid grid-cols-2 gap-x-4 lg:grid-cols-1">
        {road('distance', 'To the water, one way')}
        {text('dryInTen', 'The hole is dry, times in ten', 'empty: it holds')}
        {road('between', 'From it to a second hole', 'empty: there is none')}
        {road('second', 'From the gravel to that one', 'empty: twice as far')}
        {text('payload_kg', 'Goes at a time, kg')}
        {text('speed_km_h', 'Speed on that road, km/h')}
        {text('load_min', 'Loading and unloading, min')}
        {text('costPerKm', 'A kilometer costs', 'in your money; empty: nothing')}
        {text(
          'wetPace',
          'Buckets an hour at the water',
          ownWet === null ? 'empty: 8, as most' : `empty: ${((ownWet * 1000) / bucket_L).toFixed(1)}, by your own runs`,
        )}
      </div>
      {!haul.isPanned && (
        <p className="text-[13px] text-ink-2">
          Nothing says what is in this gravel: it is taken at 1 g/m³. Which way is cheaper does not hang on it; what a
          gram costs does.
        </p>
      )}
    </Block>
  );
}
