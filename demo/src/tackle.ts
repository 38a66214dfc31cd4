import type { CategoryId } from '@inky-shoal/core';
import { lurePreset, presetOf, type TackleDraft, type TackleItem } from '@inky-shoal/core/tackle';
import { seeded, seededId } from './random.js';

const random = seeded(5_0001);
let piece = 0;
/** Ids of their own, a minute apart. */
const nextId = (): string => seededId(Date.parse('2026-01-10T12:00:00Z') + 60_000 * piece++, random);

type LureDraft = Extract<TackleDraft, { kind: 'lure' }>;
const keep = <T extends TackleDraft>(draft: T): T & { readonly id: string } => ({ id: nextId(), ...draft });

const lure = (category: CategoryId, name: string, box: string, slot: string, more: Partial<LureDraft> = {}) =>
  keep({ ...lurePreset(category), name, box, slot, checkedOn: '2027-01-24', ...more });

const line = (name: string, material: 'nylon' | 'fluorocarbon' | 'braid', testLb: number, more: object = {}) =>
  keep({ ...presetOf('line'), name, material, testLb, ...more });

const SHALLOW = 'Box 1, shallow cranks';
const DEEP = 'Box 2, deep and hard';
const WIRE = 'Box 3, wire and skirts';
const SOFT = 'Box 4, soft';
const SMALL = 'Box 5, hooks and weights';
const BAY = 'Box 6, bay';

const lures = [
  lure('flat-sided-crankbait', 'Flat-sided crank, crayfish', SHALLOW, 'A1', {
    lengthMm: 55,
    weightG: 9,
    statedDepthM: 1.9,
    statedTestLb: 10,
    families: ['brown', 'orange'],
    tone: 'natural',
  }),
  lure('flat-sided-crankbait', 'Flat-sided crank, pearl', SHALLOW, 'A2', {
    lengthMm: 50,
    weightG: 8,
    statedDepthM: 1.8,
    families: ['pearl', 'silver'],
    runs: 'to-the-left',
  }),
  lure('wide-wobble-crankbait', 'Wide-wobble crank, red', SHALLOW, 'A3', {
    statedDepthM: 2.7,
    families: ['red', 'brown'],
  }),
  lure('square-bill', 'Square-bill, chartreuse and black back', SHALLOW, 'B1', {
    statedDepthM: 1.5,
    families: ['chartreuse', 'black'],
    tone: 'bold',
  }),
  lure('square-bill', 'Square-bill, shad', SHALLOW, 'B2', {
    statedDepthM: 1.2,
    families: ['white', 'silver'],
    hookState: 'dull',
  }),
  lure('lipless-crankbait', 'Lipless, red', SHALLOW, 'C1', {
    weightG: 14,
    families: ['red', 'orange'],
    sound: 'rattles',
  }),
  lure('lipless-crankbait', 'Lipless, silver, one knock', SHALLOW, 'C2', {
    weightG: 14,
    families: ['silver', 'blue'],
    sound: 'one-knock',
  }),
  lure('suspending-jerkbait', 'Jerkbait, ghost shad', DEEP, 'A1', {
    lengthMm: 110,
    weightG: 14,
    statedDepthM: 1.8,
    families: ['silver', 'clear'],
    tone: 'translucent',
  }),
  lure('suspending-jerkbait', 'Jerkbait, olive and gold', DEEP, 'A2', {
    lengthMm: 95,
    weightG: 10.5,
    statedDepthM: 1.5,
    families: ['olive', 'gold'],
    tone: 'muted',
  }),
  lure('medium-diver', 'Medium diver, shad', DEEP, 'B1', { statedDepthM: 2.7, families: ['white', 'silver'] }),
  lure('medium-diver', 'Medium diver, crayfish', DEEP, 'B2', { statedDepthM: 2.5, families: ['brown', 'orange'] }),
  lure('deep-diver', 'Deep diver, chartreuse', DEEP, 'C1', {
    statedDepthM: 5.2,
    statedTestLb: 12,
    families: ['chartreuse', 'blue'],
    ringState: 'worn',
  }),
  lure('walking-topwater', 'Walker, bone', DEEP, 'D1', { families: ['white', 'pearl'] }),
  lure('popper', 'Popper, frog back', DEEP, 'D2', { families: ['clear', 'silver'] }),
  lure('slab-spoon', 'Slab spoon, hammered', DEEP, 'E1', { weightG: 21, families: ['silver', 'white'] }),
  lure('blade-bait', 'Blade bait, gold', DEEP, 'E2', { weightG: 14, families: ['gold', 'silver'] }),
  lure('big-swimbait', 'Big swimbait, trout back', DEEP, 'F1', { families: ['olive', 'silver'] }),
  lure('spinnerbait', 'Spinnerbait, two long', WIRE, 'A1', {
    weightG: 14,
    families: ['white', 'silver'],
    bladeShapes: ['long', 'long'],
  }),
  lure('spinnerbait', 'Spinnerbait, round and long', WIRE, 'A2', {
    weightG: 10.5,
    families: ['chartreuse', 'white'],
    bladeShapes: ['round', 'long'],
    bladeFinish: 'gold',
  }),
  lure('bladed-jig', 'Bladed jig, green', WIRE, 'B1', { weightG: 10.5, families: ['green', 'orange'] }),
  lure('swim-jig', 'Swim jig, pale', WIRE, 'B2', { families: ['white', 'silver'] }),
  lure('flipping-jig', 'Flipping jig, black and blue', WIRE, 'C1', {
    weightG: 14,
    families: ['black', 'blue'],
    tone: 'dark',
  }),
  lure('football-jig', 'Football jig, brown', WIRE, 'C2', {
    weightG: 14,
    families: ['brown', 'orange'],
    tone: 'natural',
  }),
  lure('finesse-jig', 'Finesse jig, green', WIRE, 'C3', { weightG: 7, families: ['green', 'brown'], tone: 'natural' }),
  lure('underspin', 'Underspin, pearl', WIRE, 'D1', { weightG: 10.5, families: ['pearl', 'white'] }),
  lure('weightless-stick-worm', 'Stick worms, green', SOFT, '1', { count: 14, families: ['green', 'black'] }),
  lure('texas-creature', 'Creatures, black and blue', SOFT, '2', { count: 9, families: ['black', 'blue'] }),
  lure('paddle-tail-swimbait', 'Paddle tails, smoke', SOFT, '3', {
    count: 11,
    lengthMm: 100,
    families: ['silver', 'white'],
    tone: 'natural',
  }),
  lure('drop-shot', 'Small worms, for the drop shot', SOFT, '4', { count: 20, families: ['green', 'brown'] }),
  lure('shaky-head', 'Straight worms, green', SOFT, '5', { count: 16, families: ['green', 'purple'] }),
  lure('mushroom-head-worm', 'Half worms, green', SOFT, '6', { count: 12, families: ['green', 'olive'] }),
  lure('jighead-paddle-tail', 'Bay paddle tails, white', BAY, '1', { count: 10, families: ['white', 'pearl'] }),
  lure('weedless-spoon', 'Weedless spoon, gold', BAY, '2', { weightG: 14, families: ['gold'] }),
  lure('popping-cork-shrimp', 'Cork with shrimp', BAY, '3', { families: ['clear', 'brown'] }),
  lure('suspending-twitchbait', 'Twitchbait, mullet', BAY, '4', { families: ['silver', 'white'] }),
];

