import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './app/app.config';
import { ShellComponent } from './app/shell/shell.component';

bootstrapApplication(ShellComponent, appConfig).catch((error: unknown) => {
  document.body.textContent =
    'Inky Shoal could not start in this browser. Reload the page; if it stays so, try another.';
  throw error;
});
