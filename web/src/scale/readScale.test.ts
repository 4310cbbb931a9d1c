import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';

/** A scale at the end of a cable, as the Web Serial API shows one: sends these pieces, then what comes after them. */
function scaleSaying(pieces: readonly string[], then: 'rests' | 'unplugged' = 'rests') {
  const port = {
    isOpen: false,
    readable: null as ReadableStream<Uint8Array> | null,
    open: () => {
      if (port.isOpen) return Promise.reject(new Error('The port is already open.'));
      port.isOpen = true;
      const left = [...pieces];
      port.readable = new ReadableStream({
        pull: (out) => {
          const piece = left.shift();
          if (piece !== undefined) out.enqueue(new TextEncoder().encode(piece));
          else if (then === 'unplugged') out.error(new Error('The device has been lost.'));
        },
      });
      return Promise.resolve();
    },
    close: () => {
      port.isOpen = false;
      return Promise.resolve();
    },
  };
  return port;
}
const plugIn = (...ports: unknown[]) => {
  const requestPort = jest.fn(() => Promise.resolve(ports.shift()));
  Object.defineProperty(globalThis, 'navigator', { value: { serial: { requestPort } }, configurable: true });
  return requestPort;
};
/** The cable chosen is remembered by the module: each test has its own. */
const readScale = async () => (await import('./readScale.ts')).readScale;

const own = Object.getOwnPropertyDescriptor(globalThis, 'navigator');
beforeEach(() => void jest.resetModules());
afterEach(() => {
  if (own) Object.defineProperty(globalThis, 'navigator', own);
});

describe('a scale on its cable', () => {
  test('the first weight at rest, though lines come in pieces', async () => {
    const port = scaleSaying(['US,GS,1.', '30 g\r\nST,GS,1.2', '5 g\r\nST,GS,9 g\r\n']);
    const asked = plugIn(port);
    const read = await readScale();
    expect((await read()).mg).toBeCloseTo(1250, 9);
    expect(port.isOpen).toBe(false);
    // The same cable is read again unasked.
    expect((await read()).mg).toBeCloseTo(1250, 9);
    expect(asked).toHaveBeenCalledTimes(1);
  });
  test('half a line is no weight: 1.2 of 1.25 is not taken', async () => {
    plugIn(scaleSaying(['ST,GS,1.2'], 'unplugged'));
    await expect((await readScale())()).rejects.toThrow('The scale was lost');
  });
  test('unplugged, or read by another program, it is said, and another cable may be chosen', async () => {
    const busy = { ...scaleSaying([]), open: () => Promise.reject(new Error('Failed to open serial port.')) };
    const asked = plugIn(busy, scaleSaying(['US 1.1 g\n'], 'unplugged'), scaleSaying(['ST 2.5 g\n']));
    const read = await readScale();
    await expect(read()).rejects.toThrow('no other program reading it');
    await expect(read()).rejects.toThrow('The scale was lost');
    expect((await read()).mg).toBeCloseTo(2500, 9);
    expect(asked).toHaveBeenCalledTimes(3);
  });
  test('one that never rests is given up after a while', async () => {
    jest.useFakeTimers();
    try {
      plugIn(scaleSaying(['US 1.1 g\n']));
      const told = (await readScale())().catch((error: Error) => error.message);
      await jest.advanceTimersByTimeAsync(16_000);
      expect(await told).toBe('The scale does not come to rest.');
    } finally {
      jest.useRealTimers();
    }
  });
  test('a browser that knows no cables says so', async () => {
    Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
    await expect((await readScale())()).rejects.toThrow('type what it shows');
  });
});
