import { useState } from 'react';
import { spokenField, withMended, wrongFields } from '../offline/mending.ts';
import { giveUp, sendAgain } from '../offline/decide.ts';
import type { RefusedWrite } from '../offline/outbox.ts';
import { Button } from '../ui/Button.tsx';
import { TextField } from '../ui/Field.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { describeWrite } from './describeWrite.ts';
import { TwoCopies, twoCopies } from './TwoCopies.tsx';

interface RefusedSheetProps {
  readonly refused: readonly RefusedWrite[];
  readonly onClose: () => void;
}

/** What the server refused, each with its reason, kept until the person mends it or decides. */
export function RefusedSheet({ refused, onClose }: RefusedSheetProps) {
  return (
    <Sheet title="Refused, and kept here" onClose={onClose}>
      <ul className="flex flex-col gap-4">
        {refused.map((one) => (
          <li key={one.place} className="border-t border-rule pt-3">
            <Refused refused={one} />
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

function Refused({ refused }: { refused: RefusedWrite }) {
  const copies = twoCopies(refused);
  return copies ? <TwoCopies refused={refused} {...copies} /> : <ToMend refused={refused} />;
}

function ToMend({ refused }: { refused: RefusedWrite }) {
  const { write, problem } = refused;
  const wrong = wrongFields(refused);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [tried, setTried] = useState(false);
  const isNumber = (value: string | number | null): boolean => typeof value === 'number';
  const badNumber = (path: string, value: string | number | null): boolean =>
    isNumber(value) && typed[path] !== undefined && !Number.isFinite(Number(typed[path].trim() || NaN));

  const send = (): void => {
    setTried(true);
    if (wrong.some((f) => badNumber(f.path, f.value))) return;
    const mended = wrong.reduce(
      (w, { path, value }) =>
        typed[path] === undefined ? w : withMended(w, path, isNumber(value) ? Number(typed[path]) : typed[path]),
      write,
    );
    void sendAgain(refused, mended);
  };
  return (
    <>
      <p className="font-semibold">{describeWrite(write)}</p>
      {wrong.length === 0 && <p className="text-danger">{problem.detail}</p>}
      {wrong.map(({ path, message, value }) => (
        <TextField
          key={path}
          label={spokenField(path)}
          value={typed[path] ?? String(value ?? '')}
          problem={tried && badNumber(path, value) ? 'Write a number.' : message}
          onChange={(text) => setTyped({ ...typed, [path]: text })}
        />
      ))}
      <div className="mt-2 flex gap-2">
        <Button onClick={send}>{Object.keys(typed).length > 0 ? 'Send it mended' : 'Send mine again'}</Button>
        <Button look="danger" onClick={() => void giveUp(refused)}>
          Drop mine
        </Button>
      </div>
    </>
  );
}
