import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  input,
  model,
  viewChild,
} from '@angular/core';
import { Accordion, AccordionContent, AccordionHeader, AccordionPanel } from 'primeng/accordion';
import { addFormTheme } from './theme-forms';

/** The panel of a fold, once it was opened. */
@Component({
  selector: 'inky-fold-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Accordion, AccordionContent, AccordionHeader, AccordionPanel],
  template: `
    <p-accordion [value]="open() ? 'open' : null" (valueChange)="open.set($event === 'open')">
      <p-accordion-panel value="open">
        <p-accordion-header #header>
          <ng-template #toggleicon let-active="active">
            <span aria-hidden="true">{{ active ? '▾' : '▸' }}</span>
          </ng-template>
          <span>{{ label() }}</span>
        </p-accordion-header>
        <p-accordion-content><ng-content /></p-accordion-content>
      </p-accordion-panel>
    </p-accordion>
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class FoldPanelComponent {
  readonly label = input.required<string>();
  readonly open = model.required<boolean>();
  /** Whoever pressed its line stays on it. */
  readonly focused = input(false);
  private readonly header = viewChild.required('header', { read: ElementRef<HTMLElement> });

  constructor() {
    addFormTheme();
    afterNextRender(() => this.focused() && this.header().nativeElement.focus({ preventScroll: true }));
  }
}
