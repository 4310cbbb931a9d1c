import { toldSection, type BoxSetting, type FloorFlow, type SolvedBox, type WaterSurface } from '@riffle/core';
import { stonePath } from '../../ui/stonePath.ts';
import { useShow } from '../../units/useShow.ts';
import type { SetShow } from './setShow.ts';

interface BoxEndProps {
  readonly setting: BoxSetting;
  readonly middle: SolvedBox;
  readonly surface: WaterSurface;
  /** Water and stones in the units they were typed in. */
  readonly like: SetShow;
}

const [WIDE, HIGH] = [190, 84] as const;

/** The box from its tail, to scale: how deep the water stands over the stones, and which side lies lower; beside it what that looks like. */
export function BoxEnd({ setting, middle, surface, like }: BoxEndProps) {
  const show = useShow();
  const { sections, stone_m, crossFall_m } = setting;
  const told = sections[toldSection(sections)];
  const flow = middle.sections[toldSection(sections)]?.flow as FloorFlow;
  if (!told) return null;
  const scale = (WIDE - 20) / told.width_m;
  const [left, right] = [10, WIDE - 10];
  const tilt = Math.min(24, crossFall_m * scale);
  const floor = HIGH - 16 - tilt;
  const depth_m = setting.water.known === 'depth' ? setting.water.depth_m : flow.depth_m;
  const water = floor + tilt / 2 - depth_m * scale;
  const rim = Math.max(4, Math.min(floor - 46, water - 14));
  const stone = Math.max(2, (stone_m / 2) * scale);
  const at = (share: number): number => floor + tilt * share;
  const standsOut = stone_m > depth_m;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1">
      <svg
        width={WIDE}
        height={HIGH}
        className="block shrink-0"
        role="img"
        aria-label="The box from its tail, to scale"
      >
        <path d={`M${left} ${water}H${right}V${at(1)}L${left} ${at(0)}Z`} fill="var(--water-body)" />
        {[0.24, 0.52, 0.78].map((share, i) => (
          <path
            key={share}
            d={stonePath(left + share * (right - left), at(share) - stone - 2, stone, stone * 0.92, i + 2)}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
        ))}
        <path d={`M${left} ${water}H${right}`} stroke="var(--water)" strokeWidth="2" />
        <path
          d={`M${left} ${rim}V${at(0)}L${right} ${at(1)}V${rim + tilt}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="4"
          strokeLinejoin="round"
        />
        <text x={(left + right) / 2} y={HIGH - 2} fontSize="12.5" textAnchor="middle" style={{ fill: 'var(--ink-2)' }}>
          {show.smallLength(told.width_m)}
        </text>
      </svg>
      <ul className="min-w-0 flex-1 basis-48 text-[13.5px]">
        <li className={standsOut ? 'font-bold' : ''}>
          {standsOut
            ? `Stones of ${like.stone.smallLength(stone_m)} stand out of ${like.water.smallLength(depth_m)} of water: only a part of it pushes them.`
            : `Stones of ${like.stone.smallLength(stone_m)} roll under ${like.water.smallLength(depth_m)} of water.`}
        </li>
        <li>{vWords({ ...surface, froude: flow.froude }, show.smallLength)}</li>
        {crossFall_m > 0 && (
          <li className="font-bold">
            One side lies {like.water.smallLength(crossFall_m)} deeper: sand lies along the other.
          </li>
        )}
      </ul>
    </div>
  );
}

/** So near the speed of its own ripples nobody can say on which side the water is: a lining's roughness is not known better. Stated assumption. */
const NEAR_CRITICAL = 0.12;

/** What the water at the mouth should look like. */
export function vWords(
  { runs, jump_m, vCloses_m, lift_m, froude }: Omit<WaterSurface, 'points'> & { readonly froude: number },
  smallLength: (m: number) => string,
): string {
  if (runs === 'slow' && lift_m > 0) return 'No V at the mouth: the pool below holds the water back.';
  if (Math.abs(froude - 1) < NEAR_CRITICAL) return 'Just fast enough for a V at the mouth: it comes and goes.';
  if (runs === 'slow') return 'No V at the mouth: the water is too slow for one.';
  if (jump_m !== null && vCloses_m === null)
    return jump_m === 0
      ? 'No V: it is drowned to the mouth.'
      : `No V: it jumps ${smallLength(jump_m)} below the mouth.`;
  return vCloses_m === null
    ? 'The V at the mouth runs on past the tail.'
    : `The V at the mouth closes ${smallLength(Math.round(vCloses_m * 100) / 100)} down.`;
}
