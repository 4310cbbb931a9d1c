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
  SwellReading,
  Ground,
  Jar,
  Lift,
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
  StoredSwellReading,
  StoredGround,
  StoredJar,
  StoredLift,
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
  WorkRound,
  StoredWorkRound,
} from '@riffle/contract';

/** Kinds of record as written and as kept, under the name each has in the addresses of the API. */
export interface Records {
  grounds: { sent: Ground; kept: StoredGround };
  spots: { sent: Spot; kept: StoredSpot };
  signs: { sent: Sign; kept: StoredSign };
  permissions: { sent: Permission; kept: StoredPermission };
  'gauge-readings': { sent: GaugeReading; kept: StoredGaugeReading };
  'swell-readings': { sent: SwellReading; kept: StoredSwellReading };
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
  'work-rounds': { sent: WorkRound; kept: StoredWorkRound };
  lifts: { sent: Lift; kept: StoredLift };
  jars: { sent: Jar; kept: StoredJar };
  cleanups: { sent: Cleanup; kept: StoredCleanup };
  forecasts: { sent: Forecast; kept: StoredForecast };
  trials: { sent: Trial; kept: StoredTrial };
  'gold-entries': { sent: GoldEntry; kept: StoredGoldEntry };
  agreements: { sent: Agreement; kept: StoredAgreement };
}
export type Kind = keyof Records;

/** What the server adds to a record. */
type Added<K extends Kind> = Omit<Records[K]['kept'], keyof Records[K]['sent'] | 'version' | 'updatedAt'>;

interface Traits {
  /** It is the crew's on every ground; left out, one ground's. */
  readonly ofCrew?: true;
  /** What people call one of it. */
  readonly spoken: string;
  /** What they call several; left out, with an s. */
  readonly many?: string;
  /** Kinds the server changes along with it: read anew when one lands. */
  readonly changes?: readonly Kind[];
}
/** Where the server adds something, it stands in until the server answers. */
type KindTraits<K extends Kind> = Traits &
  (keyof Added<K> extends never ? { readonly added?: never } : { readonly added: Added<K> });

/** The one table of what the web knows of each kind. */
export const KINDS: { readonly [K in Kind]: KindTraits<K> } = {
  grounds: { ofCrew: true, spoken: 'ground', added: { line: null, linePoints: 0 } },
  spots: { spoken: 'spot' },
  signs: { spoken: 'sign' },
  permissions: { spoken: 'permission' },
  'gauge-readings': { spoken: 'gauge reading' },
  'swell-readings': { spoken: 'reading of the sea', many: 'readings of the sea' },
  'day-sheets': { spoken: 'day sheet' },
  outlines: { spoken: 'shape' },
  attachments: { spoken: 'picture or paper', many: 'pictures and papers' },
  lots: { spoken: 'bag' },
  samples: { spoken: 'sample' },
  // A plan takes its undug bags and points out with it, and brings them back.
  'sample-plans': {
    spoken: 'plan of samples',
    many: 'plans of samples',
    changes: ['lots', 'spots'],
  },
  pits: { spoken: 'pit' },
  screenings: { spoken: 'screening' },
  looks: { spoken: 'look' },
  sweeps: { spoken: 'detector sweep' },
  containers: { ofCrew: true, spoken: 'container' },
  seedings: { ofCrew: true, spoken: 'practice pan' },
  'size-words': { ofCrew: true, spoken: 'size word' },
  rigs: { ofCrew: true, spoken: 'box', many: 'boxes' },
  setups: { spoken: 'set-up' },
  'box-tests': { spoken: 'box test' },
  runs: {
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
  'work-rounds': { spoken: 'timed round' },
  lifts: { spoken: 'lift' },
  jars: { spoken: 'jar' },
  cleanups: { spoken: 'clean-up' },
  forecasts: { spoken: 'forecast' },
  trials: { spoken: 'comparison' },
  'gold-entries': { ofCrew: true, spoken: 'ledger line' },
  agreements: { ofCrew: true, spoken: 'agreement' },
};

/** Records of a kind as people would call them. */
export const spokenMany = (kind: Kind): string => KINDS[kind].many ?? `${KINDS[kind].spoken}s`;
