import type { Jar } from '@riffle/contract';
import { filmFlow_m2_s, type FinishSetting, type Spread, type WeighedFinish, type WeighedSluice } from '@riffle/core';
import type { Show } from '../../../units/useShow.ts';
import { inTen } from '../../../units/inTen.ts';
import { fractionName, screenBetween } from './ladder.ts';

/** What is said of a jar: the sentence, and what it rests on. */
export interface FinishWords {
  readonly says: string;
  readonly rests: string;
}

/** A fraction of no more than this between its screens is sized: what parts it no finer is the pan. */
const SIZED = 2.3;
/** So near the mark the water is left as it is. */
const AT_THE_MARK = 1.12;
const whole = (share: number): string => (share > 0.995 ? '99+' : String(Math.round(100 * share)));
/** A share with its band, where the band is wider than what can be told. */
const percent = ({ low, middle, high }: Spread): string =>
  whole(low) === whole(high) ? `${whole(middle)}\u00a0%` : `${whole(middle)}\u00a0% (${whole(low)}–${whole(high)})`;
export const minutesText = (m: number): string =>
  m < 1 ? `${Math.round(m * 60)}\u00a0s` : m < 10 ? `${m.toFixed(1)}\u00a0min` : `${Math.round(m)}\u00a0min`;
/** Minutes below an hour and a half, hours above. */
const hoursText = (h: number): string => (h < 1.5 ? minutesText(60 * h) : `${h.toFixed(1)}\u00a0h`);
/** Water in a film is told to a tenth of a millimeter. */
export const filmText = (m: number, system: 'metric' | 'US'): string =>
  system === 'US' ? `${(m / 0.0254).toFixed(3)}\u00a0in` : `${(m * 1000).toFixed(1)}\u00a0mm`;

/** What to do with this jar over its floor. @param depth_m as it is set; null: nobody said */
export function finishWords(
  { way, coarsest_mm, finest_mm }: Pick<Jar, 'way' | 'coarsest_mm' | 'finest_mm'>,
  setting: FinishSetting | null,
  depth_m: number | null,
  found: WeighedFinish | null,
  sluice: WeighedSluice | null,
  mark: string | null,
  show: Pick<Show, 'flow' | 'display'>,
): FinishWords {
  const name = fractionName(coarsest_mm, finest_mm);
  if (way === 'finishing sluice')
    return coarsest_mm > 2.4
      ? {
          says: 'Screen it to minus 8 first: over riffles coarse stones carry fine gold along.',
          rests: 'Look through what stays on the screen before it goes.',
        }
      : sluice
        ? {
            says: `Water wide open: this jar takes ${hoursText(sluice.hours.middle)} (${hoursText(sluice.hours.low)}–${hoursText(sluice.hours.high)}), scoop after scoop near its limit.`,
            rests: `Of the gold it catches the first three riffles hold ${Math.round(100 * sluice.byRiffle.slice(0, 3).reduce((sum, c) => sum + c, 0))}\u00a0%: lift those first. Fine gold lies higher up than coarse. What goes past the end only the tails tell: pan them once. Stuck sand is worked loose by hand.`,
          }
        : {
            says: 'Water wide open, scoop after scoop near its limit; stuck sand worked loose by hand.',
            rests:
              'Two five-gallon buckets two thirds full of minus 8 take about two hours (common practice). Coarse gold lies in the first riffles, fine gold in the first third: pan the tails once.',
          };
  if (way !== 'recirculating box')
    return {
      says: `Pan ${name} by itself.`,
      rests: 'Sized gold and sand part with a few light taps; unsized they do not.',
    };
  if (!setting)
    return {
      says: 'Say what jar it is, and how the floor stands.',
      rests: 'Its features, its pitch and its width decide which water parts it.',
    };
  if (!found) return { says: 'Weighing it ...', rests: '' };
  const film = (m: number): string => filmText(m, show.display.system);
  const between = screenBetween(coarsest_mm, finest_mm);
  if (found.mark_m === null || found.windowChance < 0.5)
    return coarsest_mm / Math.max(finest_mm, 0.075) <= SIZED || !between
      ? {
          says: `Too fine for a floor: pan ${name}.`,
          rests: `Water that moves its black sand takes its finest gold too, ${inTen(1 - found.windowChance)}.`,
        }
      : {
          says: `No water parts ${name}: screen it at ${/^\d+$/.test(between.name) ? `${between.name} mesh` : between.name} first.`,
          rests: `Its coarsest black sand asks for ${film(found.from_m)} of water, its finest gold leaves at ${film(found.to_m)}. Sized, density decides; unsized, size does.`,
        };
  const at = found.mark_m.middle;
  const flow = show.flow(setting.floorWidth_m * filmFlow_m2_s(at, setting.slope, setting.water));
  const rests = `Sand goes above ${film(found.from_m)}, gold above ${film(found.to_m)}. ${mark === null ? 'When it goes right, mark the level in a tube and keep it here.' : `Your mark for it: ${mark}.`}`;
  if (depth_m === null)
    return { says: `Let ${film(at)} of water over it, ${flow}: black sand creeps off, gold stays.`, rests };
  const does = `a spoon takes ${minutesText(found.spoon_min.middle)} (${minutesText(found.spoon_min.low)}–${minutesText(found.spoon_min.high)}) and keeps ${percent(found.kept)} of the gold, ${percent(found.keptAgain)} with its tailings run again`;
  const litre = found.spoon_min.middle / (1000 * setting.spoon_m3) / 60;
  const pace = `${show.display.system === 'US' ? 'A quart' : 'A liter'} of it takes ${hoursText(show.display.system === 'US' ? 0.946 * litre : litre)} so.`;
  if (depth_m > at * AT_THE_MARK && found.goes > 0.25)
    return {
      says: `Turn the water down to ${film(at)}, ${flow}: gold goes along ${inTen(found.goes)}.`,
      rests: `As it runs, ${does}. ${rests}`,
    };
  if (depth_m < at / AT_THE_MARK && found.still > 0.25)
    return { says: `Turn the water up to ${film(at)}, ${flow}: the sand lies still.`, rests };
  return {
    says: `Leave the water: ${does}.`,
    rests: `${pace} ${rests} Tap lightly and wait; run the tailings once more before they go.`,
  };
}
