import { useState, type ReactNode } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { plural } from '../../ui/plural.ts';

interface FromFileProps {
  /** What the file is, with its columns. */
  readonly label: string;
  /** A simulated device that sends the same. */
  readonly device: { readonly label: string; readonly url: string; readonly away: string };
  /** Reads what came; what it throws is said at the field. */
  readonly take: (text: string) => Promise<void>;
  /** What came, to be looked at before it is kept. */
  readonly children: ReactNode;
}

/** Readings from a file, or from the device that stands in for a real one: seen first, kept on a press. */
export function FromFile({ label, device, take, children }: FromFileProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const bring = async (text: Promise<string>): Promise<void> => {
    setProblem(null);
    try {
      await take(await text);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const ask = async (): Promise<string> => {
    const answer = await fetch(device.url).catch(() => null);
    if (!answer?.ok) throw new Error(device.away);
    return answer.text();
  };
  return (
    <section className="mt-4 border-t-2 border-ink pt-3">
      <Field label={label} problem={problem}>
        {(ids) => (
          <input
            {...ids}
            type="file"
            accept=".csv,.txt,text/csv"
            className="written w-full"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void bring(file.text());
              e.target.value = '';
            }}
          />
        )}
      </Field>
      <Button look="quiet" onClick={() => void bring(ask())}>
        {device.label}
      </Button>
      {children}
    </section>
  );
}

/** Lines of the file that could not be read, the first with its reason. */
export const LeftOut = ({ lines }: { lines: readonly { readonly line: number; readonly why: string }[] }) =>
  lines[0] ? (
    <p className="mb-2 text-danger">
      ▲ {plural(lines.length, 'line')} left out; line {lines[0].line}: {lines[0].why}.
    </p>
  ) : null;
