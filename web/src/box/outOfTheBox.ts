/** Runs whose gravel lies in a box no more: it was weighed, or stands in tubs. */
export const outOfTheBox = (
  ...emptied: readonly (readonly { readonly runIds: readonly string[] }[])[]
): ReadonlySet<string> => new Set(emptied.flat().flatMap((e) => e.runIds));
