/** Refusal of a value a formula cannot take: names the quantity, the value, its unit and the valid range. */
export class OutOfRange extends RangeError {
  readonly field: string;
  readonly value: unknown;
  readonly valid: string;

  constructor(field: string, value: unknown, valid: string) {
    super(`${field} is ${String(value)}; it must be ${valid}.`);
    this.name = 'OutOfRange';
    this.field = field;
    this.value = value;
    this.valid = valid;
  }
}

/**
 * Refuses NaN, infinities and anything outside [least, most].
 * The comparison is written so that NaN fails it.
 * @throws OutOfRange naming the field
 */
export function requireWithin(field: string, value: number, least: number, most: number, unit = ''): void {
  if (!(value >= least && value <= most))
    throw new OutOfRange(field, value, `from ${least} to ${most}${unit && ` ${unit}`}`);
}

/** Refuses everything but a finite number above zero. @throws OutOfRange naming the field */
export function requirePositive(field: string, value: number, unit = ''): void {
  if (!(value > 0 && value < Infinity)) throw new OutOfRange(field, value, `more than 0${unit && ` ${unit}`}`);
}
