import type { StoredCleanup } from '@riffle/contract';
import { bankVolume_L, LINING_IDS, LININGS, type LiningId } from '@riffle/core';
import { format } from 'date-fns';
import { useState } from 'react';
import { Link } from 'react-router';
import { Caution } from '../../ui/Caution.tsx';
import { plural } from '../../ui/plural.ts';
import { toast } from '../../ui/toast.ts';
import { v7 as uuidv7 } from 'uuid';
import { useRecords } from '../../records/useRecords.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useGround } from '../../shell/useGround.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { CleanVerdict } from './CleanVerdict.tsx';
import { SplitDrawing } from './SplitDrawing.tsx';
import { useCleanup, type SectionDraft } from './useCleanup.ts';

/** Weighs what the box held, section by section, and says whether it held it all. */
export function CleanScreen() {
  const { ground, spots } = useGround();
  const runs = useRecords('runs', ground.id).items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const rigs = useRecords('rigs').items;
  const samples = useRecords('samples', ground.id).items;
  const show = useShow();
  const { add } = useKeep('cleanups');
  const [tried, setTried] = useState(false);
  const US = show.display.system === 'US';

  const weighed = new Set(cleanups.flatMap((c) => c.runIds));
  const waiting = runs.filter((r) => !weighed.has(r.id));
  const inHand = useCleanup(ground.id, waiting, setups, rigs, samples, US);
  const { draft, change, sections, readings, split } = inHand;
  const volumeBank_L = bankVolume_L(
    inHand.runs.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0),
    ground.swell_percent,
  );
  const sources = [...new Set(inHand.runs.flatMap((r) => Object.keys(r.tally.bySpot_L)))].map(
    (id) => spots.find((s) => s.id === id)?.name ?? 'no spot named',
  );

  const setSection = (i: number, some: Partial<SectionDraft>): void =>
    change({ sections: sections.map((s, k) => (k === i ? { ...s, ...some } : s)) });
  const keep = (): void => {
    setTried(true);
    const record = inHand.record(ground);
    if (!record) return;
    add(record);
    inHand.clear();
    setTried(false);
    toast('Written to the book.');
  };
  const drawn =
    split &&
    sections.map((s, i) => {
      const r = readings[i];
      return {
        name: s.name,
        from_m: r?.from_m ?? 0,
        to_m: r?.to.ok ? r.to.value : 0,
        gold_mg: r?.gold.ok ? r.gold.value : 0,
      };
    });
  return (
    <div className="flex flex-col gap-4">
      <header className="hidden border-b border-rule pb-2 font-serif text-[18px] font-semibold sm:block">
        {ground.name}
      </header>
      <CleanVerdict
        runs={inHand.runs.length}
        volumeBank_L={volumeBank_L}
        sources={sources}
        sections={sections.length}
        split={waiting.length === 0 ? null : split}
      />
      {waiting.length > 0 ? (
        <form
          className="grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]"
          onSubmit={(e) => {
            e.preventDefault();
            keep();
          }}
        >
          <div className="flex flex-col gap-5">
            <Block title="Out of these runs">
              {waiting.map((r) => (
                <label key={r.id} className="flex min-h-11 items-center gap-3 border-b border-rule">
                  <input
                    type="checkbox"
                    className="size-5 accent-ink"
                    checked={!draft.leftOut.includes(r.id)}
                    onChange={(e) =>
                      change({
                        leftOut: e.target.checked
                          ? draft.leftOut.filter((id) => id !== r.id)
                          : [...draft.leftOut, r.id],
                      })
                    }
                  />
                  {format(new Date(r.startedAt), 'd MMM, HH:mm')}: {plural(r.tally.buckets, 'bucket')},{' '}
                  {show.volume(r.tally.volumeLoose_L)} loose
                  {!r.tally.stopped && ', still open'}
                </label>
              ))}
              {tried && inHand.runs.length === 0 && (
                <p className="text-[12.5px] text-danger">▲ Say which run this gold came from.</p>
              )}
            </Block>
            <Block title="Gold by section" aside="from the head of the box down">
              {sections.map((s, i) => (
                <fieldset key={s.key} className="border-b border-rule pt-1">
                  <legend className="sr-only">Section {i + 1}</legend>
                  <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-[1fr_1fr_1.2fr]">
                    <TextField label={`Section ${i + 1}`} value={s.name} onChange={(name) => setSection(i, { name })} />
                    <QuantityField
                      label={
                        i === 0
                          ? 'from the head to'
                          : `from ${readings[i]?.from_m === null || readings[i]?.from_m === undefined ? 'there' : show.smallLength(readings[i].from_m)} to`
                      }
                      entered={s.to}
                      reading={readings[i]?.to ?? { ok: false, problem: '' }}
                      units={['mm', 'cm', 'm', 'in', 'ft']}
                      showProblem={tried}
                      problem={readings[i]?.problem ?? null}
                      onChange={(to) => setSection(i, { to })}
                      comesTo={readings[i]?.to.ok && show.smallLength(readings[i].to.value)}
                    />
                    <div className="col-span-2 sm:col-span-1">
                      <QuantityField
                        label="Gold"
                        entered={s.gold}
                        reading={readings[i]?.gold ?? { ok: false, problem: '' }}
                        units={['mg', 'g', 'grain', 'dwt', 'ozt']}
                        showProblem={tried}
                        onChange={(gold) => setSection(i, { gold })}
                        comesTo={readings[i]?.gold.ok && show.gold(readings[i].gold.value)}
                      />
                    </div>
                  </div>
                  <div className="-mt-1 mb-1 flex items-center gap-3 text-[13px] text-ink-2">
                    <select
                      aria-label={`Lining of section ${i + 1}`}
                      className="min-h-11 min-w-0 bg-transparent"
                      value={s.lining}
                      onChange={(e) => setSection(i, { lining: e.target.value as LiningId })}
                    >
                      {LINING_IDS.map((id) => (
                        <option key={id} value={id}>
                          {LININGS[id].name}
                        </option>
                      ))}
                    </select>
                    <span className="grow" />
                    {sections.length > 1 && (
                      <button
                        type="button"
                        className="min-h-11 underline underline-offset-4"
                        onClick={() => change({ sections: sections.filter((_, k) => k !== i) })}
                      >
                        drop section {i + 1}
                      </button>
                    )}
                  </div>
                </fieldset>
              ))}
              <Button
                look="quiet"
                onClick={() => {
                  const last = sections.at(-1);
                  if (last)
                    change({
                      sections: [
                        ...sections,
                        {
                          ...last,
                          key: uuidv7(),
                          name: '',
                          to: { ...last.to, text: '' },
                          gold: { ...last.gold, text: '' },
                        },
                      ],
                    });
                }}
              >
                Another section
              </Button>
            </Block>
          </div>
          <div className="flex flex-col gap-4">
            {split && drawn && (
              <Block title="Where it lay" aside="weight for its length of box; dashed: the fitted fall-off">
                <SplitDrawing sections={drawn} split={split} />
              </Block>
            )}
            <Block title="Before the next ground">
              <p className="mb-1 text-[13px] text-ink-2">
                Was the box rinsed clean, carpets too? If not, the next spot gets this one’s gold.
              </p>
              <Choices
                label="Rinsed clean?"
                value={draft.rinsed}
                onChange={(rinsed) => change({ rinsed })}
                choices={[
                  { value: 'yes', label: 'rinsed clean' },
                  { value: 'no', label: 'not yet' },
                  { value: 'unknown', label: 'not sure' },
                ]}
              />
              <div className="mt-3 grid grid-cols-1 gap-x-4 sm:grid-cols-2">
                <QuantityField
                  label="Black sand, dry"
                  entered={draft.blackSand}
                  reading={inHand.blackSand ?? { ok: true, value: 0 }}
                  units={['g', 'kg', 'oz', 'lb']}
                  optional
                  onChange={(blackSand) => change({ blackSand })}
                  problem={inHand.blackSand && !inHand.blackSand.ok ? inHand.blackSand.problem : null}
                />
                <TextField label="Remarks" value={draft.note} onChange={(note) => change({ note })} rows={2} />
              </div>
              <Button look="main" type="submit" className="mt-1 min-h-14 w-full text-[18px]">
                Write it in the book
              </Button>
              <p role="alert" className="min-h-5 text-[12.5px] text-danger">
                {tried &&
                  !inHand.record(ground) &&
                  '▲ Not written yet: see the fields marked. A section without gold is 0.'}
              </p>
              <Caution quiet>
                No mercury, ever; found amalgam goes to licensed hands. Dry concentrate outdoors: fumes and silica dust
                harm.
              </Caution>
            </Block>
          </div>
        </form>
      ) : (
        <p>
          <Link className="underline underline-offset-4" to={`/g/${ground.id}/run`}>
            Start a run
          </Link>
        </p>
      )}
      {cleanups.length > 0 && (
        <Block title="Cleaned up before">
          <PastCleanups cleanups={cleanups} />
        </Block>
      )}
    </div>
  );
}

