/** Where one stands. */
export interface Fix {
  readonly lon: number;
  readonly lat: number;
  readonly accuracy_m: number;
}
