import { SAMPLE_PATTERNS, TEXTS, type StoredGround } from '@riffle/contract';
import { carryingTrips, UNSHORED_M, USUAL_TOOLS, WET_GRAVEL_KG_L } from '@riffle/core';
import { useState } from 'react';
import { Caution } from '../../../ui/Caution.tsx';
import { plural } from '../../../ui/plural.ts';
import { toast } from '../../../ui/toast.ts';
import { useWrite } from '../../../offline/outbox.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field, SelectField, TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { FormSheet } from '../../../ui/Sheet.tsx';
import { PointsDrawing } from './PointsDrawing.tsx';
import { ASKED, type PlanDraft } from './readPlan.ts';
import { usePlanDraft } from './usePlanDraft.ts';

interface PlanSheetProps {
  readonly ground: StoredGround;
  readonly mouths: readonly { distance_m: number; bank: 'left' | 'right' | 'mid' }[];
  readonly code: string;
  /** Codes of tags in use anywhere. */
  readonly tags: readonly string[];
  readonly at_m: number | null;
  readonly onClose: () => void;
  readonly onKept: (planId: string) => void;
}

/** What each pattern is for, in words. */
const FOR: Readonly<Record<PlanDraft['pattern'], string>> = {
  traverse: 'Equal samples on a line across a bar: where the pay streak lies.',
  grid: 'Rows across a bench or a hillside, a bag for each step down.',
  'test square': 'One square metre around a find: cover, gravel, and the last of it into the clay, each apart.',
  'crevice sweep': 'Crack after crack along a ledge, each into a bag of its own.',
  'upstream series': 'Up the creek, with one sample below, in and above every draw that joins.',
};
const LABELS: Readonly<Record<string, string>> = {
  from: 'From',
  to: 'To',
  fromOut: 'Begin so far out',
  toOut: 'End so far out',
  spacing: 'Between samples',
  rows: 'Between rows',
  depth: 'Depth',
  step: 'A bag each',
};
/** What one carries at most; a day sheet can say otherwise. Common practice, no source. */
const LIMIT_KG = 25;

