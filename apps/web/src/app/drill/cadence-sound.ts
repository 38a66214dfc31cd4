import { effect, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Cycle } from '@inky-shoal/core/drill';
import { interval } from 'rxjs';
import { CadencePlayer } from './cadence-player.service';

/** The picture follows the sound so often. */
const FRAME_MS = 50;

/** A cadence that is to sound, how far it is, and why it does not. */
@Injectable()
export class CadenceSound {
  private readonly player = inject(CadencePlayer);
  /** Wanted: what sounds follows what is set. */
  readonly sounds = signal(false);
  /** Why there is no sound, in words. */
  readonly problem = signal('');
  /** Seconds since it began; null while nothing sounds. */
  readonly atS = signal<number | null>(null);
  /** The browser holds it. */
  readonly held = signal(false);

  constructor() {
    const frames = toSignal(interval(FRAME_MS), { initialValue: 0 });
    effect(() => {
      frames();
      this.atS.set(this.player.atS);
      this.held.set(this.player.isHeld);
    });
  }

  toggle(): void {
    if (this.sounds()) this.silence();
    else this.sounds.set(true);
  }

  silence(): void {
    this.player.silence();
    this.sounds.set(false);
  }

  async play(cycle: Cycle): Promise<void> {
    try {
      this.problem.set('');
      await this.player.play(cycle);
    } catch (error) {
      this.sounds.set(false);
      this.problem.set((error as Error).message);
    }
  }
}
