/** A pan as far as its place down the hole goes. */
export interface LeveledPan {
  readonly depth_m: number;
  readonly layerId: string | null;
}
/** A pit with its layers from the top down. */
export interface LayeredPit {
  readonly layers: readonly { readonly id: string; readonly thickness_m: number }[];
}

/** A stretch of the hole with its pans; a layer nobody panned has none. */
export interface Level<Pan> {
  readonly from_m: number;
  readonly to_m: number;
  readonly pans: readonly Pan[];
}

/** Pans this near each other in depth are of one level: no hand digs finer. Common practice, no source. */
const ONE_LEVEL_M = 0.1;
/** Left for rounding in feet. */
const ROUNDING_M = 0.005;

/** Pans that are replicates of each other: of one layer where it was noted, else of one depth. Layers that differ are no scatter. */
export function replicatesOf<Pan extends LeveledPan>(pans: readonly Pan[]): Pan[][] {
  const byLayer = new Map<string, Pan[]>();
  for (const p of pans) {
    if (p.layerId === null) continue;
    const same = byLayer.get(p.layerId);
    if (same) same.push(p);
    else byLayer.set(p.layerId, [p]);
  }
  return [...byLayer.values(), ...byDepth(pans.filter((p) => p.layerId === null))];
}

function byDepth<Pan extends LeveledPan>(pans: readonly Pan[]): Pan[][] {
  const levels: Pan[][] = [];
  for (const p of [...pans].sort((a, b) => a.depth_m - b.depth_m)) {
    const last = levels.at(-1);
    if (last && p.depth_m - (last[0] as Pan).depth_m <= ONE_LEVEL_M + 1e-9) last.push(p);
    else levels.push([p]);
  }
  return levels;
}

/**
 * The pans of a spot by level from the top down, each with the stretch of the hole it speaks for. With a pit: its layers; a pan without a layer is of the
 * one its depth lies in, and of none below the bottom. Without: pans of one depth speak half way to the next above and below, the topmost from the
 * surface, the lowest as far below as above. Pans of a single depth without a pit speak for what they were dug from, of no known thickness: 0 m.
 */
export function levelsOf<Pan extends LeveledPan>(pans: readonly Pan[], pit: LayeredPit | null): Level<Pan>[] {
  if (pit && pit.layers.length > 0) {
    let top_m = 0;
    return pit.layers.map((layer, i) => {
      const [from_m, to_m] = [top_m, top_m + layer.thickness_m];
      top_m = to_m;
      const isLast = i === pit.layers.length - 1;
      return {
        from_m,
        to_m,
        pans: pans.filter(
          (p) =>
            p.layerId === layer.id ||
            (p.layerId === null && p.depth_m >= from_m && (isLast ? p.depth_m <= to_m + ROUNDING_M : p.depth_m < to_m)),
        ),
      };
    });
  }
  const groups = byDepth(pans);
  if (groups.length <= 1) return groups.map((g) => ({ from_m: 0, to_m: 0, pans: g }));
  const depths = groups.map((g) => g.reduce((sum, p) => sum + p.depth_m, 0) / g.length);
  const middle = (i: number): number => ((depths[i] as number) + (depths[i + 1] as number)) / 2;
  return groups.map((g, i) => {
    const from_m = i === 0 ? 0 : middle(i - 1);
    const to_m = i < groups.length - 1 ? middle(i) : 2 * (depths[i] as number) - from_m;
    return { from_m, to_m, pans: g };
  });
}
