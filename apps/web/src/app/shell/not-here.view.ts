import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'inky-not-here',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `<div class="view">
    <h1>There is nothing at this address.</h1>
    <p><a class="plain" routerLink="/sheet">To the sheet</a></p>
  </div>`,
})
export class NotHereView {}
