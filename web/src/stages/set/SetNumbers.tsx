import { boxLength_m, toldSection, type BoxSetting, type SolvedBox } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';
import type { SetShow } from './setShow.ts';
import type { Weighed } from './solveSetup.ts';

interface SetNumbersProps {
  readonly now: { readonly setting: BoxSetting; readonly middle: SolvedBox; readonly weighed: Weighed };
  readonly then: { readonly setting: BoxSetting; readonly weighed: Weighed } | null;
  /** Pitch, drop and water in the units they were typed in. */
  readonly like: SetShow;
}

/** The setting in figures, now and as advised. */
export function SetNumbers({ now, then, like }: SetNumbersProps) {
  const show = useShow();
  const length_m = boxLength_m(now.setting.sections);
  const flow = now.middle.sections[toldSection(now.setting.sections)]?.flow;
  const percent = (share: number): string => (share > 0.985 ? '98+ %' : `${Math.round(100 * share)} %`);
  const rows: readonly (readonly [name: string, now: string, then: string | undefined])[] = [
    ['works', percent(now.weighed.works), then?.weighed && percent(then.weighed.works)],
    ['pitch', like.pitch(now.setting.slope, length_m), then?.setting && like.pitch(then.setting.slope, length_m)],
    [
      'drop',
      like.head.smallLength(now.setting.slope * length_m),
      then?.setting && like.head.smallLength(then.setting.slope * length_m),
    ],
    [
      'water',
      like.water.smallLength(now.weighed.depth_m),
      then?.weighed && like.water.smallLength(then.weighed.depth_m),
    ],
    [
      'takes',
      show.throughput(now.weighed.capacity_m3_s.middle * 3600),
      then?.weighed && show.throughput(then.weighed.capacity_m3_s.middle * 3600),
    ],
    ...(now.setting.median_m === null
      ? []
      : ([['feed, half under', show.grainSize(now.setting.median_m), undefined]] as const)),
    ['gold held', percent(now.weighed.heldOfMix.middle), then?.weighed && percent(then.weighed.heldOfMix.middle)],
    ...(flow
      ? ([
          ['flow', show.flow(flow.flow_m3_s), undefined],
          ['speed', show.speed(flow.speed_m_s), undefined],
          ['Froude', flow.froude.toFixed(2), undefined],
          ['shear', show.shear(flow.bedShear_Pa), undefined],
        ] as const)
      : []),
  ];
  return (
    <table className="w-full border-collapse text-[13.5px]">
      <thead>
        <tr className="text-left text-ink-2">
          <th scope="col" className="sr-only">
            figure
          </th>
          <th scope="col" className="font-normal">
            now
          </th>
          {then && (
            <th scope="col" className="font-bold text-ink">
              set to
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, a, b]) => (
          <tr key={name} className="border-t border-rule">
            <th scope="row" className="py-0.5 pr-3 text-left font-normal text-ink-2">
              {name}
            </th>
            <td className="pr-2 whitespace-nowrap">{a}</td>
            {then && <td className="font-bold whitespace-nowrap">{b}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
