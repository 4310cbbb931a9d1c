import { frameSound } from '@riffle/core';

// What the scope of a worklet holds; the web's own types leave it out.
declare const sampleRate: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

/** Boils the microphone's sound down to frames where it comes in; only those leave. */
class Listener extends AudioWorkletProcessor {
  readonly #frames = frameSound(sampleRate);
  process([input]: readonly (readonly Float32Array[])[]): boolean {
    const sound = input?.[0];
    const frames = sound ? this.#frames(sound) : [];
    if (frames.length > 0) this.port.postMessage(frames);
    return true;
  }
}
registerProcessor('listener', Listener);
