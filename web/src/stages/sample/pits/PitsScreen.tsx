import { MOST, PIT_BOTTOMS, TEXTS, type StoredPit, type StoredSample } from '@riffle/contract';
import { payLayers, UNSHORED_M, type SampleGrade, gradeOf, groundColors, spotGrades } from '@riffle/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { Checkbox } from '../../../ui/Checkbox.tsx';
import { toast } from '../../../ui/toast.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { ClosedToday } from '../../../ground/ClosedToday.tsx';
import { SpotSelect } from '../../../ground/SpotSelect.tsx';
import { useKeep } from '../../../records/useKeep.ts';
import { Photos } from '../../../photos/Photos.tsx';
import { Ribbon } from '../../../ribbon/Ribbon.tsx';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { useKeys } from '../../../shell/useKeys.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Field, SelectField, TextField } from '../../../ui/Field.tsx';
import { Block, Gold, Judgement } from '../../../ui/Judgement.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { CreviceFields } from './CreviceFields.tsx';
import { LayerFields } from './LayerFields.tsx';
import { PitColumn } from './PitColumn.tsx';
import { PitSection } from './PitSection.tsx';
import { usePitDraft } from './usePitDraft.ts';

/** Pits and crevices of the ground: one drawn to scale, and the section through them all. */
export function PitsScreen() {
  const { ground } = useGround();
  const pits = useRecords('pits', ground.id);
  const [search, setSearch] = useSearchParams();
  const picked = search.get('spot');
  const set = (id: string | null): void =>
    setSearch(
      (before) => {
        const after = new URLSearchParams(before);
        if (id === null) after.delete('pit');
        else after.set('pit', id);
        return after;
      },
      { replace: true },
    );
  useKeys(
    useMemo(
      () => ({
        n: () =>
          setSearch(
            (before) => {
              const after = new URLSearchParams(before);
              after.set('pit', 'new');
              return after;
            },
            { replace: true },
          ),
      }),
      [setSearch],
    ),
  );
  if (pits.loading) return null;
  const asked = search.get('pit');
  const pit =
    asked === 'new'
      ? null
      : (pits.items.find((p) => p.id === asked) ??
        pits.items.find((p) => p.spotId === picked) ??
        pits.items.at(-1) ??
        null);
  return <PitInHandView key={pit ? `${pit.id}-${pit.version}` : 'new'} pit={pit} pits={pits.items} onPick={set} />;
}

