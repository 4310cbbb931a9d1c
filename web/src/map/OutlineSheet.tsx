import {
  NUMBERS,
  numberProblem,
  textProblem,
  TEXTS,
  type Outline,
  type OUTLINE_KINDS,
  type StoredOutline,
} from '@riffle/contract';
import { localPlane, type ClaimHolder, type Position } from '@riffle/core';
import { useState } from 'react';
import { daysWords } from '../ground/permissionDays.ts';
import { useRecords } from '../records/useRecords.ts';
import { Button } from '../ui/Button.tsx';
import { Choices } from '../ui/Choices.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { FormSheet } from '../ui/Sheet.tsx';

/** What a person tells of a shape they drew. */
export type OutlineTold = Pick<Outline, 'name' | 'height_m' | 'note' | 'holder' | 'permissionId'>;

interface OutlineSheetProps {
  readonly groundId: string;
  readonly kind: (typeof OUTLINE_KINDS)[number];
  readonly outline: StoredOutline | null;
  /** What was just drawn, beside the ground's line: it stays in sight while it is named. */
  readonly sketch?: { readonly points: readonly Position[]; readonly line: readonly Position[] | null };
  readonly onKeep: (told: OutlineTold) => void;
  readonly onRemove?: () => void;
  readonly onClose: () => void;
}

const NO_NOTE = 'no note';

/** What a shape on the map is: its name, how high it stands, of a claim whose it is and which note has its days. */
export function OutlineSheet({ groundId, kind, outline, sketch, onKeep, onRemove, onClose }: OutlineSheetProps) {
  const notes = useRecords('permissions', groundId).items.filter((n) => n.kind !== 'closed season');
  const [name, setName] = useState(outline?.name ?? '');
  const [height, setHeight] = useState(outline?.height_m == null ? '' : String(outline.height_m));
  const [note, setNote] = useState(outline?.note ?? '');
  const [holder, setHolder] = useState<ClaimHolder | null>(outline?.holder ?? null);
  const [permissionId, setPermissionId] = useState(outline?.permissionId ?? null);
  const [tried, setTried] = useState(false);
  const height_m = height.trim() === '' ? null : Number(height.replace(',', '.'));
  const heightProblem =
    height_m !== null && numberProblem(NUMBERS.outlineHeight_m, height_m) ? 'Metres above the water, -5 to 300.' : null;
  const nameProblem = textProblem(TEXTS.name, name);
  const standsUp = kind === 'bar' || kind === 'bench';
  return (
    <FormSheet
      title={
        outline
          ? outline.name
          : `A ${kind === 'workings' ? 'patch of old workings' : kind === 'protected' ? 'protected place' : kind}`
      }
      onClose={onClose}
      onSave={() => {
        setTried(true);
        if (nameProblem || heightProblem || textProblem(TEXTS.note, note)) return;
        onKeep({ name: name.trim(), height_m, note, holder, permissionId });
      }}
    >
      {sketch && <ShapeSketch {...sketch} isPath={kind === 'path'} />}
      <TextField label="Name" value={name} onChange={setName} limit={TEXTS.name} problem={tried ? nameProblem : null} />
      {standsUp && (
        <TextField
          label="Height above the water, m"
          value={height}
          onChange={setHeight}
          problem={heightProblem}
          hint="It then stands at that height on the ribbon."
        />
      )}
      {kind === 'protected' && (
        <p className="text-[13px] text-ink-2">
          Nothing in it is ranked or planned, and the walk warns before its edge. Finds of old things may have to be
          reported: leave them, take a picture, ask. Local law decides.
        </p>
      )}
      {kind === 'claim' && (
        <>
          <div>
            <p className="mb-1 text-[13px] text-ink-2">Whose it is</p>
            <Choices
              label="Whose it is"
              value={holder}
              onChange={setHolder}
              choices={[
                { value: 'ours', label: 'ours' },
                { value: 'by leave', label: 'theirs, we may' },
                { value: 'not ours', label: 'not ours' },
              ]}
            />
          </div>
          {holder !== 'not ours' && (
            <SelectField
              label="Its days stand in the note"
              value={permissionId ?? NO_NOTE}
              choices={[
                { value: NO_NOTE, label: 'none' },
                ...notes.map((n) => ({ value: n.id, label: `${n.name}, ${n.kind}${daysWords(n)}` })),
              ]}
              onChange={(id) => setPermissionId(id === NO_NOTE ? null : id)}
            />
          )}
          <p className="text-[13px] text-ink-2">
            A drawing is no survey: the posts and the register decide. You are told on the walk before its edge.
          </p>
        </>
      )}
      <TextField label="Note" value={note} onChange={setNote} rows={2} limit={TEXTS.note} />
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="main" type="submit">
          Keep it
        </Button>
        {onRemove && (
          <Button look="danger" onClick={onRemove}>
            Take it off
          </Button>
        )}
      </div>
    </FormSheet>
  );
}

const [SKETCH_WIDE, SKETCH_HIGH, SKETCH_EDGE] = [320, 96, 10];

/** A shape as it was drawn, north up, with the part of the line that runs by it. */
function ShapeSketch({
  points,
  line,
  isPath,
}: NonNullable<OutlineSheetProps['sketch']> & { readonly isPath: boolean }) {
  const first = points[0];
  if (!first) return null;
  const plane = localPlane(first);
  const shape = points.map(plane.toPlane);
  const [xs, ys] = [shape.map((p) => p.x_m), shape.map((p) => p.y_m)];
  const [west, south] = [Math.min(...xs), Math.min(...ys)];
  const [wide, high] = [Math.max(1, Math.max(...xs) - west), Math.max(1, Math.max(...ys) - south)];
  const scale = Math.min((SKETCH_WIDE - 2 * SKETCH_EDGE) / wide, (SKETCH_HIGH - 2 * SKETCH_EDGE) / high);
  const path = (some: readonly { x_m: number; y_m: number }[]): string =>
    some
      .map(
        (p, i) =>
          `${i ? 'L' : 'M'}${(SKETCH_WIDE / 2 + (p.x_m - west - wide / 2) * scale).toFixed(1)} ${(SKETCH_HIGH / 2 - (p.y_m - south - high / 2) * scale).toFixed(1)}`,
      )
      .join('');
  return (
    <svg
      viewBox={`0 0 ${SKETCH_WIDE} ${SKETCH_HIGH}`}
      role="img"
      aria-label="The shape as you drew it, beside the line"
      className="mb-1 w-full border-b border-rule"
    >
      {line && <path d={path(line.map(plane.toPlane))} fill="none" stroke="var(--water)" strokeWidth="4" />}
      <path
        d={`${path(shape)}${isPath ? '' : 'Z'}`}
        fill={isPath ? 'none' : 'var(--gravel)'}
        fillOpacity="0.8"
        stroke="var(--ink)"
        strokeWidth="2.2"
      />
    </svg>
  );
}
