/** The distributions that tests hold core's own against; the library ships no types. */
declare module 'jstat' {
  interface Distribution<Parameters extends number[]> {
    pdf(x: number, ...parameters: Parameters): number;
    cdf(x: number, ...parameters: Parameters): number;
    inv(chance: number, ...parameters: Parameters): number;
  }
  interface Library {
    readonly gamma: Distribution<[shape: number, scale: number]>;
    readonly beta: Distribution<[a: number, b: number]>;
    readonly normal: Distribution<[mean: number, sd: number]>;
    readonly lognormal: Distribution<[meanOfLog: number, sdOfLog: number]>;
    readonly chisquare: Distribution<[degreesOfFreedom: number]>;
    readonly poisson: { cdf(count: number, mean: number): number };
    readonly binomial: { cdf(found: number, tried: number, share: number): number };
    readonly negbin: { pdf(count: number, failures: number, chance: number): number };
    gammaln(x: number): number;
  }
  const library: { readonly jStat: Library };
  export default library;
}