const small = [
  keep({
    ...presetOf('trailer'),
    name: 'Craws, green',
    box: SOFT,
    slot: '7',
    count: 12,
    trailerAction: 'kicking',
    families: ['green', 'orange'],
  }),
  keep({
    ...presetOf('trailer'),
    name: 'Chunks, brown',
    box: SOFT,
    slot: '8',
    count: 8,
    trailerAction: 'still',
    bulk: 'slim',
    families: ['brown', 'orange'],
  }),
  keep({ ...presetOf('weight'), name: 'Bullet weights, small', box: SMALL, slot: 'A', count: 8, weightG: 7 }),
  keep({ ...presetOf('weight'), name: 'Bullet weights, middling', box: SMALL, slot: 'A', count: 8, weightG: 14 }),
  keep({
    ...presetOf('weight'),
    name: 'Jigheads, middling',
    box: SMALL,
    slot: 'B',
    count: 6,
    weightG: 10.5,
    shape: 'jighead',
    metal: 'lead',
  }),
  keep({
    ...presetOf('weight'),
    name: 'Jigheads, heavy',
    box: SMALL,
    slot: 'B',
    count: 4,
    weightG: 17.5,
    shape: 'jighead',
    metal: 'lead',
  }),
  keep({ ...presetOf('weight'), name: 'Drop weights', box: SMALL, slot: 'C', count: 10, weightG: 10.5, shape: 'drop' }),
  keep({
    ...presetOf('weight'),
    name: 'Weight strips',
    box: SMALL,
    slot: 'C',
    count: 20,
    weightG: 0.3,
    shape: 'strip',
    metal: 'lead',
  }),
  keep({ ...presetOf('hook'), name: 'Trebles, size 6', box: SMALL, slot: 'D', count: 12, hookSize: '6' }),
  keep({ ...presetOf('hook'), name: 'Trebles, size 5', box: SMALL, slot: 'D', count: 6, hookSize: '5' }),
  keep({
    ...presetOf('hook'),
    name: 'Wide-gap hooks',
    box: SMALL,
    slot: 'E',
    count: 15,
    hookStyle: 'wide-gap',
    hookSize: '3/0',
  }),
  keep({
    ...presetOf('hook'),
    name: 'Drop-shot hooks',
    box: SMALL,
    slot: 'E',
    count: 10,
    hookStyle: 'drop-shot',
    hookSize: '1',
  }),
  keep({
    ...presetOf('hook'),
    name: 'Trailer hooks',
    box: SMALL,
    slot: 'E',
    count: 4,
    hookStyle: 'trailer',
    hookSize: '1/0',
  }),
  keep({
    ...presetOf('blade'),
    name: 'Round blades, painted white',
    box: SMALL,
    slot: 'F',
    count: 4,
    bladeFinish: 'painted-white',
  }),
];

