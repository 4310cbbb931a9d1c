import { NewDaySheet, StoredDaySheet } from '@riffle/contract';
import { day, recordKind } from '../db/recordKind.ts';

export const daySheets = recordKind({
  path: 'day-sheets',
  table: 'day_sheet',
  sent: NewDaySheet,
  kept: StoredDaySheet,
  fields: {
    groundId: 'ground_id',
    day: day('day'),
    start_min: 'start_min',
    back_min: 'back_min',
    start_m: 'start_m',
    rest_min: 'rest_min',
    limit_kg: 'limit_kg',
    tools: 'tools',
    aim: 'aim',
    way: 'way',
    frozen: 'frozen',
    waterAway: 'water_away',
    stops: 'stops',
    note: 'note',
  },
  added: {},
});
