import { TEXTS, type StoredAttachment } from '@riffle/contract';
import { useKeep } from '../records/useKeep.ts';
import { useEffect, useMemo, useState } from 'react';
import { useRecords } from '../records/useRecords.ts';
import { useWaiting, useWrite } from '../offline/outbox.ts';
import { fileAddress } from '../offline/sendWrite.ts';
import { TextButton } from '../ui/TextButton.tsx';
import { useLocalTime } from '../when/useLocalTime.ts';

interface PhotosProps {
  readonly groundId: string;
  readonly about: StoredAttachment['about'];
  readonly aboutId: string;
  /** "photo", or "paper" where a PDF may come too. */
  readonly what?: 'photo' | 'paper';
  /** Called with the place a picture was taken at, when the camera wrote it down. */
  readonly onPlace?: (position: [number, number]) => void;
}

/** Pictures and papers of one thing: seen, added, taken out. They are kept on this device until there is a signal. */
export function Photos({ groundId, about, aboutId, what = 'photo', onPlace }: PhotosProps) {
  const write = useWrite();
  const local = useLocalTime();
  const { add: addRecord, takeOut } = useKeep('attachments');
  const all = useRecords('attachments', groundId).items;
  const mine = all.filter((a) => a.about === about && a.aboutId === aboutId);
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState(false);

  const add = async (files: FileList | null): Promise<void> => {
    setProblem(null);
    setReading(true);
    for (const file of files ?? []) {
      try {
        const { readPhoto } = await import('./readPhoto.ts');
        const { bytes, position, ...ready } = await readPhoto(file, local);
        const id = addRecord({
          groundId,
          about,
          aboutId,
          name: file.name.slice(0, TEXTS.fileName.longest) || what,
          position,
          note: '',
          ...ready,
        });
        write({ what: 'file', groundId, attachmentId: id, bytes });
        if (position) onPlace?.(position);
      } catch (error) {
        setProblem((error as Error).message);
      }
    }
    setReading(false);
  };
  return (
    <div>
      {mine.length > 0 && (
        <ul className="mb-2 flex flex-wrap gap-2">
          {mine.map((a) => (
            <Shown key={a.id} attachment={a} onRemove={() => takeOut(a, `${a.name} is taken out.`)} />
          ))}
        </ul>
      )}
      <label className="inline-flex min-h-11 cursor-pointer items-center gap-2 border-2 border-ink px-4 focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-water">
        {reading ? 'Reading ...' : `Add a ${what}`}
        <input
          type="file"
          multiple
          className="sr-only"
          accept={what === 'paper' ? 'image/*,application/pdf' : 'image/*'}
          onChange={(e) => {
            void add(e.target.files);
            e.target.value = '';
          }}
        />
      </label>
      {problem && (
        <p role="alert" className="mt-1 text-[12.5px] text-danger">
          ▲ {problem}
        </p>
      )}
    </div>
  );
}

function Shown({ attachment, onRemove }: { attachment: StoredAttachment; onRemove: () => void }) {
  const local = useLocalTime();
  const waiting = useWaiting().find((w) => w.what === 'file' && w.attachmentId === attachment.id);
  const blob = waiting?.what === 'file' ? waiting.bytes : null;
  const held = useMemo(() => (blob ? URL.createObjectURL(blob) : null), [blob]);
  useEffect(
    () => () => {
      if (held) URL.revokeObjectURL(held);
    },
    [held],
  );
  const address = held ?? `/api/v1${fileAddress(attachment.id)}`;
  const when = attachment.takenAt ? local.day(attachment.takenAt) : '';
  return (
    <li className="w-28 text-[12.5px]">
      <a href={address} target="_blank" rel="noreferrer" className="block">
        {attachment.mime === 'application/pdf' ? (
          <span className="grid h-24 w-28 place-items-center border-2 border-ink bg-picked font-semibold">PDF</span>
        ) : (
          <img
            src={address}
            alt={attachment.name}
            width="112"
            height="96"
            loading="lazy"
            className="h-24 w-28 border border-ink bg-spine object-cover"
          />
        )}
        <span className="block truncate">{attachment.name}</span>
      </a>
      <span className="text-ink-2">
        {when}
        {blob && ' waits for signal'}
      </span>{' '}
      <TextButton aria-label={`Take out ${attachment.name}`} onClick={onRemove}>
        take out
      </TextButton>
    </li>
  );
}
