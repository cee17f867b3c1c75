// What an audio worklet has that a page has not.
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

const PIECE = 4096;

/** Hands on what the microphone hears, a twelfth of a second at a time. */
class Tap extends AudioWorkletProcessor {
  #piece = new Float32Array(PIECE);
  #filled = 0;

  process([input]: Float32Array[][]): boolean {
    for (const sample of input?.[0] ?? []) {
      this.#piece[this.#filled++] = sample;
      if (this.#filled < PIECE) continue;
      this.port.postMessage(this.#piece);
      this.#piece = new Float32Array(PIECE);
      this.#filled = 0;
    }
    return true;
  }
}
registerProcessor('tap', Tap);
