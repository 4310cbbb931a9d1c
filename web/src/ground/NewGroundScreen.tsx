import { NUMBERS, numberProblem, textProblem, TEXTS, type GroundFile, type StoredGround } from '@riffle/contract';
import { grouped, DEFAULT_SWELL_PERCENT, type Entered } from '@riffle/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { plural } from '../ui/plural.ts';
import { call, Refused } from '../api/client.ts';
import { listKey } from '../offline/landing.ts';
import { useKeep } from '../records/useKeep.ts';
import { readEntered } from '../units/readEntered.ts';
import { useShow } from '../units/useShow.ts';
import { Button } from '../ui/Button.tsx';
import { Choices } from '../ui/Choices.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { Block, Judgement } from '../ui/Judgement.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { useDraft } from '../ui/useDraft.ts';
import { LinePlan } from './LinePlan.tsx';

const KINDS = [
  { value: 'creek', label: 'Creek' },
  { value: 'wash', label: 'Dry wash' },
  { value: 'beach', label: 'Beach' },
  { value: 'bench', label: 'Bench' },
  { value: 'hillside', label: 'Hillside, on a grid' },
] as const;
const LARGEST_BYTES = 32 * 1024 * 1024;

interface FileInHand {
  readonly id: string;
  readonly file: File;
  readonly read: GroundFile;
}

/** A ground begins with a file, or with a name and a length. */
export function NewGroundScreen() {
  const [inHand, setInHand] = useState<FileInHand | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState(false);

  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setProblem(null);
    if (file.size > LARGEST_BYTES) {
      setProblem(
        `“${file.name}” is ${Math.round(file.size / 1024 / 1024)} MB; the most is 32 MB. Save the track alone, without pictures or other layers, and drop it again.`,
      );
      return;
    }
    setReading(true);
    try {
      setInHand({ id: uuidv7(), file, read: await call<GroundFile>('POST', '/ground-files', file) });
    } catch (error) {
      setProblem(
        `“${file.name}”: ${!(error instanceof Refused) ? 'the server cannot be reached. The file was not changed; drop it again when it is back.' : (error as Error).message}`,
      );
    } finally {
      setReading(false);
    }
  };

  if (inHand) return <FileSheet key={inHand.id} {...inHand} onBack={() => setInHand(null)} />;
  return (
    <div className="flex max-w-4xl flex-col gap-7 pt-3">
      <Judgement rests="GPX, KML or KMZ, GeoJSON, or the log of a receiver (NMEA 0183). A track or line becomes the centre line, way points become spots. Nothing is stored until you have seen it.">
        Bring in a ground: drop the walk as a file, or type it.
      </Judgement>
      <FileDrop onFile={(f) => void take(f)} reading={reading} problem={problem} />
      <TypedGround />
    </div>
  );
}

