import { poissonDraw, seededRandom } from '../maths/random.ts';

/** From when to when stones roll through a box, and how thickly. */
export interface Rolling {
  readonly from_s: number;
  readonly to_s: number;
  /** Knocks a second. */
  readonly knocks_s: number;
}

export interface MadeUpBox {
  readonly rate_Hz: number;
  readonly seed: number;
  readonly scoops: readonly Rolling[];
  /** Loudness of the water, of the knocks, and of a motor near by, in parts of what a microphone takes. */
  readonly water: number;
  readonly knock: number;
  readonly motor?: number;
}

/** A knock rings out in so long, s, at a pitch between these, Hz. */
const RINGS_S = 0.012;
const RINGS_HZ = [1800, 6000] as const;

/**
 * The sound of a box that never was, piece by piece: water as noise that falls off with pitch and swells and ebbs, stones as knocks that ring out, a motor as
 * a hum with its overtones. Stands in for a microphone at home and in tests; it shares nothing with how the sound is judged. Seeded.
 */
export function madeUpSound({
  rate_Hz,
  seed,
  scoops,
  water,
  knock,
  motor = 0,
}: MadeUpBox): (samples: number) => Float32Array {
  const random = seededRandom(seed);
  let [n, brown, gurgle, gurgleTo] = [0, 0, 1, 1];
  let ringing: { readonly begin: number; readonly hz: number; readonly loud: number }[] = [];
  return (samples) => {
    const out = new Float32Array(samples);
    for (let i = 0; i < samples; i++, n++) {
      const t = n / rate_Hz;
      if (n % Math.round(rate_Hz / 8) === 0) gurgleTo = 0.6 + 0.8 * random();
      gurgle += (gurgleTo - gurgle) / (rate_Hz / 6);
      const white = 2 * random() - 1;
      brown = 0.97 * brown + 0.12 * white;
      const thick = scoops.reduce((sum, s) => (t >= s.from_s && t < s.to_s ? sum + s.knocks_s : sum), 0);
      for (let k = thick > 0 ? poissonDraw(thick / rate_Hz, random) : 0; k > 0; k--)
        ringing.push({
          begin: t,
          hz: RINGS_HZ[0] + (RINGS_HZ[1] - RINGS_HZ[0]) * random(),
          loud: knock * (0.3 + 1.4 * random() ** 2),
        });
      let x = water * gurgle * (brown + 0.06 * white);
      for (const r of ringing)
        x += r.loud * Math.exp(-(t - r.begin) / RINGS_S) * Math.sin(2 * Math.PI * r.hz * (t - r.begin));
      if (motor > 0)
        x +=
          motor *
          (Math.sin(2 * Math.PI * 87 * t) +
            0.8 * Math.sin(2 * Math.PI * 2610 * t) +
            0.6 * Math.sin(2 * Math.PI * 4350 * t));
      if (n % 512 === 0) ringing = ringing.filter((r) => t - r.begin < 6 * RINGS_S);
      out[i] = Math.max(-1, Math.min(1, x));
    }
    return out;
  };
}
