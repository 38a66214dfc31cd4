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
  'murky-colour': {
    about: 'Water that is always murky',
    sides: { natural: 'natural: they live in it', loud: 'loud and contrasting: they feel more than see' },
  },
  'sound-start': { about: 'Sound', sides: { quiet: 'begin quiet and add', loud: 'begin loud' } },
  'winter-colour': {
    about: 'Colour in winter',
    sides: { muted: 'muted', crayfish: 'crayfish red', white: 'white with rattles' },
  },
  'mud-lure': {
    about: 'Lure in rising mud',
    sides: { 'swim-jig': 'a swim jig into the cover', spinnerbait: 'a round-bladed spinnerbait' },
  },
  'forage-size': { about: 'Size by the bait', sides: { match: 'of its size', larger: 'larger than the bait' } },
  'short-strike-first': {
    about: 'After short strikes',
    sides: { colour: 'another colour first', 'trailer-hook': 'a trailer hook first', slower: 'slower first' },
  },
  'deep-claws': {
    about: 'Flapping claws',
    sides: { 'none-deep': 'none where it is deep', any: 'at any depth' },
  },
  'topwater-floor': {
    about: 'On top in spring',
    sides: { sixty: 'wait until it is warm', 'early-buzzbait': 'a buzzbait in the first hour, sooner' },
  },
  'bladed-jig-line': {
    about: 'Line for a bladed jig',
    sides: { fluorocarbon: 'fluorocarbon', braid: 'braid with a leader' },
  },
  'after-front': {
    about: 'The day after a front',
    sides: { stay: 'they stay, down in the cover', drop: 'they drop to the next deep water' },
  },
  patience: {
    about: 'Patience',
    sides: { move: 'move fast', 'several-casts': 'several casts an object', 'circle-back': 'circle back' },
  },
};

/** A side in words: `Blades in mud: round and slow`. */
export const saySide = (school: SchoolId, side: SchoolSide): string => {
  const { about, sides } = SCHOOL_WORDS[school];
  return `${about}: ${sides[side] ?? nameOf(side)}`;
};
