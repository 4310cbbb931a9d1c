import { format, isValid, parse } from 'date-fns';
import type { LocalTime } from '../when/localTime.ts';

/** How people's tables write their days. */
export const DATE_FORMS = {
  'year-month-day': ['yyyy-MM-dd', "yyyy-MM-dd'T'HH:mm:ss", 'yyyy-MM-dd HH:mm', 'yyyy/MM/dd'],
  'day/month/year': ['d/M/yyyy', 'd.M.yyyy', 'd-M-yyyy'],
  'month/day/year': ['M/d/yyyy', 'M-d-yyyy'],
} as const;
export type DateForm = keyof typeof DATE_FORMS;
export const DATE_FORM_NAMES = Object.keys(DATE_FORMS) as DateForm[];

/** A day of a table as a moment by the ground's clock, noon where no hour is told; null for no such day. */
export function readTableDate(typed: string, form: DateForm, local: LocalTime): string | null {
  const noon = new Date(2000, 0, 1, 12);
  for (const f of DATE_FORMS[form]) {
    const at = parse(typed, f, noon);
    if (isValid(at) && at.getFullYear() > 1800) return local.at(format(at, "yyyy-MM-dd'T'HH:mm")).toISOString();
  }
  const whole = form === 'year-month-day' && /^\d{4}-\d\d-\d\dT/.test(typed) ? new Date(typed) : null;
  return whole && isValid(whole) ? whole.toISOString() : null;
}

/** A cell without the apostrophe that a saved table has before what a spreadsheet would take for a formula. */
export const asWritten = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '');
