/** Said against true, counted. */
export class Tally {
  readonly name: string;
  /** What it is held to, in words. */
  readonly heldTo: string;
  times = 0;
  held = 0;
  /** Times it was asked and gave no answer. */
  silent = 0;
  /** Sum of what was said, where chances are said. */
  said = 0;
  readonly #widths: number[] = [];

  constructor(name: string, heldTo: string) {
    this.name = name;
    this.heldTo = heldTo;
  }
  add(isTrue: boolean, said = 0, width?: number): void {
    this.times++;
    if (isTrue) this.held++;
    this.said += said;
    if (width !== undefined && Number.isFinite(width)) this.#widths.push(width);
  }
  get share(): number {
    return this.times === 0 ? NaN : this.held / this.times;
  }
  /** Median width of a band, high end over low. */
  get width(): number | null {
    const sorted = [...this.#widths].sort((a, b) => a - b);
    return sorted[sorted.length >> 1] ?? null;
  }
}

/** Chances said, in tenths (or fifths), against how often it came true. */
export class Reliability {
  readonly name: string;
  readonly heldTo: string;
  readonly bins: { times: number; held: number; said: number }[];
  constructor(name: string, heldTo: string, bins = 10) {
    this.name = name;
    this.heldTo = heldTo;
    this.bins = Array.from({ length: bins }, () => ({ times: 0, held: 0, said: 0 }));
  }
  add(said: number, cameTrue: boolean): void {
    const bin = this.bins[Math.min(this.bins.length - 1, Math.floor(said * this.bins.length))];
    if (!bin) return;
    bin.times++;
    bin.said += said;
    if (cameTrue) bin.held++;
  }
  /** The largest difference of a bin with so many in it, as far as that many tell it from none: less 1.64 times its own error. */
  worst(least = 40): number {
    return Math.max(
      0,
      ...this.bins
        .filter((b) => b.times >= least)
        .map((b) => {
          const [said, came] = [b.said / b.times, b.held / b.times];
          return Math.abs(said - came) - 1.64 * Math.sqrt((said * (1 - said)) / b.times);
        }),
    );
  }
}
