/** Nothing of what a strike sounds like may be smoothed away. */
export const AS_IT_IS: MediaTrackConstraints = {
  echoCancellation: false,
  noiseSuppression: false,
  autoGainControl: false,
};

/** A microphone's sound, block by block, and what ends it. */
export interface Hearing {
  /** Posts a `SoundBlock` for each. */
  port: MessagePort;
  end(): void;
}

/**
 * Hands on what a stream's microphone hears; it goes to a worker, that the page has nothing to do
 * with it.
 *
 * @returns null where the stream has no sound or the browser can't
 */
export async function hear(stream: MediaStream): Promise<Hearing | null> {
  if (!stream.getAudioTracks().length || typeof AudioWorkletNode === "undefined") return null;
  const context = new AudioContext();
  try {
    await context.audioWorklet.addModule("/audio/ear.js");
    await context.resume();
    const ear = new AudioWorkletNode(context, "ear", { numberOfOutputs: 0 });
    const { port1, port2 } = new MessageChannel();
    ear.port.postMessage(port1, [port1]);
    context.createMediaStreamSource(stream).connect(ear);
    return { port: port2, end: () => void context.close() };
  } catch {
    await context.close();
    return null;
  }
}
