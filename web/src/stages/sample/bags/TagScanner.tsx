import { useState } from 'react';
import { Sheet } from '../../../ui/Sheet.tsx';
import { useTagCamera } from './useTagCamera.ts';

interface TagScannerProps {
  /** Opens what a tag's square code leads to. Answers why it could not. */
  readonly onWords: (words: string) => string | null;
  readonly onClose: () => void;
}

/** The camera held over a tag: its record opens by itself. A picture does as well, where there is no camera. */
export function TagScanner({ onWords, onClose }: TagScannerProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const { video, problem: cameraProblem, readPicture } = useTagCamera((words) => setProblem(onWords(words)));
  const choose = (file: File | undefined): void => {
    if (!file) return;
    readPicture(file).then(
      (words) =>
        setProblem(
          words === null
            ? 'No square code can be read in that picture. Come closer, hold it straight, keep glare off it.'
            : onWords(words),
        ),
      () => setProblem('That file is no picture this browser can open.'),
    );
  };
  return (
    <Sheet title="Hold the tag in the frame" onClose={onClose}>
      {cameraProblem ? (
        <p className="border-l-4 border-ink pl-3">{cameraProblem}</p>
      ) : (
        <div className="relative overflow-hidden border-2 border-ink bg-ink">
          <video
            ref={video}
            muted
            playsInline
            className="block aspect-square w-full object-cover"
            aria-label="What the camera sees"
          />
          <svg viewBox="0 0 100 100" className="absolute inset-0 size-full" aria-hidden="true">
            <path
              d="M18 34V18H34M66 18H82V34M82 66V82H66M34 82H18V66"
              fill="none"
              stroke="var(--picked)"
              strokeWidth="2.5"
            />
          </svg>
        </div>
      )}
      <p role="status" className={`mt-2 min-h-6 ${problem ? 'text-danger' : 'text-ink-2'}`}>
        {problem ? `▲ ${problem}` : 'Its record opens by itself. Nothing the camera sees is kept.'}
      </p>
      <label className="mt-3 inline-flex min-h-12 cursor-pointer items-center border-2 border-ink px-4 font-bold">
        Read it from a picture
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          onChange={(e) => {
            choose(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </label>
    </Sheet>
  );
}
