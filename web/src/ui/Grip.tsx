import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

interface GripProps {
  readonly x: number;
  readonly y: number;
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly says: string;
  readonly color?: string;
  /** Value for one px of drag upward, and for one press of an arrow key. */
  readonly perPx: number;
  readonly step: number;
  readonly onMove: (value: number) => void;
}

/** The one handle for all that is dragged up and down in a drawing: a barred block with a caret each way. Arrow keys move it too. */
export function Grip({ x, y, label, value, min, max, says, color = 'var(--ink)', perPx, step, onMove }: GripProps) {
  const held = useRef<{ y: number; value: number } | null>(null);
  const set = (v: number): void => onMove(Math.min(max, Math.max(min, v)));
  const onKey = (e: KeyboardEvent): void => {
    const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 10, PageDown: -10 }[e.key];
    if (by === undefined) return;
    e.preventDefault();
    set(value + by * step);
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={value}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={says}
      aria-orientation="vertical"
      transform={`translate(${x} ${y})`}
      className="cursor-ns-resize touch-none"
      onKeyDown={onKey}
      onPointerDown={(e: PointerEvent) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        held.current = { y: e.clientY, value };
      }}
      onPointerMove={(e) => {
        if (held.current) set(held.current.value + (held.current.y - e.clientY) * perPx);
      }}
      onPointerUp={() => {
        held.current = null;
      }}
      onPointerCancel={() => {
        held.current = null;
      }}
    >
      <rect x="-24" y="-24" width="48" height="48" fill="transparent" />
      <path d="M-5 -11l5 -6l5 6M-5 11l5 6l5 -6" fill="none" stroke={color} strokeWidth="2" />
      <rect x="-9" y="-8" width="18" height="16" fill="var(--paper)" stroke={color} strokeWidth="2" />
      <path d="M-5 -3h10M-5 0.500h10M-5 4h10" stroke={color} strokeWidth="1.3" />
    </g>
  );
}
