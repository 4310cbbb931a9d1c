import {
  NUMBERS,
  numberProblem,
  textProblems,
  TEXTS,
  type StoredGround,
  type StoredLot,
  type StoredSpot,
} from '@riffle/contract';
import { WET_GRAVEL_KG_L, type Entered } from '@riffle/core';
import { useState } from 'react';
import { useContainers } from '../records/useContainers.ts';
import { useKeep } from '../records/useKeep.ts';
import { useRecords } from '../records/useRecords.ts';
import { useRecordsOfAll } from '../records/useRecordsOfAll.ts';
import { asTyped, readVolume } from '../units/readEntered.ts';
import { useShow } from '../units/useShow.ts';
import { Button } from '../ui/Button.tsx';
import { fromTheFootUp } from '../ground/SpotSelect.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { Block } from '../ui/Judgement.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { FormSheet } from '../ui/Sheet.tsx';

const LOT_TEXTS = {
  tag: TEXTS.tag,
  layer: TEXTS.layer,
  screen: TEXTS.screenSaid,
  place: TEXTS.place,
  holder: TEXTS.holder,
};

const ENDS = [
  ['panned', 'Panned'],
  ['run', 'Run'],
  ['lost', 'Lost'],
] as const;

/** Bags dug and not yet panned: whose, from where, where they are. A bag keeps its origin until it is panned or run. */
export function Lots({ ground, spots }: { ground: StoredGround; spots: readonly StoredSpot[] }) {
  const keep = useKeep('lots');
  const show = useShow();
  const lots = useRecords('lots', ground.id).items;
  // No two bags of the crew share a tag, on whatever ground.
  const everyLot = useRecordsOfAll('lots').items;
  const waiting = lots.filter((l) => l.state === 'waiting');
  const [open, setOpen] = useState(false);
  const end = (lot: StoredLot, state: StoredLot['state']): void =>
    keep.change(lot, { state }, `${lot.tag} is ${state}.`);
  return (
    <Block
      title="Bags not panned yet"
      aside={waiting.length > 0 && show.load(waiting.reduce((sum, l) => sum + l.volume_L, 0) * WET_GRAVEL_KG_L)}
    >
      <ul>
        {waiting.map((l) => (
          <li key={l.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1">
            <span className="min-w-0 grow">
              <b>{l.tag}</b> {asTyped(l.volumeEntered)} from{' '}
              {l.spotId === null
                ? 'several spots: no grade for any'
                : (spots.find((s) => s.id === l.spotId)?.name ?? 'a spot since removed')}
              {l.layer && `, ${l.layer}`}
              {(l.place || l.holder) && (
                <span className="block text-[13px] text-ink-2">
                  {[l.place, l.holder && `with ${l.holder}`].filter(Boolean).join(', ')}
                </span>
              )}
            </span>
            <span className="no-print">
              {ENDS.map(([state, label]) => (
                <button
                  key={state}
                  type="button"
                  className="min-h-11 px-1.5 text-[13px] underline underline-offset-4"
                  aria-label={`${l.tag}: ${label.toLowerCase()}`}
                  onClick={() => end(l, state)}
                >
                  {label}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {waiting.length === 0 && <p className="text-ink-2">None.</p>}
      <Button look="quiet" className="no-print" onClick={() => setOpen(true)}>
        A bag to carry off ...
      </Button>
      {open && (
        <LotSheet ground={ground} spots={spots} taken={everyLot.map((l) => l.tag)} onClose={() => setOpen(false)} />
      )}
    </Block>
  );
}

/** The next free tag: the ground's first letter and a number. */
function nextTag(ground: StoredGround, taken: readonly string[]): string {
  const letter = ground.name.charAt(0).toUpperCase();
  for (let n = taken.length + 1; ; n++) if (!taken.includes(`${letter}-${n}`)) return `${letter}-${n}`;
}

function LotSheet({
  ground,
  spots,
  taken,
  onClose,
}: {
  ground: StoredGround;
  spots: readonly StoredSpot[];
  taken: readonly string[];
  onClose: () => void;
}) {
  const { add } = useKeep('lots');
  const containers = useContainers();
  const show = useShow();
  const [tag, setTag] = useState(() => nextTag(ground, taken));
  const [spotId, setSpotId] = useState('');
  const [volume, setVolume] = useState<Entered>({ text: '1', unit: 'bucket' });
  const [layer, setLayer] = useState('');
  const [screen, setScreen] = useState('');
  const [place, setPlace] = useState('');
  const [holder, setHolder] = useState('');
  const [tried, setTried] = useState(false);
  const reading = readVolume(volume, containers);
  const wrong = textProblems(LOT_TEXTS, { tag, layer, screen, place, holder });
  const tagProblem = wrong.tag ?? (taken.includes(tag.trim()) ? 'Another bag has this tag already.' : null);
  const volumeProblem = reading.ok ? numberProblem(NUMBERS.bagVolume_L, reading.value) : null;
  const keep = (): void => {
    setTried(true);
    if (Object.keys(wrong).length > 0 || tagProblem || !reading.ok || volumeProblem || spotId === '') return;
    add({
      groundId: ground.id,
      spotId: spotId === 'several' ? null : spotId,
      tag: tag.trim(),
      layer: layer.trim(),
      volume_L: reading.value,
      volumeEntered: volume,
      screen: screen.trim(),
      takenAt: new Date().toISOString(),
      state: 'waiting',
      place: place.trim(),
      holder: holder.trim(),
      samplePlanId: null,
      fromDepth_m: null,
      toDepth_m: null,
      note: '',
    });
    onClose();
  };
  return (
    <FormSheet title="A bag on its way" onClose={onClose} onSave={keep} tight>
      <TextField
        label="Tag on the bag"
        value={tag}
        onChange={setTag}
        limit={TEXTS.tag}
        problem={tried ? tagProblem : null}
        hint="Write it on the bag too; it names no place."
      />
      <SelectField
        label="From"
        value={spotId}
        onChange={setSpotId}
        problem={tried && spotId === '' ? 'Say where it was dug.' : null}
        choices={[
          { value: '', label: 'Pick one' },
          ...fromTheFootUp(spots).map((s) => ({ value: s.id, label: s.name })),
          { value: 'several', label: 'several spots, mixed' },
        ]}
      />
      {spotId === 'several' && (
        <p className="text-[13px] text-ink-2">A mixed bag gives no grade for any of its spots.</p>
      )}
      <QuantityField
        label="How much"
        entered={volume}
        reading={reading}
        units={['bucket', 'pan', 'L', 'gal', 'double handful']}
        showProblem={tried}
        problem={volumeProblem}
        comesTo={reading.ok && `${show.volume(reading.value)}, about ${show.load(reading.value * WET_GRAVEL_KG_L)} wet`}
        onChange={setVolume}
      />
      <TextField label="Layer" value={layer} onChange={setLayer} limit={TEXTS.layer} />
      <TextField
        label="Screen it went through"
        value={screen}
        onChange={setScreen}
        limit={TEXTS.screenSaid}
        hint="8 mesh, 1/4 in slots; empty: none"
      />
      <TextField label="Where it is" value={place} onChange={setPlace} limit={TEXTS.place} />
      <TextField label="With whom" value={holder} onChange={setHolder} limit={TEXTS.holder} />
      <Button look="main" type="submit">
        Keep it
      </Button>
    </FormSheet>
  );
}
