import { USUAL_SURFACE_FACTOR, VALVES, type Entered, type ValveOpen } from '@riffle/core';
import { useEffect, useState } from 'react';
import { useContainers } from '../../records/useContainers.ts';
import { readEntered } from '../../units/readEntered.ts';
import { showLike } from '../../units/showLike.ts';
import { useShow, type Show } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { flowText, newFlow, readFlow, type FlowDraft, type FlowRead, type FlowWay } from './readFlow.ts';

interface FlowSheetProps {
  readonly temperature_C: number;
  readonly onClose: () => void;
  /** What comes into the box. */
  readonly onFlow: (flow: Entered) => void;
  /** What the creek gives at most. */
  readonly onCreek: (flow: Entered) => void;
}

/** Measures the flow: a float over a known run, a bucket filled, a notch in a board, or a pump by its plate and hose. With a watch built in. */
export function FlowSheet({ temperature_C, onClose, onFlow, onCreek }: FlowSheetProps) {
  const show = useShow();
  const US = show.display.system === 'US';
  const [draft, set] = useState(() => newFlow(US));
  const change = (some: Partial<FlowDraft>): void => set((before) => ({ ...before, ...some }));
  const read = readFlow(draft, temperature_C, useContainers());
  const { flow_m3_s, dam } = read;
  const { way } = draft;
  const like = likeTyped(show, draft);
  return (
    <Sheet title="Measure the flow" onClose={onClose}>
      <div className="flex flex-col gap-2">
        <Choices
          label="How"
          value={way}
          onChange={(to) => change({ way: to })}
          choices={[
            { value: 'float', label: 'A float' },
            { value: 'bucket', label: 'A bucket' },
            { value: 'notch', label: 'A notch' },
            { value: 'pump', label: 'A pump' },
          ]}
        />
        {way === 'float' && <FloatFields draft={draft} read={read} change={change} />}
        {way === 'bucket' && (
          <QuantityField
            label="Volume filled"
            entered={draft.bucket}
            reading={read.readings.bucket}
            units={['bucket', 'L', 'gal']}
            onChange={(bucket) => change({ bucket })}
          />
        )}
        {way === 'notch' && (
          <QuantityField
            label="Water over the point of the notch"
            entered={draft.notch}
            reading={read.readings.notch}
            units={['mm', 'cm', 'in']}
            onChange={(notch) => change({ notch })}
          />
        )}
        {way === 'pump' ? (
          <PumpFields draft={draft} read={read} change={change} />
        ) : way === 'notch' ? null : (
          <Times
            times_s={draft.times_s[way]}
            onChange={(times) => change({ times_s: { ...draft.times_s, [way]: times } })}
          />
        )}
        <p className="font-serif text-[20px] font-semibold text-water" role="status">
          {read.problem ?? (flow_m3_s === null ? ASKS[way] : like.flow(flow_m3_s))}
          {dam && `, of it ${like.flow(dam.low)} to ${like.flow(dam.high)} by the dam`}
        </p>
        <p className="text-[12.5px] text-ink-2">
          {read.pumped &&
            `${like.length(read.pumped.frictionLoss_m)} of ${like.length(read.pumped.head_m)} of head go into the hose. `}
          {RESTS[way]}
        </p>
        <div className="grid gap-2 sm:grid-cols-2">
          <Button
            look="main"
            disabled={flow_m3_s === null}
            onClick={() => flow_m3_s !== null && onFlow(flowText(dam ? (dam.low + dam.high) / 2 : flow_m3_s, US))}
          >
            {dam ? 'Into the box, by the dam' : 'Use this flow'}
          </Button>
          <Button
            disabled={flow_m3_s === null}
            onClick={() => flow_m3_s !== null && onCreek(flowText(dam ? dam.high : flow_m3_s, US))}
          >
            The most to be had here
          </Button>
        </div>
      </div>
    </Sheet>
  );
}

const ASKS: Readonly<Record<FlowWay, string>> = {
  float: 'Time it at least once.',
  bucket: 'Time it at least once.',
  notch: 'Read how high the water stands over the point.',
  pump: 'Give the pump’s two figures, the lift and the hose.',
};
const RESTS: Readonly<Record<FlowWay, string>> = {
  float: `The surface runs faster than the water below: taken times ${USUAL_SURFACE_FACTOR}. Three times are better than one. A wing of stones and turf sends half to nine tenths of what it catches.`,
  bucket: 'The volume over the mean of the times. Three times are better than one.',
  notch:
    'Saw a right-angled notch into a board, bed it in clay so that all the water goes through, and read the height two hands above the board where it is still. Leave the stick there: it is your gauge, one look a day.',
  pump: 'Run it wide open and throttle it for the clean-up only. Its curve is taken as a parabola between the two figures of its plate.',
};

/** In the units of what the way asks for first. */
const likeTyped = (show: Show, { way, run, bucket, notch, lift }: FlowDraft): Show =>
  way === 'bucket'
    ? showLike(show, 'volume', bucket)
    : showLike(show, 'length', { float: run, notch, pump: lift }[way]);

interface FieldsProps {
  readonly draft: FlowDraft;
  readonly read: FlowRead;
  readonly change: (some: Partial<FlowDraft>) => void;
}

