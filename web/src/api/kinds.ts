import type {
  Attachment,
  BoxTest,
  Cleanup,
  Container,
  DaySheet,
  Agreement,
  Forecast,
  GoldEntry,
  GaugeReading,
  Ground,
  Look,
  Sweep,
  Lot,
  Outline,
  Permission,
  Pit,
  Rig,
  Run,
  Sample,
  SamplePlan,
  Screening,
  Seeding,
  Setup,
  Sign,
  SizeWord,
  Spot,
  StoredAttachment,
  StoredBoxTest,
  StoredCleanup,
  StoredContainer,
  StoredDaySheet,
  StoredAgreement,
  StoredForecast,
  StoredGoldEntry,
  StoredGaugeReading,
  StoredGround,
  StoredLook,
  StoredSweep,
  StoredLot,
  StoredOutline,
  StoredPermission,
  StoredPit,
  StoredRig,
  StoredRun,
  StoredSample,
  StoredSamplePlan,
  StoredScreening,
  StoredSeeding,
  StoredSetup,
  StoredSign,
  StoredSizeWord,
  StoredSpot,
  StoredTrial,
  Trial,
} from '@riffle/contract';

/** Kinds of record as written and as kept, under the name each has in the addresses of the API. */
export interface Records {
  grounds: { sent: Ground; kept: StoredGround };
  spots: { sent: Spot; kept: StoredSpot };
  signs: { sent: Sign; kept: StoredSign };
  permissions: { sent: Permission; kept: StoredPermission };
  'gauge-readings': { sent: GaugeReading; kept: StoredGaugeReading };
  'day-sheets': { sent: DaySheet; kept: StoredDaySheet };
  outlines: { sent: Outline; kept: StoredOutline };
  attachments: { sent: Attachment; kept: StoredAttachment };
  lots: { sent: Lot; kept: StoredLot };
  samples: { sent: Sample; kept: StoredSample };
  'sample-plans': { sent: SamplePlan; kept: StoredSamplePlan };
  pits: { sent: Pit; kept: StoredPit };
  screenings: { sent: Screening; kept: StoredScreening };
  looks: { sent: Look; kept: StoredLook };
  sweeps: { sent: Sweep; kept: StoredSweep };
  containers: { sent: Container; kept: StoredContainer };
  seedings: { sent: Seeding; kept: StoredSeeding };
  'size-words': { sent: SizeWord; kept: StoredSizeWord };
  rigs: { sent: Rig; kept: StoredRig };
  setups: { sent: Setup; kept: StoredSetup };
  'box-tests': { sent: BoxTest; kept: StoredBoxTest };
  runs: { sent: Run; kept: StoredRun };
  cleanups: { sent: Cleanup; kept: StoredCleanup };
  forecasts: { sent: Forecast; kept: StoredForecast };
  trials: { sent: Trial; kept: StoredTrial };
  'gold-entries': { sent: GoldEntry; kept: StoredGoldEntry };
  agreements: { sent: Agreement; kept: StoredAgreement };
}
export type Kind = keyof Records;

interface KindTraits<K extends Kind> {
  /** Whose it is: one ground's, or the crew's on every ground. */
  readonly of: 'ground' | 'crew';
  /** What people call one of it. */
  readonly spoken: string;
  /** What they call several; left out, with an s. */
  readonly many?: string;
  /** What the server adds to a record; stands in until it answers. */
  readonly added: Omit<Records[K]['kept'], keyof Records[K]['sent'] | 'version' | 'updatedAt'>;
  /** Kinds the server changes along with it: read anew when one lands. */
  readonly changes?: readonly Kind[];
}

/** The one table of what the web knows of each kind. */
export const KINDS: { readonly [K in Kind]: KindTraits<K> } = {
  grounds: { of: 'crew', spoken: 'ground', added: { line: null, linePoints: 0 } },
  spots: { of: 'ground', spoken: 'spot', added: {} },
  signs: { of: 'ground', spoken: 'sign', added: {} },
  permissions: { of: 'ground', spoken: 'permission', added: {} },
  'gauge-readings': { of: 'ground', spoken: 'gauge reading', added: {} },
  'day-sheets': { of: 'ground', spoken: 'day sheet', added: {} },
  outlines: { of: 'ground', spoken: 'shape', added: {} },
  attachments: { of: 'ground', spoken: 'picture or paper', many: 'pictures and papers', added: {} },
  lots: { of: 'ground', spoken: 'bag', added: {} },
  samples: { of: 'ground', spoken: 'sample', added: {} },
  // A plan takes its undug bags and points out with it, and brings them back.
  'sample-plans': {
    of: 'ground',
    spoken: 'plan of samples',
    many: 'plans of samples',
    added: {},
    changes: ['lots', 'spots'],
  },
  pits: { of: 'ground', spoken: 'pit', added: {} },
  screenings: { of: 'ground', spoken: 'screening', added: {} },
  looks: { of: 'ground', spoken: 'look', added: {} },
  sweeps: { of: 'ground', spoken: 'detector sweep', added: {} },
  containers: { of: 'crew', spoken: 'container', added: {} },
  seedings: { of: 'crew', spoken: 'practice pan', added: {} },
  'size-words': { of: 'crew', spoken: 'size word', added: {} },
  rigs: { of: 'crew', spoken: 'box', many: 'boxes', added: {} },
  setups: { of: 'ground', spoken: 'set-up', added: {} },
  'box-tests': { of: 'ground', spoken: 'box test', added: {} },
  runs: {
    of: 'ground',
    spoken: 'run',
    added: {
      tally: {
        buckets: 0,
        volumeLoose_L: 0,
        bySpot_L: {},
        running_s: 0,
        brokenOff_s: 0,
        stopped: false,
        lastEventAt: null,
        taps: 0,
        timesInOrder: true,
      },
    },
  },
  cleanups: { of: 'ground', spoken: 'clean-up', added: {} },
  forecasts: { of: 'ground', spoken: 'forecast', added: {} },
  trials: { of: 'ground', spoken: 'comparison', added: {} },
  'gold-entries': { of: 'crew', spoken: 'ledger line', added: {} },
  agreements: { of: 'crew', spoken: 'agreement', added: {} },
};

/** Records of a kind as people would call them. */
export const spokenMany = (kind: Kind): string => KINDS[kind].many ?? `${KINDS[kind].spoken}s`;

/** A record as people would call it: its kind, and its name where it has one. */
export function spokenRecord(kind: Kind, record: object): string {
  const name = ['name', 'tag', 'word'].map((field) => (record as Record<string, unknown>)[field]).find(Boolean);
  return `${KINDS[kind].spoken}${typeof name === 'string' ? ` “${name}”` : ''}`;
}
