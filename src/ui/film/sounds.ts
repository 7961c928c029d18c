import type { Sound } from "@/core/live";

/**
 * One tone of a sound: begins (s after the sound's start), lasts (s), and its pitch (Hz) from and
 * to.
 */
interface Tone {
  at: number;
  for: number;
  from: number;
  to: number;
}

const tone = (at: number, length: number, from: number, to = from): Tone => ({
  at,
  for: length,
  from,
  to,
});

/**
 * Each state's own sound, told apart by rhythm and direction as well as by pitch, between 600 and
 * 2,400 Hz: a phone's loudspeaker has that, and wind and music leave room there.
 */
const SOUNDS: Record<Sound, readonly Tone[]> = {
  looking: [tone(0, 0.09, 700), tone(0.5, 0.09, 700)],
  settle: [tone(0, 0.08, 880)],
  aimed: [tone(0, 0.3, 1976)],
  armed: [tone(0, 0.08, 880), tone(0.12, 0.14, 1320)],
  seen: [tone(0, 0.04, 1760)],
  pass: [tone(0, 0.1, 1175), tone(0.13, 0.1, 1480), tone(0.26, 0.24, 1760)],
  fail: [tone(0, 0.2, 932, 660), tone(0.26, 0.3, 932, 622)],
  "not judged": [
    tone(0, 0.07, 1047),
    tone(0.15, 0.07, 1047),
    tone(0.3, 0.07, 1047),
    tone(0.45, 0.07, 1047),
  ],
  paused: [tone(0, 0.25, 1320, 880)],
  "bout done": [
    tone(0, 0.12, 1175),
    tone(0.16, 0.12, 1568),
    tone(0.32, 0.12, 1175),
    tone(0.48, 0.34, 1568),
  ],
  trouble: [tone(0, 0.12, 622), tone(0.18, 0.12, 622), tone(0.36, 0.12, 622)],
};

/** Each tone swells and fades in so long, s: no click. */
const EDGE_S = 0.012;
const LOUD = 0.5;

/** Sounds from the audio clock, and the cue spoken where the browser has a voice. */
export class Voice {
  private context: AudioContext | null = null;
  private muted = false;

  mute(on: boolean): void {
    this.muted = on;
    if (on && typeof speechSynthesis !== "undefined") speechSynthesis.cancel();
  }

  /** Called from the golfer's own press: before that no browser sounds. */
  async wake(): Promise<void> {
    this.context ??= new AudioContext();
    await this.context.resume();
  }

  play(sound: Sound): void {
    const { context } = this;
    if (!context || this.muted) return;
    for (const t of SOUNDS[sound]) {
      const [oscillator, gain] = [
        new OscillatorNode(context, { type: "triangle", frequency: t.from }),
        new GainNode(context, { gain: 0 }),
      ];
      const start = context.currentTime + 0.02 + t.at;
      oscillator.frequency.linearRampToValueAtTime(t.to, start + t.for);
      gain.gain.setValueAtTime(0, start);
      gain.gain.linearRampToValueAtTime(LOUD, start + EDGE_S);
      gain.gain.setValueAtTime(LOUD, start + t.for - EDGE_S);
      gain.gain.linearRampToValueAtTime(0, start + t.for);
      oscillator.connect(gain).connect(context.destination);
      oscillator.start(start);
      oscillator.stop(start + t.for);
    }
  }

  /** Speaks after the sound; nothing where there is no voice. */
  say(words: string): void {
    if (this.muted || typeof speechSynthesis === "undefined" || !speechSynthesis.getVoices().length)
      return;
    speechSynthesis.cancel();
    speechSynthesis.speak(
      Object.assign(new SpeechSynthesisUtterance(words), { lang: "en", rate: 0.95 }),
    );
  }

  close(): void {
    void this.context?.close();
    this.context = null;
    if (typeof speechSynthesis !== "undefined") speechSynthesis.cancel();
  }
}
