import { provideHttpClient, withFetch } from '@angular/common/http';
import { type ApplicationConfig, inject, provideZonelessChangeDetection } from '@angular/core';
import {
  provideRouter,
  TitleStrategy,
  withComponentInputBinding,
  withNavigationErrorHandler,
  withPreloading,
} from '@angular/router';
import { routes } from './app.routes';
import { FetchAhead } from './shell/ahead';
import { ViewTitle } from './shell/view-title';
import { NoticeService } from './base/notice.service';
import { START_WORKERS } from './start-workers';
import { provideTheme } from './ui/provide-theme';

/** The nonce that the server put into the page, for styles that are made at run time. */
const nonce = document.querySelector('[ngCspNonce]')?.getAttribute('ngCspNonce') ?? undefined;

export const appConfig: ApplicationConfig = {
  providers: [
    ...START_WORKERS,
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch()),
    provideRouter(
      routes,
      withComponentInputBinding(),
      withPreloading(FetchAhead),
      withNavigationErrorHandler(() =>
        inject(NoticeService).say(
          'This view could not be fetched: the server does not answer. Try again when it is back.',
        ),
      ),
    ),
    { provide: TitleStrategy, useClass: ViewTitle },
    provideTheme(nonce),
  ],
};
