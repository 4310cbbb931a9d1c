import { steadyWeight, type ScaleLine } from './scaleLine.ts';

/** What of the Web Serial API (W3C community draft) is used here. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}
const serial = (): Serial | undefined => (navigator as Navigator & { readonly serial?: Serial }).serial;

/** Whether this browser can read a scale by cable. */
export const canReadScale = (): boolean => serial() !== undefined;

/** Speed most pocket scales send at, bits a second. Common practice, no source. */
const BAUD = 9600;

/** A scale that has not come to rest by then is not read. */
const PATIENCE_MS = 15_000;

let port: SerialPort | null = null;

/** The weight on the scale once it rests. The browser asks which cable the first time. */
export async function readScale(): Promise<ScaleLine> {
  port ??= (await serial()?.requestPort()) ?? null;
  const cable = port;
  if (!cable) throw new Error('This browser reads no scale by cable: type what it shows.');
  try {
    await cable.open({ baudRate: BAUD });
  } catch {
    // Another cable may be chosen the next time.
    port = null;
    throw new Error('The scale does not answer: is its cable in, and no other program reading it?');
  }
  try {
    const reader = cable.readable?.getReader();
    if (!reader) throw new Error('The scale sends nothing.');
    const late = setTimeout(() => void reader.cancel(), PATIENCE_MS);
    const decoder = new TextDecoder();
    let text = '';
    try {
      for (;;) {
        const { value, done } = await reader.read().catch(() => {
          port = null;
          throw new Error('The scale was lost: is its cable in?');
        });
        if (done) throw new Error('The scale does not come to rest.');
        text += decoder.decode(value, { stream: true });
        // The last line may be half sent.
        const weight = steadyWeight(text.split(/\r?\n/).slice(0, -1));
        if (weight) return weight;
      }
    } finally {
      clearTimeout(late);
      await reader.cancel().catch(() => undefined);
      reader.releaseLock();
    }
  } finally {
    await cable.close().catch(() => undefined);
  }
}

/** The weight on the simulated scale: an empty vial, or the same with gold in it. */
export async function readSimulatedScale(on: 'vial' | 'gold'): Promise<ScaleLine> {
  const answer = await fetch(`/api/v1/devices/scale.txt?on=${on}`);
  if (!answer.ok) throw new Error('The simulated scale does not answer.');
  const weight = steadyWeight((await answer.text()).split(/\r?\n/));
  if (!weight) throw new Error('The scale does not come to rest.');
  return weight;
}
