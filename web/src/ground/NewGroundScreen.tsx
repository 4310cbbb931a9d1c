import { Judgement } from '../ui/Judgement.tsx';
import { ChooseColumns } from './ChooseColumns.tsx';
import { ChooseStretch } from './ChooseStretch.tsx';
import { FileDrop } from './FileDrop.tsx';
import { FileSheet } from './FileSheet.tsx';
import { TypedGround } from './TypedGround.tsx';
import { useGroundFile } from './useGroundFile.ts';

/** A ground begins with a file, or with a name and a length. */
export function NewGroundScreen() {
  const { step, problem, reading, take, readAs, back } = useGroundFile();
  const said = problem && (
    <p role="alert" className="text-danger">
      ▲ {problem}
    </p>
  );
  if (step.at === 'sheet')
    return (
      <>
        {said}
        <FileSheet key={step.id} {...step} onRead={readAs} onBack={back} />
      </>
    );
  if (step.at === 'stretch')
    return (
      <>
        {said}
        <ChooseStretch
          fileName={step.file.name}
          stretches={step.read.stretches}
          onChoose={(stretch) => readAs({ stretch: String(stretch) })}
          onBack={back}
        />
      </>
    );
  return (
    <div className="flex max-w-4xl flex-col gap-7 pt-3">
      <Judgement rests="GPX, KML or KMZ, GeoJSON, the log of a receiver (NMEA 0183), or a table of positions (CSV). A track or line becomes the centre line, way points become spots. Nothing is stored until you have seen it.">
        Bring in a ground: drop the walk as a file, or type it.
      </Judgement>
      <FileDrop onFile={take} reading={reading} problem={problem} />
      {step.at === 'columns' && <ChooseColumns columns={step.columns} onChoose={readAs} />}
      <TypedGround />
    </div>
  );
}
