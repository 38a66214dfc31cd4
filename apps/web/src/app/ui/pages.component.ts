import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { Paginator } from 'primeng/paginator';
import { addTableTheme } from './theme-table';

/** Turns the pages of a long list that is no table; nothing where one page holds it. */
@Component({
  selector: 'inky-pages',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Paginator],
  template: `
    @if (count() > size()) {
      <p-paginator
        [first]="first()"
        [rows]="size()"
        [totalRecords]="count()"
        [showFirstLastIcon]="false"
        [pageLinkSize]="3"
        [showCurrentPageReport]="true"
        currentPageReportTemplate="{first} to {last} of {totalRecords}"
        (onPageChange)="first.set($event.first ?? 0)"
      />
    }
  `,
})
export class PagesComponent {
  /** How many there are in all. */
  readonly count = input.required<number>();
  /** How many stand on a page. */
  readonly size = input(20);
  /** The first that is shown. */
  readonly first = model(0);

  constructor() {
    addTableTheme();
  }
}