/** Lays out a plan of samples: pattern, measures, and at once the points, the bags, their weight and trips. */
export function PlanSheet({ ground, mouths, code, tags, at_m, onClose, onKept }: PlanSheetProps) {
  const write = useWrite();
  const show = useShow();
  const inHand = usePlanDraft(ground, mouths, code, at_m, show.display.system === 'US');
  const { draft, change, points, problem } = inHand;
  const [tried, setTried] = useState(false);
  const asked = ASKED[draft.pattern];
  const bags = points?.reduce((sum, p) => sum + p.bags.length, 0) ?? 0;
  const load_kg = inHand.bag.ok ? bags * inHand.bag.value * WET_GRAVEL_KG_L : 0;
  const tools_kg = USUAL_TOOLS.reduce((sum, t) => sum + t.kg, 0);
  const trips = carryingTrips(load_kg, tools_kg, LIMIT_KG);
  const codeProblem = !/^[A-Za-z][A-Za-z ]{0,7}$/.test(draft.code.trim())
    ? 'One to eight letters.'
    : tags.some((t) => t.toUpperCase().startsWith(`${draft.code.trim().toUpperCase()}-`))
      ? 'Tags of this code are on other bags already.'
      : null;
  const keep = (): void => {
    setTried(true);
    const whole = codeProblem ? null : inHand.whole(ground);
    if (!whole) return;
    write({ what: 'laid out', groundId: ground.id, whole });
    inHand.clear();
    toast(
      `${whole.plan.name}: ${plural(whole.lots.length, 'bag')}, ${whole.lots[0]?.tag} to ${whole.lots.at(-1)?.tag}.`,
    );
    onKept(whole.plan.id);
  };
  const words = (f: keyof typeof LABELS): string =>
    (draft.pattern === 'traverse' || draft.pattern === 'test square') && f === 'from'
      ? 'At'
      : draft.pattern === 'test square' && f === 'fromOut'
        ? 'So far out'
        : draft.pattern === 'crevice sweep' && f === 'fromOut'
          ? 'The ledge lies so far out'
          : (LABELS[f] ?? f);
  const lengthField = (f: (typeof asked)[number]) => {
    const reading = inHand.lengths[f];
    return (
      <QuantityField
        key={f}
        label={words(f)}
        entered={draft[f]}
        reading={reading}
        units={['m', 'ft', 'cm']}
        showProblem={tried}
        onChange={(e) => change({ [f]: e })}
        comesTo={reading.ok && show.length(reading.value)}
        problem={problem?.field === f && reading.ok ? problem.says : null}
      />
    );
  };
  return (
    <FormSheet title="Lay out samples" onClose={onClose} onSave={keep} tight>
      <SelectField
        label="Pattern"
        value={draft.pattern}
        choices={SAMPLE_PATTERNS.map((p) => ({ value: p, label: p }))}
        onChange={(pattern) => change({ pattern })}
        hint={FOR[draft.pattern]}
      />
      <div className="grid grid-cols-2 gap-x-4">
        {asked.filter((f) => f === 'from' || f === 'to').map(lengthField)}
        {asked.includes('fromOut') && (
          <>
            {lengthField('fromOut')}
            <Bank
              label={asked.includes('toOut') ? 'Begin on' : 'On'}
              value={draft.fromBank}
              onChange={(fromBank) => change({ fromBank })}
            />
          </>
        )}
        {asked.includes('toOut') && (
          <>
            {lengthField('toOut')}
            <Bank label="End on" value={draft.toBank} onChange={(toBank) => change({ toBank })} />
          </>
        )}
        {asked.filter((f) => ['spacing', 'rows', 'depth', 'step'].includes(f)).map(lengthField)}
        {draft.pattern === 'crevice sweep' && (
          <Field label="Cracks" problem={problem?.field === 'cracks' ? problem.says : null}>
            {(ids) => (
              <input
                {...ids}
                className="written w-full"
                inputMode="numeric"
                value={draft.cracks}
                onChange={(e) => change({ cracks: e.target.value })}
              />
            )}
          </Field>
        )}
        <QuantityField
          label="Into each bag"
          entered={draft.bag}
          reading={inHand.bag}
          units={['pan', 'bucket', 'L', 'gal', 'double handful']}
          showProblem={tried}
          problem={inHand.bagProblem}
          onChange={(bag) => change({ bag })}
          comesTo={inHand.bag.ok && show.volume(inHand.bag.value)}
        />
        <TextField
          label="Letters on the tags"
          value={draft.code}
          onChange={(code) => change({ code })}
          problem={codeProblem}
          hint="They name no place."
        />
      </div>
      <TextField
        label="What you call it"
        value={draft.name}
        onChange={(name) => change({ name })}
        limit={TEXTS.name}
        hint="Left empty: pattern and letters."
      />
      {points && (
        <div className="my-2 border-t-2 border-ink pt-2" aria-live="polite">
          <p className="text-[18px] font-bold">
            {plural(points.length, 'point')}, {plural(bags, 'bag')}
          </p>
          <p className="text-ink-2">
            About {show.load(load_kg)} wet: {plural(trips, 'trip')} at {show.load(LIMIT_KG)} a back,{' '}
            {show.load(tools_kg)} of it tools.
          </p>
          <PointsDrawing
            points={points.map((p, i) => ({
              id: String(i),
              distance_m: p.distance_m,
              across_m: p.across_m,
              name: String(i + 1),
              states: p.bags.map(() => 'planned' as const),
              gold: null,
            }))}
          />
        </div>
      )}
      {tried && (problem ?? codeProblem ?? inHand.bagProblem ?? inHand.nameProblem) && (
        <p role="alert" className="text-danger">
          ▲ Not laid out yet: see the fields marked.
        </p>
      )}
      {['grid', 'test square'].includes(draft.pattern) &&
        inHand.lengths.depth.ok &&
        inHand.lengths.depth.value > UNSHORED_M && (
          <Caution>
            Deeper than {show.length(UNSHORED_M)}: sample with an auger or a shored hole. Nobody goes into an unshored
            one; local rules decide.
          </Caution>
        )}
      <Button look="main" type="submit">
        Keep the plan
      </Button>
    </FormSheet>
  );
}

const Bank = ({
  label,
  value,
  onChange,
}: {
  label: string;
  value: 'left' | 'right';
  onChange: (v: 'left' | 'right') => void;
}) => (
  <SelectField
    label={label}
    value={value}
    choices={[
      { value: 'left', label: 'left bank side' },
      { value: 'right', label: 'right bank side' },
    ]}
    onChange={onChange}
  />
);
