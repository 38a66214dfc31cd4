import * as z from 'zod';
import { calendarDate, maybe } from '../fields.js';

/** What a place and its days are called in an address that has room for them, as {latitude}. */
export const OUTSIDE_PARTS = ['latitude', 'longitude', 'from', 'to', 'now'] as const;
export type OutsidePart = (typeof OUTSIDE_PARTS)[number];
const partsIn = (address: string): string[] => [...address.matchAll(/\{([^{}]*)\}/g)].map(([, name]) => name ?? '');

/** Whether an address has room for the place: it is asked as it stands, and for weather alone. */
export const isTemplate = (address: string): boolean => partsIn(address).length > 0;

/**
 * Where a book's weather comes from: the address of a service, or none. A service of our own layout is asked for
 * `weather` and `gauge` under it; any other is an address with {latitude} and {longitude} in it, where days go as
 * {from} and {to}.
 */
export const OutsideAddress = z.strictObject({
  address: z
    .url({ protocol: /^https?$/, error: 'expected an address that begins with http:// or https://, or null' })
    .max(300, { error: 'expected an address of at most 300 characters' })
    .refine((address) => URL.canParse(address), { error: 'expected an address that begins with http:// or https://' })
    .refine((address) => partsIn(address).every((name) => (OUTSIDE_PARTS as readonly string[]).includes(name)), {
      error: `expected only ${OUTSIDE_PARTS.map((name) => `{${name}}`).join(', ')} between braces`,
    })
    .refine(
      (address) => !isTemplate(address) || ['latitude', 'longitude'].every((name) => partsIn(address).includes(name)),
      { error: 'expected both {latitude} and {longitude} in it' },
    )
    .nullable(),
  /** It may be on this machine or in a network of one's own. */
  privateNetwork: maybe(z.boolean({ error: 'expected true or false' })),
});
export type OutsideAddress = z.infer<typeof OutsideAddress>;

/** Where a book's gauge is: a Thing of a SensorThings service, as https://…/v1.1/Things(7), or none. */
export const GaugeAddress = z.strictObject({
  address: z
    .url({ protocol: /^https?$/, error: 'expected an address that begins with http:// or https://, or null' })
    .max(300, { error: 'expected an address of at most 300 characters' })
    .refine((address) => URL.canParse(address) && /\/Things\(.+\)\/?$/.test(new URL(address).pathname), {
      error: 'expected the address of one gauge, as https://…/v1.1/Things(7)',
    })
    .nullable(),
  /** It may be on this machine or in a network of one's own. */
  privateNetwork: maybe(z.boolean({ error: 'expected true or false' })),
});
export type GaugeAddress = z.infer<typeof GaugeAddress>;

/** What a service was found to give: days from the first to the last, or why it gives none. */
const Found = z.union([
  z.object({ days: z.number(), first: calendarDate, last: calendarDate }),
  z.object({ failure: z.string() }),
]);
/** What was found at an address when it was tried. */
export const OutsideFound = z.object({ weather: Found.nullable(), gauge: Found.nullable() });
export type OutsideFound = z.infer<typeof OutsideFound>;
