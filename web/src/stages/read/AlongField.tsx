import type { StoredGround } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { readEntered, type Reading } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';

/** Half a metre over the end is the end: lengths are rounded as they are shown. */
const OVER_M = 0.5;

/** A distance along a ground as it was typed, and whether it lies beyond its end. */
export function readAlong(ground: StoredGround, entered: Entered): { reading: Reading; isTooFar: boolean } {
  const reading = readEntered('length', entered);
  return { reading, isTooFar: reading.ok && reading.value > ground.length_m + OVER_M };
}

interface AlongFieldProps {
  readonly ground: StoredGround;
  readonly entered: Entered;
  /** It was wanted and is not there: then an empty field says what to do. */
  readonly wanted: boolean;
  readonly onChange: (entered: Entered) => void;
}

/** Where something stands along a ground, said by hand. */
export function AlongField({ ground, entered, wanted, onChange }: AlongFieldProps) {
  const show = useShow();
  const { reading, isTooFar } = readAlong(ground, entered);
  return (
    <QuantityField
      label={`Distance ${GROUND_WORDS[ground.kind].axis}`}
      entered={entered}
      reading={reading}
      units={['m', 'ft', 'km', 'yd']}
      showProblem={wanted}
      problem={
        isTooFar
          ? `The ground is ${show.distance(ground.length_m)} long.`
          : wanted && entered.text.trim() === ''
            ? 'Where is it? Type how far, tap it on the ribbon, or stand there with a position.'
            : null
      }
      onChange={onChange}
      comesTo={reading.ok && show.distance(reading.value)}
    />
  );
}
