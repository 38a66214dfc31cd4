import { provideHttpClient, withFetch } from '@angular/common/http';
import { type ApplicationConfig, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, TitleStrategy, withComponentInputBinding } from '@angular/router';
import { providePrimeNG } from 'primeng/config';
import { routes } from './app.routes';
import { ViewTitle } from './shell/view-title';
import { INKY_PRESET } from './ui/theme';

/** The nonce that the server put into the page, for styles that are made at run time. */
const nonce = document.querySelector('[ngCspNonce]')?.getAttribute('ngCspNonce') ?? undefined;

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch()),
    provideRouter(routes, withComponentInputBinding()),
    { provide: TitleStrategy, useClass: ViewTitle },
    providePrimeNG({
      theme: { preset: INKY_PRESET, options: { darkModeSelector: 'none' } },
      csp: { nonce },
      ripple: false,
    }),
  ],
};
