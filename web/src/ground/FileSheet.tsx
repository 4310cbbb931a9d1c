import { SPOT_KINDS, type GroundFile, type StoredGround } from '@riffle/contract';
import { grouped, isNoDig } from '@riffle/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { call, Refused } from '../api/client.ts';
import { spokenMany, type Kind } from '../api/kinds.ts';
import { listKey } from '../offline/landing.ts';
import { Button } from '../ui/Button.tsx';
import { Choices } from '../ui/Choices.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { Judgement } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { useShow } from '../units/useShow.ts';
import { ChooseColumns } from './ChooseColumns.tsx';
import { GROUND_KIND_CHOICES } from './groundWords.ts';
import { LinePlan } from './LinePlan.tsx';
import type { FileInHand, FileReading } from './useGroundFile.ts';
import { deviceZone } from '../when/localTime.ts';

interface FileSheetProps extends FileInHand {
  /** Reads the file another way; null: asks again which of its lines is meant. */
  readonly onRead: (choices: FileReading | null) => void;
  readonly onBack: () => void;
}

/** What a file holds beside its line: "14 spots, 8 signs and 43 samples". */
function heldWords({ holds, spots }: GroundFile): string {
  const others = Object.entries(holds).filter(([kind]) => kind !== 'spots');
  const parts = [
    spots.length === 0 ? 'no spots yet' : plural(spots.length, 'spot'),
    ...others.map(([kind, n]) => `${grouped(n)} ${spokenMany(kind as Kind)}`),
  ];
  return parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? '');
}

/** What the file holds, drawn, with what only the person can know: its name and which way the water runs. */
export function FileSheet({ id, file, read, choices, onRead, onBack }: FileSheetProps) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const show = useShow();
  const [name, setName] = useState(read.name || file.name.replace(/\.[^.]+$/, ''));
  const [kind, setKind] = useState<GroundFile['kind']>(read.kind);
  const [flow, setFlow] = useState<GroundFile['flow']>(read.flow);
  const [kinds, setKinds] = useState(() => read.spots.map((s) => s.kind));
  const [problem, setProblem] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const [saving, setSaving] = useState(false);

  const save = async (): Promise<void> => {
    setTried(true);
    if (name.trim() === '' || flow === 'unknown' || saving) return;
    setSaving(true);
    try {
      const query = new URLSearchParams({
        ...choices,
        name: name.trim(),
        kind,
        flow,
        timeZone: deviceZone(),
        spotKinds: kinds.join(','),
      });
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
        {show.distance(read.length_m)} of {kind}, {grouped(read.linePoints)} points, {heldWords(read)}.
      </Judgement>
      {read.columns && <ChooseColumns columns={read.columns.all} taken={read.columns} onChoose={onRead} />}
      <div className="grid grid-cols-1 gap-8 lg:grid-cols-[1fr_22rem]">
        <div className="flex min-w-0 flex-col gap-5">
          <LinePlan line={read.line} spots={read.spots} flow={flow} />
          {read.spots.length > 0 && !('signs' in read.holds) && !('samples' in read.holds) && (
            <WayPoints
              spots={read.spots}
              kinds={kinds}
              onKind={(i, to) => setKinds((before) => before.map((k, j) => (i === j ? to : k)))}
            />
          )}
        </div>
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
            choices={GROUND_KIND_CHOICES}
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
            {read.stretches.length > 1 && (
              <Button look="quiet" onClick={() => onRead(null)}>
                Another line of this file
              </Button>
            )}
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

type SpotKind = GroundFile['spots'][number]['kind'];

/** What a spot's kind is called where one says what a way point is. */
const KIND_WORDS: Partial<Record<SpotKind, string>> = { other: 'a place to dig', mark: 'a mark, nothing to dig' };

/** What each way point is: only places to dig are ranked. */
function WayPoints({
  spots,
  kinds,
  onKind,
}: {
  spots: GroundFile['spots'];
  kinds: readonly SpotKind[];
  onKind: (i: number, kind: SpotKind) => void;
}) {
  const show = useShow();
  const dug = kinds.filter((k) => !isNoDig(k)).length;
  return (
    <section aria-label="Way points">
      <h2 className="border-b border-rule pb-1">What each way point is</h2>
      <p className="my-1 text-[13px] text-ink-2">
        {dug === kinds.length ? 'All are' : `${dug} of ${kinds.length} are`} ranked as places to dig; a camp or a mark
        is not.
      </p>
      <ul className="max-h-80 overflow-y-auto">
        {spots.map((s, i) => (
          <li key={i} className="flex items-center justify-between gap-3 border-b border-rule py-1">
            <span className="min-w-0 truncate">
              <b>{s.name}</b> {show.distance(s.distanceAlong_m)}
            </span>
            <select
              aria-label={`What ${s.name} is`}
              className="written max-w-48"
              value={kinds[i]}
              onChange={(e) => onKind(i, e.target.value as SpotKind)}
            >
              {['other' as const, ...SPOT_KINDS.filter((k) => k !== 'other')].map((k) => (
                <option key={k} value={k}>
                  {KIND_WORDS[k] ?? k}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
    </section>
  );
}
