/* Hands on what a microphone hears, in blocks of some 20 ms, to the port that it is given. */
const BLOCK = 1024;

class Ear extends AudioWorkletProcessor {
  constructor() {
    super();
    this.to = null;
    this.begin();
    this.port.onmessage = ({ data }) => (this.to = data);
  }

  begin() {
    this.samples = new Float32Array(BLOCK);
    this.length = 0;
  }

  process([input]) {
    const heard = input[0];
    if (!heard) return true;
    if (this.length === 0) this.at = currentTime * 1000;
    this.samples.set(heard, this.length);
    this.length += heard.length;
    if (this.length < BLOCK) return true;
    if (this.to) this.to.postMessage({ timeMs: this.at, rate: sampleRate, samples: this.samples }, [this.samples.buffer]);
    this.begin();
    return true;
  }
}

registerProcessor("ear", Ear);
