/** Names as they were typed, each once: "Ada, Bo and Cy". */
export const namesIn = (who: string): string[] => [
  ...new Map(
    who
      .split(/,|;|&|\+|\band\b/i)
      .map((name) => name.trim())
      .filter(Boolean)
      .map((name) => [name.toLowerCase(), name]),
  ).values(),
];
