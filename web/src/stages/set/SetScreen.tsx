import type { StoredRig, StoredSetup } from '@riffle/contract';
import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { Caution } from '../../ui/Caution.tsx';
import { toast } from '../../ui/toast.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useGround, usePicked } from '../../shell/useGround.ts';
import { useKeys } from '../../shell/useKeys.ts';
import { asTyped, unitTyped, valueOf } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { SelectField } from '../../ui/Field.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useWidth } from '../../ui/useWidth.ts';
import { BoxSide } from './BoxSide.tsx';
import { CatchChart } from './CatchChart.tsx';
import { DropSum } from './DropSum.tsx';
import { FeedDial } from './FeedDial.tsx';
import { FlowSheet } from './FlowSheet.tsx';
import { RigSheet } from './RigSheet.tsx';
import { SetNumbers } from './SetNumbers.tsx';
import { SetVerdict } from './SetVerdict.tsx';
import { pitchText, useSetup } from './useSetup.ts';

/** The box and its water: type or drag how it stands; the sentence on top says what to change. */
export function SetScreen() {
  const { ground, spots } = useGround();
  const { picked } = usePicked();
  const rigs = useRecords('rigs').items;
  const setups = useRecords('setups', ground.id).items;
  const show = useShow();
  const { add } = useKeep('setups');
  const navigate = useNavigate();
  const [chosen, setChosen] = useState<string | null>(null);
  const [sheet, setSheet] = useState<'new rig' | 'rig' | 'flow' | null>(null);
  const [tried, setTried] = useState(false);
  const [attach, width] = useWidth(700);
  useKeys(useMemo(() => ({ n: () => setSheet('new rig') }), []));

  const lastRig = [...setups].sort((a, b) => (a.setAt < b.setAt ? 1 : -1))[0]?.rigId;
  const rig: StoredRig | undefined = rigs.find((r) => r.id === (chosen ?? lastRig)) ?? rigs[0];
  const inHand = useSetup(ground.id, rig, show.display.system === 'US');
  const { draft, change, readings, solved } = inHand;
  const spot = spots.find((s) => s.id === picked);

  const load = (s: StoredSetup): void => {
    setChosen(s.rigId);
    change({
      pitch: s.pitchEntered,
      known: s.depth_m === null ? 'flow' : 'depth',
      ...(s.depthEntered && { depth: s.depthEntered }),
      ...(s.flowEntered && { flow: s.flowEntered }),
      stone: s.stoneEntered,
      temperature: { text: String(s.temperature_C), unit: '°C' },
      scoop: s.scoopEntered,
      bucket: s.bucketEntered,
      note: s.note,
    });
  };
  const keep = (): void => {
    setTried(true);
    const record = inHand.record(ground, spot?.id ?? null);
    if (!record) return;
    add(record);
    setTried(false);
    toast('Kept: this set-up.', {
      action: {
        label: 'Start a run',
        onClick: () => void navigate(`/g/${ground.id}/run${picked ? `?spot=${picked}` : ''}`),
      },
    });
  };
  const [left, right] = width > 480 ? [52, width - 130] : [40, width - 112];
  return (
    <div className="flex flex-col gap-4">
      <header className="flex flex-wrap items-baseline gap-x-4 border-b border-rule pb-2">
        <span className="hidden font-serif text-[18px] font-semibold sm:inline">{ground.name}</span>
        <span className="text-ink-2">
          {rig ? (
            <>
              Box “{rig.name}”, {asTyped(rig.widthEntered)} by {asTyped(rig.lengthEntered)}
            </>
          ) : (
            'no box yet'
          )}
          {spot && `, set at ${spot.name}`}
        </span>
      </header>
      <SetVerdict inHand={inHand} rig={rig} />
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,16rem)_minmax(0,1fr)]">
        <form
          className="flex flex-col"
          onSubmit={(e) => {
            e.preventDefault();
            keep();
          }}
        >
          <Block title="How it stands">
            {rigs.length === 0 ? (
              <Button look="main" className="mb-2" onClick={() => setSheet('new rig')}>
                Add your box
              </Button>
            ) : (
              <div className="flex items-center gap-3">
                <div className="min-w-0 grow">
                  <SelectField
                    label="Box"
                    value={rig?.id ?? ''}
                    choices={rigs.map((r) => ({ value: r.id, label: r.name }))}
                    onChange={setChosen}
                  />
                </div>
                <span className="flex gap-3">
                  <Button look="quiet" onClick={() => setSheet('rig')}>
                    Change
                  </Button>
                  <Button look="quiet" onClick={() => setSheet('new rig')}>
                    Another
                  </Button>
                </span>
              </div>
            )}
            <QuantityField
              label="Pitch"
              entered={draft.pitch}
              reading={readings.pitch}
              units={['in/ft', '%', '°', 'in', 'mm', 'cm']}
              showProblem={tried}
              onChange={(pitch) => change({ pitch })}
              comesTo={
                readings.pitch.ok &&
                rig && (
                  <DropSum
                    slope={readings.pitch.value}
                    length_m={rig.length_m}
                    inFeet={unitTyped('pitch', draft.pitch) === 'in/ft'}
                  />
                )
              }
            />
            <div className="mb-1 flex items-center justify-between gap-2">
              <Choices
                label="Known of the water"
                value={draft.known}
                onChange={(known) => change({ known })}
                choices={[
                  { value: 'depth', label: 'depth' },
                  { value: 'flow', label: 'flow' },
                ]}
              />
              <Button look="quiet" onClick={() => setSheet('flow')}>
                Measure the flow
              </Button>
            </div>
            {draft.known === 'depth' ? (
              <QuantityField
                label="Water over the lining"
                entered={draft.depth}
                reading={readings.depth}
                units={['mm', 'cm', 'in']}
                showProblem={tried}
                onChange={(depth) => change({ depth })}
                comesTo={readings.depth.ok && show.smallLength(readings.depth.value)}
              />
            ) : (
              <QuantityField
                label="Flow into the box"
                entered={draft.flow}
                reading={readings.flow}
                units={['L/s', 'L/min', 'gpm', 'imp gpm', 'm3/h']}
                showProblem={tried}
                onChange={(flow) => change({ flow })}
                comesTo={readings.flow.ok && show.flow(readings.flow.value / 1000)}
              />
            )}
            <div className="grid grid-cols-2 gap-x-4 lg:grid-cols-1 xl:grid-cols-2">
              <QuantityField
                label="Largest stone fed"
                entered={draft.stone}
                reading={readings.stone}
                units={['in', 'mm', 'cm']}
                showProblem={tried}
                onChange={(stone) => change({ stone })}
                comesTo={readings.stone.ok && show.smallLength(readings.stone.value)}
              />
              <QuantityField
                label="Your scoop"
                entered={draft.scoop}
                reading={readings.scoop}
                units={['scoop', 'L', 'mL', 'qt']}
                showProblem={tried}
                onChange={(scoop) => change({ scoop })}
                comesTo={readings.scoop.ok && show.volume(readings.scoop.value)}
              />
              <QuantityField
                label="Your bucket, full"
                entered={draft.bucket}
                reading={readings.bucket}
                units={['bucket', 'gal', 'L']}
                showProblem={tried}
                onChange={(bucket) => change({ bucket })}
                comesTo={readings.bucket.ok && show.volume(readings.bucket.value)}
              />
              <QuantityField
                label="Water temperature"
                entered={draft.temperature}
                reading={readings.temperature}
                units={['°C', '°F']}
                showProblem={tried}
                onChange={(temperature) => change({ temperature })}
                comesTo={readings.temperature.ok && show.temperature(readings.temperature.value)}
              />
            </div>
            <Button look="main" type="submit" className="mt-1 min-h-14 w-full text-[18px]">
              Keep this set-up
            </Button>
            <p role="alert" className="min-h-5 text-[12.5px] text-danger">
              {tried &&
                !solved &&
                `▲ Not kept: ${inHand.problem ?? (rig ? 'see the fields marked.' : 'add your box first.')}`}
            </p>
          </Block>
        </form>
        <div className="flex min-w-0 flex-col gap-4">
          {solved && (
            <div className="grid grid-cols-1 gap-x-8 gap-y-4 xl:grid-cols-[minmax(0,1fr)_14rem]">
              <div ref={attach} className="flex min-w-0 flex-col gap-4">
                <Block title="The box from the side" aside="to scale; drag head and water; dashed: where it should go">
                  <BoxSide
                    width={width}
                    left={left}
                    right={right}
                    {...solved}
                    onSlope={(slope) => {
                      const unit = unitTyped('pitch', draft.pitch);
                      change({ pitch: { text: pitchText(slope, unit, solved.setting.length_m), unit } });
                    }}
                    onDepth={(depth_m) =>
                      change({
                        known: 'depth',
                        depth:
                          unitTyped('length', draft.depth) === 'in'
                            ? { text: (depth_m / 0.0254).toFixed(2), unit: 'in' }
                            : { text: (depth_m * 1000).toFixed(1), unit: 'mm' },
                      })
                    }
                  />
                </Block>
                <Block
                  title="Where each size is caught"
                  aside="of the gold fed; flakes a third as thick as wide; band: two settling laws"
                >
                  <CatchChart
                    width={width}
                    left={left}
                    right={right}
                    length_m={solved.setting.length_m}
                    answer={solved.now}
                  />
                </Block>
              </div>
              <div className="grid content-start gap-x-8 gap-y-4 sm:grid-cols-2 xl:grid-cols-1">
                <Block title="Feed it">
                  <FeedDial answer={solved.now} scoop_L={valueOf(readings.scoop)} bucket_L={valueOf(readings.bucket)} />
                </Block>
                <Block title="In figures">
                  <SetNumbers setting={solved.setting} now={solved.now} advice={solved.advice} />
                </Block>
              </div>
            </div>
          )}
          {setups.length > 0 && (
            <Block title="Kept set-ups" aside="take one up again">
              <ul className="flex flex-wrap gap-2">
                {[...setups]
                  .sort((a, b) => (a.setAt < b.setAt ? 1 : -1))
                  .slice(0, 8)
                  .map((s) => (
                    <li key={s.id}>
                      <Button onClick={() => load(s)}>
                        {format(new Date(s.setAt), 'd MMM')}: {rigs.find((r) => r.id === s.rigId)?.name ?? 'box'},{' '}
                        {asTyped(s.pitchEntered)}
                      </Button>
                    </li>
                  ))}
              </ul>
            </Block>
          )}
          <Caution quiet>
            Cold fast water and rolling stones: set the box with firm footing and someone in sight. Damming, pumps and
            sluices may need a permit or be closed in season: local rules come first.
          </Caution>
        </div>
      </div>
      {(sheet === 'rig' || sheet === 'new rig') && (
        <RigSheet
          rig={sheet === 'rig' ? rig : undefined}
          onClose={() => setSheet(null)}
          onKept={(id) => {
            setChosen(id);
            setSheet(null);
          }}
        />
      )}
      {sheet === 'flow' && (
        <FlowSheet
          onClose={() => setSheet(null)}
          onFlow={(flow) => {
            change({ known: 'flow', flow });
            setSheet(null);
          }}
        />
      )}
    </div>
  );
}
