import { useState, type DragEvent } from 'react';

/** Where a file is dropped, or chosen. */
export function FileDrop({
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
          accept=".gpx,.kml,.kmz,.geojson,.json,.xml,.nmea,.nma,.log,.txt,.csv,.tsv"
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
