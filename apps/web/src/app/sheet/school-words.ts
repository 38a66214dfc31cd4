import { nameOf, type SchoolId, type SchoolSide } from '@inky-shoal/core';

/** What each school is about, and its sides, as one would say them. */
export const SCHOOL_WORDS: Readonly<
  Record<SchoolId, { readonly about: string; readonly sides: Readonly<Record<string, string>> }>
> = {
  colour: {
    about: 'Colour',
    sides: { light: 'by light and clarity', forage: 'match the forage', 'stand-out': 'stand out, never blend in' },
  },
  'mud-blade': { about: 'Blades in mud', sides: { round: 'round and slow', long: 'long and painted' } },
  'cold-trailer': { about: 'Trailer in the cold', sides: { still: 'still', kicking: 'kicking' } },
  'crank-pace': { about: 'Pace of a crankbait', sides: { fast: 'always fast', 'stop-and-go': 'stop and go' } },
  'jerkbait-gear': {
    about: 'Reel for a jerkbait',
    sides: { low: 'low, to slow yourself', high: 'high, to take up slack' },
  },
  'jerkbait-clarity': { about: 'Jerkbait', sides: { 'clear-only': 'clear water only', any: 'any clarity' } },
  claws: { about: 'Claws', sides: { tucked: 'tucked', out: 'out and kicking' } },
  size: { about: 'Size', sides: { small: 'small for bites', large: 'large for one fish' } },
  'crank-rod': { about: 'Rod for a crankbait', sides: { casting: 'soft casting rod', spinning: 'spinning' } },
  'cold-line': { about: 'Line in the cold', sides: { nylon: 'stretchy nylon', fluorocarbon: 'dense fluorocarbon' } },
  'dirty-crank-colour': { about: 'Crankbait in dirty water', sides: { bright: 'bright', shad: 'shad colours' } },
  search: {
    about: 'Searching',
    sides: { 'two-lures': 'two search lures', 'one-pattern': 'one pattern thought out first' },
  },
  junk: {
    about: 'When it is slow',
    sides: { pattern: 'stay with the pattern', 'change-freely': 'change lures freely' },
  },
};

/** A side in words: `Blades in mud: round and slow`. */
export const saySide = (school: SchoolId, side: SchoolSide): string => {
  const { about, sides } = SCHOOL_WORDS[school];
  return `${about}: ${sides[side] ?? nameOf(side)}`;
};