function PitInHandView({
  pit,
  pits,
  onPick,
}: {
  pit: StoredPit | null;
  pits: readonly StoredPit[];
  onPick: (id: string | null) => void;
}) {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const show = useShow();
  const book = useKeep('pits');
  const {
    preferences: { pays_mg_L },
  } = usePreferences();
  const samples = useRecords('samples', ground.id).items;
  const colors = useMemo(() => groundColors(samples, ground.swell_percent), [samples, ground.swell_percent]);
  const grades = useMemo(
    () => spotGrades(samples, ground.swell_percent, colors),
    [samples, ground.swell_percent, colors],
  );
  const deepestPan_m = pit ? Math.max(0, ...samples.filter((s) => s.pitId === pit.id).map((s) => s.depth_m)) : 0;
  const inHand = usePitDraft(ground, pit, deepestPan_m, `Pit ${pits.length + 1}`, show.display.system === 'US');
  const { draft, change, sum, problem } = inHand;
  const [layerId, setLayerId] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const spot = spots.find((s) => s.id === (pit?.spotId ?? picked));
  const layer = draft.layers.find((l) => l.id === layerId) ?? draft.layers.at(-1);
  const nth = draft.layers.findIndex((l) => l.id === layer?.id);

  const ofPit = (p: StoredPit): readonly StoredSample[] => samples.filter((s) => s.pitId === p.id);
  const layerGrade = (p: StoredPit, id: string): SampleGrade | null => {
    const mine = ofPit(p).filter((s) => s.layerId === id);
    return mine.length === 0 ? null : gradeOf(mine, ground.swell_percent, colors);
  };
  const says = (g: SampleGrade | null): string =>
    g === null
      ? ''
      : g.kind === 'band'
        ? show.band('grade', g.grade_mg_L, g.low_mg_L, g.high_mg_L)
        : g.kind === 'blank'
          ? `blank, under ${show.grade(g.lessThan_mg_L)}`
          : 'weigh it';
  const notes = new Map(draft.layers.map((l) => [l.id, pit ? says(layerGrade(pit, l.id)) : '']));
  const graded = pit
    ? draft.layers.map((l) => {
        const g = layerGrade(pit, l.id);
        return { thickness_m: l.thickness_m, grade_mg_L: g?.kind === 'band' ? g.grade_mg_L : 0, known: g !== null };
      })
    : [];
  const pay = graded.some((g) => g.known) ? payLayers(graded, pays_mg_L) : null;
  const pitGrades = new Map(
    pits.flatMap((p) => {
      const mine = ofPit(p).filter((s) => p.layers.some((l) => l.pay && s.layerId === l.id));
      const from = mine.length > 0 ? mine : ofPit(p);
      return from.length === 0 ? [] : [[p.id, gradeOf(from, ground.swell_percent, colors)] as const];
    }),
  );

  const payGrade = pit ? (pitGrades.get(pit.id) ?? null) : null;

  const keep = (): void => {
    setTried(true);
    const record = spot && inHand.record(spot.id, pit);
    if (!record) return;
    const id = book.put(pit, record);
    inHand.clear();
    toast(`${record.name} is in the book.`);
    onPick(id);
  };
  const remove = (): void => {
    if (!pit) return;
    book.takeOut(pit, `${pit.name} is out of the book.`);
    onPick(null);
  };
  return (
    <div className="flex flex-col gap-4">
      {!spot ? (
        <Judgement rests="Pick it on the ribbon below, or mark a new one on Read.">
          Which spot is this pit at?
        </Judgement>
      ) : sum ? (
        <Judgement
          rests={
            <>
              {show.volume(sum.bank_L)} in the bank, {show.load(sum.layers.reduce((t, l) => t + l.weight_kg, 0))} wet;{' '}
              {show.length(sum.depth_m)} deep at {spot.name}.
              {pay && pit && (
                <>
                  {' '}
                  By your pans{' '}
                  {pay.last > pay.first
                    ? `layers ${pay.first + 1} to ${pay.last + 1} are`
                    : `layer ${pay.first + 1} is`}{' '}
                  to be taken, <span className="text-gold">{show.grade(pay.grade_mg_L)}</span>
                  {pay.last > pay.first && ' together'}, where {show.grade(pays_mg_L)} pays.
                </>
              )}
            </>
          }
        >
          {sum.strippingRatio === null ? (
            'Which layer is the pay? Mark it.'
          ) : (
            <>
              {show.volume(sum.pay_L)} of pay under {sum.strippingRatio.toFixed(1)} times as much cover
              {payGrade ? (
                <>
                  : <Gold>{says(payGrade)}</Gold>
                </>
              ) : null}
              .
            </>
          )}
        </Judgement>
      ) : draft.crevice ? (
        <Judgement rests="Each crack into a pan of its own; the clay at the very bottom holds the best.">
          {draft.name}: {draft.crevice.state}.
        </Judgement>
      ) : (
        <Judgement rests={problem?.says}>This pit cannot be worked out yet.</Judgement>
      )}
      <ClosedToday ground={ground} />
      <div className="no-print flex flex-wrap items-end gap-x-4">
        {pits.length > 0 && (
          <div className="w-56">
            <SelectField
              label="Pit"
              value={pit?.id ?? 'new'}
              choices={[
                ...pits.map((p) => ({ value: p.id, label: `${p.name}${p.crevice ? `, crevice` : ''}` })),
                { value: 'new', label: 'a new one ...' },
              ]}
              onChange={onPick}
            />
          </div>
        )}
        {pits.length > 0 && pit !== null && (
          <Button className="mb-5" onClick={() => onPick('new')}>
            New pit
          </Button>
        )}
      </div>
      {inHand.depth_m > UNSHORED_M && (
        <p role="note" className="border-l-4 border-dashed border-danger pl-3 text-danger">
          Deeper than {show.length(UNSHORED_M)}: nobody in an unshored hole. Walls fall without a sound; keep heaps and
          feet back from the edge. Local rules decide, and many are stricter.
        </p>
      )}
      <form
        className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,22rem)_minmax(0,1fr)_minmax(0,20rem)]"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <Block
          title={draft.name || 'Pit'}
          aside={
            draft.planned &&
            `“${draft.planned}”, really dug ${inHand.length.ok && inHand.width.ok ? `${show.figure('length', inHand.length.value).digits} × ${show.length(inHand.width.value)}` : '?'}`
          }
        >
          {draft.layers.length > 0 && (
            <PitColumn
              layers={draft.layers}
              bottom={draft.bottom}
              waterAt_m={inHand.water?.ok ? inHand.water.value : null}
              batter={Number(draft.batterText) || 0}
              picked={layer?.id ?? null}
              notes={notes}
              onPick={setLayerId}
              onMove={inHand.moveBottom}
            />
          )}
        </Block>
        <Block title="Layers" aside="pick one in the drawing">
          <p className="mb-2 flex flex-wrap gap-2">
            {draft.layers.map((l, i) => (
              <button
                key={l.id}
                type="button"
                aria-pressed={l.id === layer?.id}
                className="min-h-11 min-w-11 border-2 border-ink px-2 aria-pressed:bg-ink aria-pressed:text-paper"
                onClick={() => setLayerId(l.id)}
              >
                {i + 1}
              </button>
            ))}
            <Button onClick={inHand.addLayer} disabled={draft.layers.length >= MOST.layers}>
              Add below
            </Button>
          </p>
          {layer && (
            <LayerFields
              nth={nth + 1}
              layer={layer}
              sum={sum?.layers[nth]}
              onChange={(some) => inHand.setLayer(layer.id, some)}
              onRemove={() => inHand.removeLayer(layer.id)}
            />
          )}
          {problem?.field === 'layers' && <p className="text-danger">▲ {problem.says}</p>}
          {draft.crevice ? (
            <CreviceFields inHand={inHand} />
          ) : (
            <Button
              look="quiet"
              onClick={() =>
                change({
                  crevice: {
                    width: { text: '4', unit: 'cm' },
                    length: { text: '2', unit: 'm' },
                    depth: { text: '30', unit: 'cm' },
                    strike: 'across the flow',
                    state: 'found',
                  },
                  layers: [],
                  name: draft.name.replace(/^Pit/, 'Crack'),
                })
              }
            >
              It is a crevice
            </Button>
          )}
        </Block>
        <Block title="The hole">
          {!pit && (
            <SpotSelect
              spots={spots}
              value={spot?.id}
              onPick={pick}
              problem={tried && !spot ? 'Say which spot it is at.' : null}
            />
          )}
          <TextField
            label="Name"
            value={draft.name}
            onChange={(name) => change({ name })}
            limit={TEXTS.name}
            problem={tried && draft.name.trim() === '' ? 'Give it a name.' : null}
          />
          <TextField
            label="What was planned"
            value={draft.planned}
            onChange={(planned) => change({ planned })}
            limit={TEXTS.planned}
            hint="The area really dug counts, not this."
          />
          <div className="grid grid-cols-2 gap-x-4">
            <QuantityField
              label="Really dug, long"
              entered={draft.lengthEntered}
              reading={inHand.length}
              units={['m', 'cm', 'ft']}
              showProblem={tried}
              problem={inHand.length.ok && !(inHand.length.value > 0) ? 'More than nothing.' : null}
              onChange={(lengthEntered) => change({ lengthEntered })}
            />
            <QuantityField
              label="Really dug, wide"
              entered={draft.widthEntered}
              reading={inHand.width}
              units={['m', 'cm', 'ft']}
              showProblem={tried}
              problem={inHand.width.ok && !(inHand.width.value > 0) ? 'More than nothing.' : null}
              onChange={(widthEntered) => change({ widthEntered })}
            />
            <Field
              label="Walls lean in, per depth"
              problem={problem?.field === 'batter' ? problem.says : null}
              hint="0 upright, 0.5 one in two"
            >
              {(ids) => (
                <input
                  {...ids}
                  inputMode="decimal"
                  className="written w-full"
                  value={draft.batterText}
                  onChange={(e) => change({ batterText: e.target.value })}
                />
              )}
            </Field>
            <QuantityField
              label="Water stands at"
              entered={draft.waterAt}
              reading={inHand.water ?? { ok: true, value: 0 }}
              units={['m', 'cm', 'ft']}
              optional
              problem={problem?.field === 'water' ? problem.says : null}
              onChange={(waterAt) => change({ waterAt })}
            />
          </div>
          <SelectField
            label="It ends on"
            value={draft.bottom}
            choices={PIT_BOTTOMS.map((b) => ({ value: b, label: b }))}
            onChange={(bottom) => change({ bottom })}
            hint={draft.bottom === 'false bottom' ? 'Gold may lie below it too: try through it.' : undefined}
          />
          <Checkbox checked={draft.filledIn} onChange={(checked) => change({ filledIn: checked })}>
            filled in
          </Checkbox>
          <Checkbox checked={draft.putBack} onChange={(checked) => change({ putBack: checked })}>
            turf on top, looks untouched
          </Checkbox>
          {!draft.filledIn && (
            <p className="text-ink-2">
              Before filling in: look over the hole, the heap and the oversize once more. A detector misses small gold;
              its silence is no blank.
            </p>
          )}
          <TextField label="Note" value={draft.note} rows={2} onChange={(note) => change({ note })} />
          <Button look="main" type="submit" className="mt-1 w-full">
            {pit ? 'Keep the changes' : 'Keep this pit'}
          </Button>
          <p role="alert" className="min-h-5 text-[12.5px] text-danger">
            {tried && (problem ?? !spot) && '▲ Not kept yet: see the fields marked. What you typed stays.'}
          </p>
          {pit && (
            <>
              <Photos groundId={ground.id} about="pit" aboutId={pit.id} />
              <Button look="quiet" onClick={remove}>
                Take this pit out
              </Button>
            </>
          )}
        </Block>
      </form>
      {pits.length > 1 && (
        <Block title="The section through them" aside="pay joined from pit to pit">
          <PitSection pits={pits} spots={spots} grades={pitGrades} picked={pit?.id ?? null} onPick={onPick} />
        </Block>
      )}
      <Ribbon thin ground={ground} spots={spots} grades={grades} picked={spot?.id ?? picked} onPick={pick} />
    </div>
  );
}
