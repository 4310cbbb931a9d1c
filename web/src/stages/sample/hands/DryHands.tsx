import type { StoredSeeding } from '@riffle/contract';
import { dryBesideWet } from '@riffle/core';

const percent = (share: number): number => Math.round(100 * share);

/** What to expect of a pan worked dry, by the same hands in water; what would tell where nobody knows. */
export function DryHands({ seedings }: { readonly seedings: readonly StoredSeeding[] }) {
  const both = dryBesideWet(seedings);
  return (
    <div className="text-ink-2">
      {both.map(({ panner, dry, wet, ratio }) => (
        <p key={panner}>
          Dry, {panner} keeps {percent(dry.share)} %, in water {percent(wet.share)} %: of ten colors found wet a dry pan
          shows {Math.round(10 * ratio.middle)} ({Math.round(10 * ratio.low)}–
          {Math.min(10, Math.round(10 * ratio.high))}).
        </p>
      ))}
      {both.length === 0 && (
        <p>
          Dry panning is less sure than wet, the finest gold most of all (common practice): ten counted grains panned
          dry, and ten in water, tell by how much.
        </p>
      )}
    </div>
  );
}