function FileDrop({
  onFile,
  reading,
  problem,
}: {
  onFile: (file: File | undefined) => void;
  reading: boolean;
  problem: string | null;
}) {
  const [over, setOver] = useState(false);
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    onFile(event.dataTransfer.files[0]);
  };
  return (
    <div>
      <label
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={onDrop}
        className={`relative grid min-h-44 cursor-pointer place-items-center border-y-2 border-ink px-4 text-center focus-within:outline-3 focus-within:outline-water ${over ? 'bg-gold-band' : 'bg-picked'}`}
      >
        <svg
          viewBox="0 0 600 90"
          className="pointer-events-none absolute inset-x-0 top-3 w-full opacity-50"
          aria-hidden="true"
        >
          <path
            d="M0 60C80 10 130 80 210 48S330 10 400 46s120 20 200-14"
            fill="none"
            stroke="var(--water)"
            strokeWidth="2"
            strokeDasharray="10 7"
          />
        </svg>
        <span className="relative">
          <span className="block font-serif text-[20px] font-semibold">
            {reading ? 'Reading the file ...' : 'Drop the file of a walk here'}
          </span>
          <span className="underline underline-offset-4">or choose one</span>
        </span>
        <input
          type="file"
          className="sr-only"
          accept=".gpx,.kml,.kmz,.geojson,.json,.xml,.nmea,.nma,.log,.txt"
          aria-label="Choose the file of a walk"
          onChange={(e) => {
            onFile(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </label>
      <p role="alert" className="mt-2 min-h-6 text-danger">
        {problem && `▲ ${problem}`}
      </p>
    </div>
  );
}

/** What the file holds, drawn, with what only the person can know: its name and which way the water runs. */
function FileSheet({ id, file, read, onBack }: FileInHand & { onBack: () => void }) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const show = useShow();
  const [name, setName] = useState(read.name || file.name.replace(/\.[^.]+$/, ''));
  const [kind, setKind] = useState<GroundFile['kind']>(read.kind);
  const [flow, setFlow] = useState<GroundFile['flow']>(read.flow);
  const [problem, setProblem] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const [saving, setSaving] = useState(false);

  const save = async (): Promise<void> => {
    setTried(true);
    if (name.trim() === '' || flow === 'unknown' || saving) return;
    setSaving(true);
    try {
      const query = new URLSearchParams({ name: name.trim(), kind, flow });
      const ground = await call<StoredGround>('PUT', `/grounds/${id}/from-file?${query.toString()}`, file);
      client.setQueryData<StoredGround[]>(listKey('grounds', ''), (list) => [...(list ?? []), ground]);
      await navigate(`/g/${ground.id}/read`);
    } catch (error) {
      setProblem(
        !(error instanceof Refused)
          ? 'The server cannot be reached. Nothing was stored; press again when it is back.'
          : (error as Error).message,
      );
      setSaving(false);
    }
  };
  return (
    <div className="flex flex-col gap-5 pt-3">
      <Judgement rests={`${file.name}, ${read.format}. ${read.warnings.join(' ')}`}>
        {show.distance(read.length_m)} of {kind}, {grouped(read.linePoints)} points,{' '}
        {read.spots.length === 0 ? 'no spots yet' : plural(read.spots.length, 'spot')}.
      </Judgement>
      <div className="grid grid-cols-1 gap-8 lg:grid-cols-[1fr_22rem]">
        <LinePlan line={read.line} spots={read.spots} flow={flow} />
        <form
          className="flex flex-col gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            void save();
          }}
        >
          <TextField
            label="Name of the ground"
            value={name}
            onChange={setName}
            problem={tried && name.trim() === '' ? 'Give it a name.' : null}
          />
          <SelectField
            label="Kind"
            value={kind}
            choices={KINDS}
            onChange={(k) => {
              setKind(k);
              if (k === 'beach') setFlow('unknown');
            }}
          />
          <div>
            {kind === 'beach' ? (
              <>
                {/* The sea takes the place of the right bank, looking down the line: so which side it lies on is the same question. */}
                <p className="mb-1 text-[13px] text-ink-2">Walking from A to B, the sea is</p>
                <Choices
                  label="Side of the sea"
                  value={flow}
                  onChange={setFlow}
                  choices={[
                    { value: 'against', label: 'on the left' },
                    { value: 'as drawn', label: 'on the right' },
                  ]}
                />
              </>
            ) : (
              <>
                <p className="mb-1 text-[13px] text-ink-2">
                  {read.flow === 'unknown'
                    ? 'Which way does the water run? The file does not tell.'
                    : 'The water runs (from the file; change it if wrong)'}
                </p>
                <Choices
                  label="Direction of flow"
                  value={flow}
                  onChange={setFlow}
                  choices={[
                    { value: 'as drawn', label: 'A to B' },
                    { value: 'against', label: 'B to A' },
                  ]}
                />
              </>
            )}
            <p className="min-h-5 text-[12.5px] text-danger">
              {tried &&
                flow === 'unknown' &&
                (kind === 'beach'
                  ? '▲ Say on which side the sea is.'
                  : '▲ Say which way the water runs: left and right bank depend on it.')}
            </p>
          </div>
          <div className="flex flex-wrap gap-3">
            <Button look="main" type="submit" disabled={saving}>
              {saving ? 'Keeping ...' : 'Keep this ground'}
            </Button>
            <Button look="quiet" onClick={onBack}>
              Another file
            </Button>
          </div>
          <p role="alert" className="min-h-6 text-danger">
            {problem && `▲ ${problem}`}
          </p>
        </form>
      </div>
    </div>
  );
}

interface TypedDraft {
  readonly name: string;
  readonly kind: GroundFile['kind'];
  readonly length: Entered;
}

function TypedGround() {
  const navigate = useNavigate();
  const { add } = useKeep('grounds');
  const [draft, setDraft, clear] = useDraft<TypedDraft>('ground', () => ({
    name: '',
    kind: 'creek',
    length: { text: '', unit: 'm' },
  }));
  const [tried, setTried] = useState(false);
  const length = readEntered('length', draft.length);
  const wrongLength = length.ok ? numberProblem(NUMBERS.typedLength_m, length.value) : null;
  const wrongName = textProblem(TEXTS.name, draft.name);
  const save = (): void => {
    setTried(true);
    if (wrongName || !length.ok || wrongLength) return;
    const id = add({
      name: draft.name.trim(),
      kind: draft.kind,
      length_m: length.value,
      swell_percent: DEFAULT_SWELL_PERCENT,
      note: '',
      tide: null,
      profile: [],
      joins: null,
    });
    clear();
    void navigate(`/g/${id}/read`);
  };
  return (
    <Block title="Or type it" aside="no map, no file: spots then stand at their distance">
      <form
        className="grid grid-cols-1 items-start gap-x-4 gap-y-1 sm:grid-cols-[1fr_10rem_14rem_auto]"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <TextField
          label="Name"
          value={draft.name}
          onChange={(name) => setDraft({ ...draft, name })}
          limit={TEXTS.name}
          problem={tried ? wrongName : null}
        />
        <SelectField
          label="Kind"
          value={draft.kind}
          choices={KINDS}
          onChange={(kind) => setDraft({ ...draft, kind })}
        />
        <QuantityField
          label="Length"
          entered={draft.length}
          reading={length}
          units={['m', 'km', 'ft', 'mi']}
          showProblem={tried}
          problem={wrongLength}
          onChange={(l) => setDraft({ ...draft, length: l })}
        />
        <Button type="submit" className="mt-5">
          Start this ground
        </Button>
      </form>
    </Block>
  );
}
