import { Injectable } from '@angular/core';
import { BehaviorSubject } from 'rxjs';

/** Something that can be done about a notice. */
export interface NoticeChoice {
  readonly label: string;
  readonly act: () => void;
}

export interface Notice {
  readonly text: string;
  readonly undo?: () => void;
  readonly choices?: readonly NoticeChoice[];
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

  /** A notice with something to choose: it stays until one has chosen or closed it. */
  ask(text: string, choices: readonly NoticeChoice[]): void {
    clearTimeout(this.timer);
    this.notice.next({ text, choices });
  }

  choose({ act }: NoticeChoice): void {
    this.clear();
    act();
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
