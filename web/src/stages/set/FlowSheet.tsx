import { convert, flowByBucket_m3_s, flowByFloat_m3_s, USUAL_SURFACE_FACTOR, type Entered } from '@riffle/core';
import { useEffect, useState } from 'react';
import { useContainers } from '../../records/useContainers.ts';
import { readEntered, readVolume, valueOf } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Measures the flow: a float over a known run, or a bucket filled. With a watch built in. */
export function FlowSheet({ onClose, onFlow }: { onClose: () => void; onFlow: (flow: Entered) => void }) {
  const show = useShow();
  const US = show.display.system === 'US';
  const small = US ? 'in' : 'cm';
  const [way, setWay] = useState<'float' | 'bucket'>('float');
  const [run, setRun] = useState<Entered>({ text: '', unit: US ? 'ft' : 'm' });
  const [width, setWidth] = useState<Entered>({ text: '', unit: small });
  const [depth, setDepth] = useState<Entered>({ text: '', unit: small });
  const [bucket, setBucket] = useState<Entered>({ text: '1', unit: 'bucket' });
  const [times_s, setTimes] = useState<readonly number[]>([]);
  const readings = {
    run: readEntered('length', run),
    width: readEntered('length', width),
    depth: readEntered('length', depth),
    bucket: readVolume(bucket, useContainers()),
  };
  const mean_s = times_s.length === 0 ? null : times_s.reduce((a, b) => a + b, 0) / times_s.length;

  let flow_m3_s: number | null = null;
  const [r, w, d, b] = [
    valueOf(readings.run),
    valueOf(readings.width),
    valueOf(readings.depth),
    valueOf(readings.bucket),
  ];
  if (mean_s !== null && mean_s > 0) {
    if (way === 'float' && r && w && d) flow_m3_s = flowByFloat_m3_s(r, mean_s, w, d);
    if (way === 'bucket' && b) flow_m3_s = flowByBucket_m3_s(b, times_s);
  }
  const use = (): void => {
    if (flow_m3_s === null) return;
    onFlow(
      US
        ? { text: convert('flow', flow_m3_s, 'm3/s', 'gpm').toFixed(1), unit: 'gpm' }
        : { text: (flow_m3_s * 1000).toFixed(2), unit: 'L/s' },
    );
  };
  return (
    <Sheet title="Measure the flow" onClose={onClose}>
      <div className="flex flex-col gap-2">
        <Choices
          label="How"
          value={way}
          onChange={setWay}
          choices={[
            { value: 'float', label: 'A float' },
            { value: 'bucket', label: 'A bucket' },
          ]}
        />
        {way === 'float' ? (
          <>
            <QuantityField
              label="Run of the float"
              entered={run}
              reading={readings.run}
              units={['ft', 'm']}
              onChange={setRun}
            />
            <QuantityField
              label="Width of the water, mean"
              entered={width}
              reading={readings.width}
              units={['in', 'ft', 'cm', 'm']}
              onChange={setWidth}
            />
            <QuantityField
              label="Depth of the water, mean"
              entered={depth}
              reading={readings.depth}
              units={['in', 'cm', 'mm', 'm']}
              onChange={setDepth}
            />
          </>
        ) : (
          <QuantityField
            label="Volume filled"
            entered={bucket}
            reading={readings.bucket}
            units={['bucket', 'L', 'gal']}
            onChange={setBucket}
          />
        )}
        <Stopwatch onTime={(s) => setTimes([...times_s, s])} />
        <ul className="flex flex-wrap gap-2" aria-label="Times taken">
          {times_s.map((t, i) => (
            <li key={i}>
              <button
                type="button"
                className="min-h-11 border-2 border-ink px-3"
                aria-label={`Drop the time ${t.toFixed(1)} s`}
                onClick={() => setTimes(times_s.filter((_, k) => k !== i))}
              >
                {t.toFixed(1)} s ✕
              </button>
            </li>
          ))}
        </ul>
        <TypedTime onTime={(s) => setTimes([...times_s, s])} />
        <p className="font-serif text-[20px] font-semibold text-water" role="status">
          {flow_m3_s === null ? 'Time it at least once.' : show.flow(flow_m3_s)}
        </p>
        <p className="text-[12.5px] text-ink-2">
          {way === 'float'
            ? `The surface runs faster than the water below: taken times ${USUAL_SURFACE_FACTOR}.`
            : 'The volume over the mean of the times.'}{' '}
          Three times are better than one.
        </p>
        <Button look="main" disabled={flow_m3_s === null} onClick={use}>
          Use this flow
        </Button>
      </div>
    </Sheet>
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
