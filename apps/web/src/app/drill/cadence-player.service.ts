import { Injectable, type OnDestroy } from '@angular/core';
import { cycleSound, SOUND_OF, type Cycle } from '@inky-shoal/core/drill';

/** No sound can be made here, in words. */
export class NoSound extends Error {
  constructor(cause: unknown) {
    super('This browser makes no sound here. The picture shows the cadence all the same.', { cause });
  }
}

/** The sound begins so long after it is asked for: time enough for the audio clock to be running. */
const LEAD_S = 0.15;

/** Sounds a cadence. One round of it loops on the audio clock itself, so that nothing the page does makes it late. */
@Injectable()
export class CadencePlayer implements OnDestroy {
  private context: AudioContext | null = null;
  private source: AudioBufferSourceNode | null = null;
  private startedS = 0;

  /** Seconds since the cadence began, by the audio clock; null while nothing sounds. */
  get atS(): number | null {
    return this.source && this.context ? Math.max(0, this.context.currentTime - this.startedS) : null;
  }

  /** The clock stands still: the browser paused it, as it does where a call comes in. */
  get isHeld(): boolean {
    return !!this.source && this.context?.state !== 'running';
  }

  /** Sounds a cadence over and over, in the place of what sounds. Fails with a sentence where there is no sound. */
  async play(cycle: Cycle): Promise<void> {
    const context = await this.open();
    this.silence();
    const sound = cycleSound(cycle, context.sampleRate);
    const buffer = context.createBuffer(1, sound.length, context.sampleRate);
    buffer.copyToChannel(sound as Float32Array<ArrayBuffer>, 0);
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.loop = true;
    source.connect(context.destination);
    this.startedS = context.currentTime + LEAD_S;
    source.start(this.startedS);
    this.source = source;
  }

  /** One sound by itself: a wait begins. Silent where there is no sound. */
  async once(): Promise<void> {
    const context = await this.open();
    const { hz, fadesS, loud } = SOUND_OF.twitch;
    const [tone, gain] = [context.createOscillator(), context.createGain()];
    const { currentTime } = context;
    tone.frequency.value = hz;
    gain.gain.setValueAtTime(loud, currentTime);
    gain.gain.exponentialRampToValueAtTime(0.001, currentTime + 6 * fadesS);
    tone.connect(gain).connect(context.destination);
    tone.start(currentTime);
    tone.stop(currentTime + 6 * fadesS);
  }

  silence(): void {
    this.source?.stop();
    this.source?.disconnect();
    this.source = null;
  }

  ngOnDestroy(): void {
    this.silence();
    void this.context?.close();
  }

  private async open(): Promise<AudioContext> {
    try {
      this.context ??= new AudioContext();
      await this.context.resume();
      return this.context;
    } catch (error) {
      this.context = null;
      throw new NoSound(error);
    }
  }
}
