import { inject, Injectable } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { type RouterStateSnapshot, TitleStrategy } from '@angular/router';

/** "Sheet, Inky Shoal": the view first, since tabs are cut short from the right. */
@Injectable()
export class ViewTitle extends TitleStrategy {
  private readonly title = inject(Title);

  override updateTitle(snapshot: RouterStateSnapshot): void {
    const view = this.buildTitle(snapshot);
    this.title.setTitle(view ? `${view}, Inky Shoal` : 'Inky Shoal');
  }
}
