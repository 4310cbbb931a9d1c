import { drawdown, LININGS, type BoxAdvice, type BoxAnswer, type BoxSetting } from '@riffle/core';
import { useMemo } from 'react';
import { useShow } from '../../units/useShow.ts';
import { Grip } from '../../ui/Grip.tsx';

interface BoxSideProps {
  readonly width: number;
  readonly left: number;
  readonly right: number;
  readonly setting: BoxSetting;
  readonly now: BoxAnswer;
  readonly advice: BoxAdvice;
  readonly onSlope: (slope: number) => void;
  readonly onDepth: (depth_m: number) => void;
}

/** The box from the side, true to scale: its drop, the water drawn down along it, riffles, stones. Dashed is where the head should go. */
export function BoxSide({ width, left, right, setting, now, advice, onSlope, onDepth }: BoxSideProps) {
  const show = useShow();
  const { length_m, slope } = setting;
  const perMetre = (right - left) / length_m;
  const wallTop = Math.max(0.09, 2.6 * now.flow.depth_m) * perMetre;
  const steepest = Math.max(slope, advice.kind === 'lift' ? advice.slope : 0);
  const floorTail = Math.round(Math.max(110, wallTop + steepest * length_m * perMetre + 44));
  const height = floorTail + 74;
  const floorY = (share: number, s = slope): number => floorTail - (1 - share) * s * length_m * perMetre;
  const headY = floorY(0);
  const bed = floorTail + 40;

  const surface = useMemo(() => {
    const channel = { width_m: setting.width_m, manningN: LININGS[setting.lining].manningN, slope };
    return drawdown(channel, now.flow.flow_m3_s, length_m);
  }, [setting.width_m, setting.lining, slope, now.flow.flow_m3_s, length_m]);
  const top = surface.map((p): [number, number] => [left + p.x_m * perMetre, floorY(p.x_m / length_m) - p.depth_m * perMetre]);
  const first = top[0] ?? [left, headY];
  const last = top.at(-1) ?? [right, floorTail];
  const line = (points: readonly (readonly [number, number])[]): string => points.map(([px, py], i) => `${i ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`).join('');
  const riffles = Array.from({ length: Math.floor(length_m / 0.06) }, (_, i) => (i + 0.7) * 0.06).filter((x) => x < length_m - 0.02);
  const depthPx = last[1];
  const moved = advice.kind === 'lift' || advice.kind === 'lower';
  const stone_px = Math.max(2.5, (setting.stone_m / 2) * perMetre);

  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} className="block" role="group" aria-label="The box from the side, to scale">
      <g aria-hidden="true">
        <path d={`M0 ${bed}${Array.from({ length: 24 }, (_, i) => `Q${(i + 0.5) * (width / 24)} ${bed + (i % 3) * 2 - 3} ${(i + 1) * (width / 24)} ${bed + ((i * 5) % 4) - 1}`).join('')}V${height - 8}H0Z`} fill="url(#gravel)" stroke="var(--ink)" strokeWidth="1" />
        {/* Pool above, pool below. */}
        <path d={`M0 ${first[1] - 3}Q${left * 0.6} ${first[1] - 5} ${first[0]} ${first[1]}L${left} ${headY + 6}V${bed - 2}H0Z`} fill="var(--water-body)" />
        <path d={`M${right + 18} ${bed - 22}H${width}V${bed - 2}H${right - 40}Z`} fill="var(--water-body)" />
        <path d={`M0 ${first[1] - 3}Q${left * 0.6} ${first[1] - 5} ${first[0]} ${first[1]}M${right + 16} ${bed - 22}H${width}`} stroke="var(--water)" strokeWidth="1.6" fill="none" />
        {/* The water in the box, leaving over the tail. */}
        <path d={`${line(top)}Q${right + 18} ${last[1] + 4} ${right + 24} ${bed - 22}H${right + 10}Q${right + 8} ${floorTail + 6} ${right} ${floorTail}L${left} ${headY}Z`} fill="var(--water-body)" />
        <path d={`${line(top)}Q${right + 18} ${last[1] + 4} ${right + 24} ${bed - 22}`} fill="none" stroke="var(--water)" strokeWidth="2" />
        {riffles.map((x) => {
          const [px, py] = [left + x * perMetre, floorY(x / length_m)];
          return <path key={x} d={`M${px} ${py}l-4 ${-Math.max(5, 0.012 * perMetre)}`} stroke="var(--ink)" strokeWidth="2.6" />;
        })}
        {[0.2, 0.34, 0.5].map((share, i) => <circle key={share} cx={left + share * (right - left)} cy={floorY(share) - stone_px - 3} r={stone_px * (1 - 0.15 * i)} fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.5" />)}
        <path d={`M${left} ${headY}L${right} ${floorTail}`} stroke="var(--ink)" strokeWidth="6" />
        <path d={`M${left} ${headY}V${headY - wallTop}L${right} ${floorTail - wallTop}V${floorTail}`} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
        <PackStones x={left + 26} from={headY + 4} to={bed} />
        <PackStones x={right - 34} from={floorTail + 4} to={bed} />
        {moved && <path d={`M${left} ${floorY(0, advice.slope)}L${right} ${floorTail}M${left} ${floorY(0, advice.slope)}v${-wallTop}L${right} ${floorTail - wallTop}`} fill="none" stroke="var(--ink)" strokeWidth="1.5" strokeDasharray="7 5" />}
        <path d={`M${left} ${headY}H${right + 38}`} stroke="var(--ink)" strokeWidth="1" strokeDasharray="2 4" />
        <path d={`M${right + 34} ${headY}V${floorTail}m-5 0h10M${right + 29} ${headY}h10`} stroke="var(--ink)" strokeWidth="1.6" />
        <text className="halo" x={right + 44} y={(headY + floorTail) / 2 - 4} fontSize="12.500" style={{ fill: 'var(--ink-2)' }}>drop</text>
        <text className="halo" x={right + 44} y={(headY + floorTail) / 2 + 12} fontSize="14" fontWeight="700">{show.smallLength(slope * length_m)}</text>
        <path d={`M${left} ${height - 14}v-6M${right} ${height - 14}v-6M${left} ${height - 17}H${right}`} stroke="var(--ink)" strokeWidth="1.2" />
        <text className="halo" x={(left + right) / 2} y={height - 12} fontSize="13" textAnchor="middle" style={{ strokeWidth: 9 }}>{show.length(length_m)}</text>
        {moved && <text className="halo" x={left + 14} y={Math.max(16, Math.min(headY, floorY(0, advice.slope)) - wallTop - 12)} fontSize="14" fontWeight="700">head {advice.head_m > 0 ? '+' : '−'}{show.smallLength(Math.abs(advice.head_m))}</text>}
        <text className="halo" x={right - 22} y={depthPx - 16} fontSize="14" fontWeight="700" textAnchor="end" style={{ fill: 'var(--water)' }}>{show.smallLength(now.flow.depth_m)}</text>
      </g>
      <Grip x={left} y={headY - wallTop} label="Head of the box" value={Math.round(slope * length_m * 1000)} min={3} max={Math.round(0.4 * length_m * 1000)} says={`drop ${show.smallLength(slope * length_m)}, ${show.pitch(slope)}`}
        perPx={0.7} step={1} onMove={(drop_mm) => onSlope(drop_mm / 1000 / length_m)} />
      <Grip x={right - 4} y={depthPx - 20} label="Water surface" value={Math.round(now.flow.depth_m * 10_000) / 10} min={3} max={300} says={show.smallLength(now.flow.depth_m)} color="var(--water)"
        perPx={0.25} step={0.5} onMove={(depth_mm) => onDepth(depth_mm / 1000)} />
    </svg>
  );
}

/** Flat stones packed under an end of the box. */
function PackStones({ x, from, to }: { x: number; from: number; to: number }) {
  const rows = Math.max(1, Math.round((to - from) / 19));
  const each = (to - from) / rows;
  return (
    <>
      {Array.from({ length: rows }, (_, i) => (
        <ellipse key={i} cx={x + (i % 2 ? 5 : -4)} cy={from + (i + 0.5) * each} rx={30 + 5 * ((i * 7) % 3)} ry={each / 2} fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.5" />
      ))}
    </>
  );
}
