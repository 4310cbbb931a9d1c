import { textProblem, TEXTS, type StoredGround, type StoredPermission } from '@riffle/contract';
import { useState } from 'react';
import { useRecords } from '../../records/useRecords.ts';
import { daysWords } from '../../ground/permissionDays.ts';
import { Photos } from '../../photos/Photos.tsx';
import { useKeep } from '../../records/useKeep.ts';
import { Button } from '../../ui/Button.tsx';
import { Checkbox } from '../../ui/Checkbox.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { isDay } from '../../when/readWhen.ts';
import { DayField } from '../../when/WhenField.tsx';
import { TextButton } from '../../ui/TextButton.tsx';

type Kind = StoredPermission['kind'];
const blank = { name: '', kind: 'permit' as Kind, from: '', to: '', everyYear: false };

/** Claims, permits and closed seasons of a ground: listed, added, taken out. */
export function PermissionList({ ground }: { ground: StoredGround }) {
  const { put, takeOut } = useKeep('permissions');
  const notes = useRecords('permissions', ground.id).items;
  const [draft, setDraft] = useState(blank);
  const [tried, setTried] = useState(false);
  /** A note of the list that is put right; null: a new one. */
  const [mended, setMended] = useState<StoredPermission | null>(null);
  const isSeason = draft.kind === 'closed season';
  const everyYear = isSeason && draft.everyYear;
  const nameProblem = textProblem(TEXTS.name, draft.name);
  const dayProblem =
    everyYear && (draft.from === '' || draft.to === '')
      ? 'What comes every year needs its first and last day.'
      : !everyYear && draft.from !== '' && draft.to !== '' && draft.from > draft.to
        ? 'It ends before it begins.'
        : null;
  const keep = (): void => {
    setTried(true);
    const isUnread = [draft.from, draft.to].some((d) => d !== '' && !isDay(d));
    if (nameProblem || dayProblem || isUnread) return;
    put(mended, {
      groundId: ground.id,
      name: draft.name.trim(),
      kind: draft.kind,
      from: draft.from || null,
      to: draft.to || null,
      everyYear,
      note: mended?.note ?? '',
    });
    setMended(null);
    setDraft(blank);
    setTried(false);
  };
  const remove = (p: StoredPermission): void => takeOut(p, `${p.name} is taken out.`);
  return (
    <section className="mt-5 border-t-2 border-ink pt-3">
      <h3 className="text-[15px]">Permission</h3>
      <p className="mb-2 text-[13px] text-ink-2">
        What you wrote down, told on its day. No legal advice: local law and the land’s owner decide.
      </p>
      <ul>
        {notes.map((n) => (
          <li key={n.id} className="flex flex-wrap items-start gap-x-3 border-b border-rule py-2">
            <div className="min-w-0 grow">
              <b>{n.name}</b>
              <span className="mb-1 block text-[13px] text-ink-2">
                {n.kind}
                {daysWords(n)}
              </span>
              <Photos groundId={ground.id} about="permission" aboutId={n.id} what="paper" />
            </div>
            <TextButton
              aria-label={`Put right ${n.name}`}
              onClick={() => {
                setMended(n);
                setDraft({ name: n.name, kind: n.kind, from: n.from ?? '', to: n.to ?? '', everyYear: n.everyYear });
              }}
            >
              put right
            </TextButton>
            <TextButton aria-label={`Take out ${n.name}`} onClick={() => remove(n)}>
              take out
            </TextButton>
          </li>
        ))}
      </ul>
      <form
        className="mt-3 flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <Choices
          label="Kind of permission"
          value={draft.kind}
          onChange={(kind) => setDraft({ ...draft, kind })}
          choices={(['permit', 'claim', 'closed season'] as const).map((k) => ({ value: k, label: k }))}
        />
        <TextField
          label="What it is"
          value={draft.name}
          onChange={(name) => setDraft({ ...draft, name })}
          limit={TEXTS.name}
          problem={tried ? nameProblem : null}
        />
        <div className="grid grid-cols-2 gap-x-4">
          <DayField
            label="First day"
            value={draft.from}
            onChange={(from) => setDraft({ ...draft, from })}
            problem={tried ? dayProblem : null}
          />
          <DayField label="Last day" value={draft.to} onChange={(to) => setDraft({ ...draft, to })} />
        </div>
        {isSeason && (
          <Checkbox checked={draft.everyYear} onChange={(yes) => setDraft({ ...draft, everyYear: yes })}>
            every year
          </Checkbox>
        )}
        <Button type="submit">{mended ? `Keep ${mended.name} so` : 'Write it down'}</Button>
        {mended && (
          <TextButton
            onClick={() => {
              setMended(null);
              setDraft(blank);
            }}
          >
            leave it as it was
          </TextButton>
        )}
      </form>
    </section>
  );
}
