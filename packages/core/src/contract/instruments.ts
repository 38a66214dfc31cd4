import * as z from 'zod';
import { instant, maybe } from './fields.js';

/** Where a boat's instruments speak, as tcp://192.168.4.1:10110; null where there are none. */
export const InstrumentsAddress = z.strictObject({
  address: z
    .string()
    .max(300, { error: 'expected an address of at most 300 characters' })
    .regex(/^tcp:\/\/(\[[0-9a-f:]+\]|[a-z0-9-]+(\.[a-z0-9-]+)*):\d{1,5}$/i, {
      error: 'expected an address as tcp://192.168.4.1:10110, or null',
    })
    .refine((address) => Number(address.split(':').at(-1)) <= 65_535, { error: 'expected a port to 65535' })
    .refine((address) => URL.canParse(address.replace(/^tcp:/i, 'http:')), {
      error: 'expected an address that exists, as tcp://192.168.4.1:10110',
    })
    .nullable(),
  /** It may be in a network of one's own, as a boat's is. */
  privateNetwork: maybe(z.boolean({ error: 'expected true or false' })),
});
export type InstrumentsAddress = z.infer<typeof InstrumentsAddress>;

export const Heard = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('position'), lonLat: z.tuple([z.number(), z.number()]) }),
  z.strictObject({ kind: z.literal('motion'), speedMps: z.number(), courseDeg: z.number().nullable() }),
  z.strictObject({ kind: z.literal('depth'), depthM: z.number() }),
  z.strictObject({ kind: z.literal('water-temp'), tempC: z.number() }),
]);
/** What an instrument says, in SI. */
export type Heard = z.infer<typeof Heard>;

/** How the line to the instruments stands: none is set, it is being called, it speaks, it is silent, it is not there. */
export const LINE_STATES = ['none', 'calling', 'hearing', 'silent', 'away'] as const;

/** What goes to the page: how the line stands, or what was heard and when. */
export const InstrumentNews = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('line'),
    state: z.enum(LINE_STATES),
    /** Why it is away, in words. */
    why: z.string().nullable(),
    sentences: z.number(),
    badChecksums: z.number(),
    garbled: z.number(),
  }),
  z.strictObject({ kind: z.literal('heard'), at: instant, heard: Heard }),
]);
export type InstrumentNews = z.infer<typeof InstrumentNews>;