function FloatFields({ draft, read: { readings }, change }: FieldsProps) {
  return (
    <>
      <QuantityField
        label="Run of the float"
        entered={draft.run}
        reading={readings.run}
        units={['ft', 'm']}
        onChange={(run) => change({ run })}
      />
      <div className="grid grid-cols-2 gap-x-4">
        <QuantityField
          label="Width of the water, mean"
          entered={draft.width}
          reading={readings.width}
          units={['in', 'ft', 'cm', 'm']}
          onChange={(width) => change({ width })}
        />
        <QuantityField
          label="Depth of the water, mean"
          entered={draft.depth}
          reading={readings.depth}
          units={['in', 'cm', 'mm', 'm']}
          onChange={(depth) => change({ depth })}
        />
      </div>
      <QuantityField
        label="A wing dam reaches out"
        entered={draft.dam}
        reading={readings.dam}
        units={['in', 'ft', 'cm', 'm']}
        optional
        onChange={(dam) => change({ dam })}
        comesTo={draft.dam.text.trim() === '' && 'empty: none'}
      />
    </>
  );
}

function PumpFields({ draft, read: { readings }, change }: FieldsProps) {
  return (
    <>
      <div className="grid grid-cols-2 gap-x-4">
        <QuantityField
          label="Most it gives"
          entered={draft.most}
          reading={readings.most}
          units={['L/min', 'L/s', 'gpm', 'm3/h']}
          onChange={(most) => change({ most })}
        />
        <QuantityField
          label="Highest it lifts"
          entered={draft.shutOff}
          reading={readings.shutOff}
          units={['m', 'ft']}
          onChange={(shutOff) => change({ shutOff })}
        />
        <QuantityField
          label="Lift, water to box"
          entered={draft.lift}
          reading={readings.lift}
          units={['m', 'ft']}
          onChange={(lift) => change({ lift })}
        />
        <QuantityField
          label="Hose, inside"
          entered={draft.hose}
          reading={readings.hose}
          units={['in', 'mm']}
          onChange={(hose) => change({ hose })}
        />
        <QuantityField
          label="Hose, long"
          entered={draft.hoseLength}
          reading={readings.hoseLength}
          units={['m', 'ft']}
          onChange={(hoseLength) => change({ hoseLength })}
        />
        <TextField
          label="Sharp bends"
          value={draft.bends}
          onChange={(bends) => change({ bends })}
          inputMode="numeric"
          problem={readings.bends.ok ? null : readings.bends.problem}
        />
      </div>
      <SelectField
        label="Valve"
        value={draft.valve}
        onChange={(valve) => change({ valve })}
        choices={(Object.keys(VALVES) as ValveOpen[]).map((value) => ({
          value,
          label: value === 'open' ? 'wide open' : `${value} open`,
        }))}
      />
    </>
  );
}

/** Times taken with the watch or typed. */
function Times({ times_s, onChange }: { times_s: readonly number[]; onChange: (times_s: readonly number[]) => void }) {
  return (
    <>
      <Stopwatch onTime={(s) => onChange([...times_s, s])} />
      <ul className="flex flex-wrap gap-2" aria-label="Times taken">
        {times_s.map((t, i) => (
          <li key={i}>
            <button
              type="button"
              className="min-h-11 border-2 border-ink px-3"
              aria-label={`Drop the time ${t.toFixed(1)} s`}
              onClick={() => onChange(times_s.filter((_, k) => k !== i))}
            >
              {t.toFixed(1)} s ✕
            </button>
          </li>
        ))}
      </ul>
      <TypedTime onTime={(s) => onChange([...times_s, s])} />
    </>
  );
}

export function Stopwatch({ onTime }: { onTime: (s: number) => void }) {
  const [since, setSince] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (since === null) return undefined;
    const timer = setInterval(() => setNow(performance.now()), 100);
    return () => clearInterval(timer);
  }, [since]);
  const toggle = (): void => {
    const at = performance.now();
    if (since === null) {
      setNow(at);
      setSince(at);
    } else {
      onTime(Math.round((at - since) / 100) / 10);
      setSince(null);
    }
  };
  return (
    <Button look={since === null ? 'plain' : 'main'} className="min-h-16 text-[22px]" onClick={toggle}>
      {since === null ? 'Start the watch' : `Stop: ${((now - since) / 1000).toFixed(1)} s`}
    </Button>
  );
}

function TypedTime({ onTime }: { onTime: (s: number) => void }) {
  const [typed, setTyped] = useState<Entered>({ text: '', unit: 's' });
  const reading = readEntered('time', typed);
  return (
    <div className="grid grid-cols-[1fr_auto] items-start gap-3">
      <QuantityField
        label="Or type a time"
        entered={typed}
        reading={reading}
        units={['s', 'min']}
        optional
        onChange={setTyped}
      />
      <Button
        className="mt-5"
        disabled={!reading.ok || reading.value <= 0}
        onClick={() => {
          if (reading.ok) {
            onTime(reading.value);
            setTyped({ ...typed, text: '' });
          }
        }}
      >
        Add
      </Button>
    </div>
  );
}
