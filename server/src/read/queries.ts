import {
  NewGaugeReading,
  NewPermission,
  NewSign,
  NewSwellReading,
  StoredGaugeReading,
  StoredPermission,
  StoredSign,
  StoredSwellReading,
} from '@riffle/contract';
import { day, moment, recordKind } from '../db/recordKind.ts';

export const signs = recordKind({
  path: 'signs',
  table: 'sign',
  sent: NewSign,
  kept: StoredSign,
  fields: {
    groundId: 'ground_id',
    kind: 'kind',
    distance_m: 'distance_m',
    bank: 'bank',
    offset_m: 'offset_m',
    position: 'position',
    seenAt: moment('seen_at'),
    size_mm: 'size_mm',
    sizeEntered: 'size_entered',
    cover_m: 'cover_m',
    height_m: 'height_m',
    heightEntered: 'height_entered',
    coverEntered: 'cover_entered',
    weight: 'weight',
    traits: 'traits',
    comeBackWith: 'come_back_with',
    note: 'note',
  },
  added: {},
});

export const gaugeReadings = recordKind({
  path: 'gauge-readings',
  table: 'gauge_reading',
  sent: NewGaugeReading,
  kept: StoredGaugeReading,
  fields: {
    groundId: 'ground_id',
    readAt: moment('read_at'),
    level_m: 'level_m',
    levelEntered: 'level_entered',
    isFlood: 'is_flood',
    note: 'note',
  },
  added: {},
});

export const swellReadings = recordKind({
  path: 'swell-readings',
  table: 'swell_reading',
  sent: NewSwellReading,
  kept: StoredSwellReading,
  fields: {
    groundId: 'ground_id',
    readAt: moment('read_at'),
    height_m: 'height_m',
    heightEntered: 'height_entered',
    period_s: 'period_s',
    isStorm: 'is_storm',
    cut_m: 'cut_m',
    cutEntered: 'cut_entered',
    note: 'note',
  },
  added: {},
});

export const permissions = recordKind({
  path: 'permissions',
  table: 'permission',
  sent: NewPermission,
  kept: StoredPermission,
  fields: {
    groundId: 'ground_id',
    name: 'name',
    kind: 'kind',
    from: day('from_day'),
    to: day('to_day'),
    everyYear: 'every_year',
    note: 'note',
  },
  added: {},
});
