import type { EnvironmentProviders } from '@angular/core';
import { providePrimeNG } from 'primeng/config';
import { INKY_PRESET } from './theme';

/**
 * PrimeNG in our own look. Its styles lie in a layer of their own, under every style of ours.
 *
 * @param nonce that the server put into the page, for styles that are made at run time
 */
export const provideTheme = (nonce?: string): EnvironmentProviders =>
  providePrimeNG({
    theme: {
      preset: INKY_PRESET,
      options: { darkModeSelector: 'none', cssLayer: { name: 'primeng', order: 'base, primeng' } },
    },
    csp: { nonce },
    overlayAppendTo: 'body',
    ripple: false,
  });
