import { NUMBERS, textProblem, TEXTS, type NumberLimit, type Rig, type StoredRig } from '@riffle/contract';
import type { ClothWeave, Entered } from '@riffle/core';
import { rigSections } from '../../../api/rigSections.ts';
import { readEntered, readVolume, type Reading } from '../../../units/readEntered.ts';
import { numberTyped } from '../../../units/numberTyped.ts';
import { limited } from '../../../units/limited.ts';

/** A dry washer as it is typed. */
export interface WasherRigDraft {
  readonly name: string;
  readonly width: Entered;
  readonly length: Entered;
  readonly riffle: Entered;
  readonly spacing: Entered;
  readonly cloth: ClothWeave;
  readonly drive: 'motor' | 'cranked' | 'blower';
  readonly stroke: Entered;
  readonly rpm: string;
  /** Across, mm. */
  readonly motorPulley: string;
  readonly drivenPulley: string;
  readonly freeFlow: Entered;
  readonly shutoff: string;
  readonly usableAh: string;
  readonly drawnA: string;
}

/** A new washer has the riffles and the puff that most have; its tray is measured. */
export function washerRigDraft(rig: StoredRig | undefined, US: boolean): WasherRigDraft {
  const blank: WasherRigDraft = {
    name: '',
    width: { text: '', unit: US ? 'in' : 'cm' },
    length: { text: '', unit: US ? 'in' : 'cm' },
    riffle: US ? { text: '1/2', unit: 'in' } : { text: '12', unit: 'mm' },
    spacing: US ? { text: '3 1/2', unit: 'in' } : { text: '90', unit: 'mm' },
    cloth: 'usual',
    drive: 'motor',
    stroke: { text: '6.5', unit: 'L' },
    rpm: '1750',
    motorPulley: '40',
    drivenPulley: '250',
    freeFlow: { text: '80', unit: 'L/s' },
    shutoff: '1500',
    usableAh: '',
    drawnA: '',
  };
  const tray = rig && rigSections(rig)[0];
  if (!rig?.washer || !tray) return blank;
  const { riffleEntered, spacingEntered, cloth, drive, battery } = rig.washer;
  const text = (n: number): string => String(Number(n.toPrecision(6)));
  return {
    ...blank,
    name: rig.name,
    width: tray.widthEntered,
    length: tray.lengthEntered,
    riffle: riffleEntered,
    spacing: spacingEntered,
    cloth,
    ...(drive.kind === 'blower'
      ? { drive: 'blower' as const, freeFlow: drive.freeFlowEntered, shutoff: text(drive.shutoff_Pa) }
      : {
          drive: drive.motor ? ('motor' as const) : ('cranked' as const),
          stroke: drive.strokeEntered,
          ...(drive.motor && {
            rpm: text(drive.motor.speed_rpm),
            motorPulley: text(drive.motor.pulley_mm),
            drivenPulley: text(drive.motor.drivenPulley_mm),
          }),
        }),
    ...(battery && { usableAh: text(battery.usable_Ah), drawnA: text(battery.drawn_A) }),
  };
}

type Field =
  | 'width'
  | 'length'
  | 'riffle'
  | 'spacing'
  | 'stroke'
  | 'rpm'
  | 'motorPulley'
  | 'drivenPulley'
  | 'freeFlow'
  | 'shutoff'
  | 'usableAh'
  | 'drawnA';
export interface WasherRigRead {
  readonly readings: Readonly<Record<Field, Reading>>;
  readonly wrongName: string | null;
  /** As it goes into the book; null while something is wrong. */
  readonly rig: Pick<Rig, 'name' | 'sections' | 'washer'> | null;
}

/** The fields in numbers, each with what is wrong with it. Of battery and amperes both or neither are known. */
export function readWasherRig(d: WasherRigDraft): WasherRigRead {
  const hasBattery = d.usableAh.trim() !== '' || d.drawnA.trim() !== '';
  const none: Reading = { ok: true, value: 0 };
  const readings: Record<Field, Reading> = {
    width: limited(readEntered('length', d.width), NUMBERS.boxWidth_m),
    length: limited(readEntered('length', d.length), NUMBERS.boxLength_m),
    riffle: limited(readEntered('length', d.riffle), NUMBERS.riffle_m),
    spacing: limited(readEntered('length', d.spacing), NUMBERS.riffleSpacing_m),
    stroke: d.drive === 'blower' ? none : limited(readVolume(d.stroke, {}), NUMBERS.stroke_L),
    rpm: d.drive === 'motor' ? number(d.rpm, NUMBERS.motor_rpm) : none,
    motorPulley: d.drive === 'motor' ? number(d.motorPulley, NUMBERS.pulley_mm) : none,
    drivenPulley: d.drive === 'motor' ? number(d.drivenPulley, NUMBERS.pulley_mm) : none,
    freeFlow: d.drive === 'blower' ? limited(readEntered('flow', d.freeFlow), NUMBERS.freeFlow_m3_s, 0.001) : none,
    shutoff: d.drive === 'blower' ? number(d.shutoff, NUMBERS.shutoff_Pa) : none,
    usableAh: hasBattery ? number(d.usableAh, NUMBERS.battery_Ah) : none,
    drawnA: hasBattery ? number(d.drawnA, NUMBERS.drawn_A) : none,
  };
  const wrongName = textProblem(TEXTS.name, d.name);
  const isRead = wrongName === null && Object.values(readings).every((r) => r.ok);
  const v = (field: Field): number => {
    const r = readings[field];
    return r.ok ? r.value : NaN;
  };
  return {
    readings,
    wrongName,
    rig: isRead
      ? {
          name: d.name.trim(),
          sections: [
            {
              lining: 'riffles',
              own: null,
              width_m: v('width'),
              widthEntered: d.width,
              length_m: v('length'),
              lengthEntered: d.length,
              step_m: 0,
              stepEntered: null,
            },
          ],
          washer: {
            riffle_m: v('riffle'),
            riffleEntered: d.riffle,
            spacing_m: v('spacing'),
            spacingEntered: d.spacing,
            cloth: d.cloth,
            drive:
              d.drive === 'blower'
                ? {
                    kind: 'blower',
                    shutoff_Pa: v('shutoff'),
                    freeFlow_m3_s: v('freeFlow') / 1000,
                    freeFlowEntered: d.freeFlow,
                  }
                : {
                    kind: 'bellows',
                    stroke_L: v('stroke'),
                    strokeEntered: d.stroke,
                    motor:
                      d.drive === 'motor'
                        ? { speed_rpm: v('rpm'), pulley_mm: v('motorPulley'), drivenPulley_mm: v('drivenPulley') }
                        : null,
                  },
            battery: hasBattery ? { usable_Ah: v('usableAh'), drawn_A: v('drawnA') } : null,
          },
        }
      : null,
  };
}

function number(typed: string, limit: NumberLimit): Reading {
  const value = numberTyped(typed);
  return Number.isNaN(value) ? { ok: false, problem: 'Write a number.' } : limited({ ok: true, value }, limit);
}
