import type { BoxAdvice, BoxAnswer, BoxSetting } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';

/** The setting in figures, now and as advised. */
export function SetNumbers({ setting, now, advice }: { setting: BoxSetting; now: BoxAnswer; advice: BoxAdvice }) {
  const show = useShow();
  const slope = advice.kind === 'lift' || advice.kind === 'lower' ? advice.slope : setting.slope;
  const changed = advice.kind !== 'good';
  const { after } = advice;
  const rows: readonly (readonly [name: string, now: string, then: string])[] = [
    ['pitch', show.pitch(setting.slope), show.pitch(slope)],
    ['drop', show.smallLength(setting.slope * setting.length_m), show.smallLength(slope * setting.length_m)],
    ['water', show.smallLength(now.flow.depth_m), show.smallLength(after.flow.depth_m)],
    ['flow', show.flow(now.flow.flow_m3_s), show.flow(after.flow.flow_m3_s)],
    ['speed', show.speed(now.flow.speed_m_s), show.speed(after.flow.speed_m_s)],
    ['Froude', now.flow.froude.toFixed(2), after.flow.froude.toFixed(2)],
    ['shear', show.shear(now.flow.shear_Pa), show.shear(after.flow.shear_Pa)],
    ['clears', show.smallLength(now.largestStone_m), show.smallLength(after.largestStone_m)],
    ['carries', `${show.throughput(now.carried_m3_s * 3600)}`, `${show.throughput(after.carried_m3_s * 3600)}`],
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
          {changed && (
            <th scope="col" className="font-bold text-ink">
              {advice.kind === 'screen' ? `screened` : 'set to'}
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
            {changed && <td className="font-bold whitespace-nowrap">{b}</td>}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