const lines = {
  fluoro10: line('10 lb fluorocarbon, worn', 'fluorocarbon', 10, { since: '2026-02-20', daysUsed: 22 }),
  nylon17: line('17 lb nylon', 'nylon', 17, { since: '2026-09-05', daysUsed: 6 }),
  fluoro20: line('20 lb fluorocarbon', 'fluorocarbon', 20, { since: '2026-06-12', daysUsed: 14 }),
  braid15: line('15 lb braid', 'braid', 15, { since: '2025-11-02', daysUsed: 30 }),
  braid40: line('40 lb braid', 'braid', 40, { since: '2026-05-01', daysUsed: 12 }),
  fluoro17: line('17 lb fluorocarbon', 'fluorocarbon', 17, { since: '2026-08-30', daysUsed: 5 }),
  spareFluoro: line('New 10 lb fluorocarbon, on its spool', 'fluorocarbon', 10, { box: 'Line drawer', lengthM: 180 }),
  spareNylon: line('New 12 lb nylon, on its spool', 'nylon', 12, { box: 'Line drawer', lengthM: 250 }),
};
const leader = keep({ ...presetOf('leader'), name: '10 lb fluorocarbon leader', testLb: 10, box: 'Line drawer' });

const reel = (name: string, handle: 'casting' | 'spinning', ratio: number, lineId: string, leaderId?: string) =>
  keep({
    ...presetOf('reel'),
    name,
    handle,
    ratio,
    spoolMm: handle === 'casting' ? 34 : 46,
    lineId,
    ...(leaderId && { leaderId }),
  });
const reels = {
  slow: reel('Slow casting reel', 'casting', 5.4, lines.nylon17.id),
  middle: reel('Middling casting reel', 'casting', 6.4, lines.fluoro10.id),
  quick: reel('Quick casting reel', 'casting', 7.3, lines.fluoro20.id),
  quicker: reel('Frog reel', 'casting', 7.5, lines.braid40.id),
  sturdy: reel('Wire reel', 'casting', 6.6, lines.fluoro17.id),
  spin: reel('Spinning reel', 'spinning', 6, lines.braid15.id, leader.id),
};

type RodDraft = Extract<TackleDraft, { kind: 'rod' }>;
const rod = (name: string, reelId: string | undefined, more: Partial<RodDraft>) =>
  keep({ ...presetOf('rod'), name, box: 'Rod rack', ...(reelId && { reelId }), ...more });
const rods = [
  rod('Crank rod, soft', reels.slow.id, {
    slot: '1',
    power: 'medium',
    rodAction: 'moderate',
    rodLengthM: 2.13,
    castsFromG: 7,
    castsToG: 25,
  }),
  rod('Jerkbait rod', reels.middle.id, {
    slot: '2',
    power: 'medium',
    rodAction: 'moderate-fast',
    rodLengthM: 2.05,
    castsFromG: 7,
    castsToG: 18,
  }),
  rod('Jig rod', reels.quick.id, {
    slot: '3',
    power: 'medium-heavy',
    rodAction: 'fast',
    rodLengthM: 2.2,
    castsFromG: 10,
    castsToG: 28,
  }),
  rod('Frog rod', reels.quicker.id, {
    slot: '4',
    power: 'heavy',
    rodAction: 'fast',
    rodLengthM: 2.25,
    castsFromG: 14,
    castsToG: 60,
  }),
  rod('Spinnerbait rod', reels.sturdy.id, {
    slot: '5',
    power: 'medium-heavy',
    rodAction: 'moderate-fast',
    rodLengthM: 2.1,
    castsFromG: 9,
    castsToG: 28,
  }),
  rod('Spinning rod', reels.spin.id, {
    slot: '6',
    handle: 'spinning',
    power: 'medium',
    rodAction: 'fast',
    rodLengthM: 2.1,
    castsFromG: 3.5,
    castsToG: 14,
  }),
  rod('Old deep-crank rod', undefined, {
    slot: '7',
    power: 'heavy',
    rodAction: 'moderate',
    rodLengthM: 2.4,
    castsFromG: 20,
    castsToG: 60,
  }),
];

/** A made-up collection: six boxes, seven rods, two spools in the drawer. */
export const DEMO_TACKLE: readonly TackleItem[] = [
  ...lures,
  ...small,
  ...Object.values(lines),
  leader,
  ...Object.values(reels),
  ...rods,
];
