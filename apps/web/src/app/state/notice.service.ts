import { Injectable } from '@angular/core';
import { BehaviorSubject } from 'rxjs';

export interface Notice {
  readonly text: string;
  readonly undo?: () => void;
}

const SHOWN_MS = 8000;

/** One short notice at a time, with an undo where something was removed. */
@Injectable({ providedIn: 'root' })
export class NoticeService {
  private readonly notice = new BehaviorSubject<Notice | null>(null);
  private timer: ReturnType<typeof setTimeout> | undefined;

  readonly notice$ = this.notice.asObservable();

  say(text: string, undo?: () => void): void {
    clearTimeout(this.timer);
    this.notice.next({ text, undo });
    this.timer = setTimeout(() => this.notice.next(null), SHOWN_MS);
  }

  undo(): void {
    const { undo } = this.notice.value ?? {};
    this.clear();
    undo?.();
  }

  clear(): void {
    clearTimeout(this.timer);
    this.notice.next(null);
  }
}
