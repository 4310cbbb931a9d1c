import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { Field } from '../ui/Field.tsx';

interface ChooseTableProps {
  /** What stands in a row, in words. */
  readonly says: string;
  readonly largest_MB: number;
  /** Why what was read last is none; null: nothing was read yet. */
  readonly problem: string | null;
  readonly onText: (text: string) => void;
}

/** A table from a file, or pasted out of a spreadsheet. */
export function ChooseTable({ says, largest_MB, problem, onText }: ChooseTableProps) {
  const [text, setText] = useState('');
  const [isTooLarge, setTooLarge] = useState(false);
  const wrong = isTooLarge ? `More than ${largest_MB} MB: part the file.` : problem;
  return (
    <div className="flex flex-col gap-3">
      <p>{says}</p>
      <Field label="A CSV file">
        {(ids) => (
          <input
            {...ids}
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            className="written w-full"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (!file) return;
              const fits = file.size <= largest_MB * 1024 * 1024;
              setTooLarge(!fits);
              if (fits) void file.text().then(onText);
            }}
          />
        )}
      </Field>
      <Field label="or cells pasted from a spreadsheet">
        {(ids) => (
          <textarea
            {...ids}
            rows={6}
            className="written w-full"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        )}
      </Field>
      {wrong && (
        <p role="alert" className="text-danger">
          ▲ {wrong}
        </p>
      )}
      <Button
        look="main"
        disabled={text.trim() === ''}
        onClick={() => {
          setTooLarge(false);
          onText(text);
        }}
      >
        Read what is pasted
      </Button>
    </div>
  );
}