function PastCleanups({ cleanups }: { cleanups: readonly StoredCleanup[] }) {
  const show = useShow();
  const { takeOut } = useKeep('cleanups');
  return (
    <ul className="grid grid-cols-1 gap-x-10 lg:grid-cols-2">
      {[...cleanups]
        .sort((a, b) => (a.cleanedAt < b.cleanedAt ? 1 : -1))
        .map((c) => (
          <li key={c.id} className="flex items-center gap-3 border-b border-rule py-1">
            <span className="w-14 shrink-0 text-ink-2">{format(new Date(c.cleanedAt), 'd MMM')}</span>
            <span className="min-w-0 grow">
              <b className="text-gold">{show.gold(c.sections.reduce((sum, s) => sum + s.gold_mg, 0))}</b> in{' '}
              {plural(c.sections.length, 'section')}
              {c.rinsedClean === 'no' && ', box not rinsed'}
              {c.note && <span className="block text-[13px] text-ink-2">{c.note}</span>}
            </span>
            <button
              type="button"
              className="min-h-11 shrink-0 text-[13px] text-ink-2 underline underline-offset-4"
              aria-label={`Take out the clean-up of ${format(new Date(c.cleanedAt), 'd MMM')}`}
              onClick={() => takeOut(c, 'Taken out of the book; its runs wait again.')}
            >
              take out
            </button>
          </li>
        ))}
    </ul>
  );
}
