import type { OutsideFound } from '@inky-shoal/core/contract/outside-addresses';
import { sayDate } from '../ui/dates';

/** What an address was found to give, in sentences. */
export function sayFound({ weather, gauge }: OutsideFound): string {
  const said = (found: NonNullable<OutsideFound['weather']>, what: string): string => {
    if ('failure' in found) return `No ${what}: ${found.failure}.`;
    const days = found.days === 1 ? 'one day' : `${found.days} days`;
    return `It gives ${what}: ${days}, the last ${sayDate(found.last)}.`;
  };
  return [weather && said(weather, 'weather'), gauge && said(gauge, 'gauge figures')].filter(Boolean).join(' ');
}
