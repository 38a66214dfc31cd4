import { capital, nameOf } from '../contract/names.js';
import { sayHours } from '../day/say-clock.js';
import type { ReviewWords } from '../contract/trips.js';
import { say, sayRange, type UnitSystem } from '../units/units.js';
import type { Block } from './evidence/fished.js';
import { mattering } from './evidence/moves.js';
import { posterior } from './evidence/posterior.js';
import { blocksOf } from './blocks.js';
import { dayClock } from './moment.js';
import { activeMs, type Trip } from './trip.js';
import { matteringWords, rateWords, sayStretch } from './words.js';

const HOUR_MS = 3_600_000;
const MAX_LINES = 5;
/** Less fishing than this with one thing is a small sample. */
const SMALL_HOURS = 1.5;

const hoursWords = (hours: number): string => sayStretch(hours * HOUR_MS);
const count = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`;

/** Hours and bites of blocks, put together by something they share. */
function by(blocks: readonly Block[], key: (block: Block) => string | null) {
  const sums = new Map<string, { hours: number; bites: number }>();
  for (const block of blocks) {
    const own = key(block);
    if (own === null) continue;
    const sum = sums.get(own) ?? { hours: 0, bites: 0 };
    sums.set(own, { hours: sum.hours + block.hours, bites: sum.bites + block.bites });
  }
  return [...sums]
    .map(([name, sum]) => ({ name, ...sum, perHour: sum.bites / sum.hours }))
    .sort((a, b) => b.hours - a.hours);
}

function plannedWords({ plan, begin }: Trip, units: UnitSystem): string[] {
  if (!plan) return ['Set out without a plan.'];
  const windows = plan.plan.windows.map(({ from, to, presentations, holding }) => {
    const [lure, place] = [presentations[0], holding[0]];
    const told = lure ? `${nameOf(lure.category)} at ${sayRange('depth', lure.runDepthM, units)}` : 'no lure';
    return `${capital(sayHours(from, to))}: ${told}${place ? `, ${nameOf(place.structure)}` : ''}.`;
  });
  const order = begin.stops.map(({ name }) => name).join('; ');
  return [
    `${capital(nameOf(plan.plan.phase.id))}, water ${say('temp', plan.conditions.surfaceTempC, units)}.`,
    ...windows,
    ...(order ? [`Order: ${order}.`] : []),
  ];
}

/** Bites of a trip, whatever they took; a follow is none. */
const bitesOf = ({ notes }: Trip): number =>
  notes.filter(({ event }) => event.kind === 'contact' && event.what !== 'follow').length;

function doneWords(trip: Trip, blocks: readonly Block[], endMs: number): string[] {
  const contacts = trip.notes.flatMap(({ event }) => (event.kind === 'contact' ? [event] : []));
  const landed = contacts.filter(({ what }) => what === 'landed').length;
  const bites = bitesOf(trip);
  const casts = trip.notes.reduce((sum, { event }) => sum + (event.kind === 'effort' ? (event.casts ?? 0) : 0), 0);
  const fished = blocks.reduce((sum, { hours }) => sum + hours, 0);
  // What was fished before one set out in the log was time out, too.
  const out = Math.max(fished, activeMs(trip, trip.startMs, endMs) / HOUR_MS);
  const said = casts ? ` and ${count(casts, 'cast')} said` : '';
  return [
    `${hoursWords(out)} out, ${hoursWords(fished)} of fishing noted${said}.`,
    `${count(bites, 'bite')}, ${count(landed, 'fish', 'fish')} landed.`,
    ...by(blocks, ({ category }) => category)
      .slice(0, MAX_LINES)
      .map(({ name, hours, bites: own }) => `${capital(nameOf(name))}: ${hoursWords(hours)}, ${count(own, 'bite')}.`),
  ];
}

const small = (hours: number): string => (hours < SMALL_HOURS ? ' (a small sample)' : '');

function foundWords(trip: Trip, blocks: readonly Block[], units: UnitSystem): string[] {
  const hours = blocks.reduce((sum, block) => sum + block.hours, 0);
  const bites = blocks.reduce((sum, block) => sum + block.bites, 0);
  const noted = bitesOf(trip);
  if (!bites && noted) return [`${count(noted, 'bite')}, of which it is not noted what they took.`];
  if (!bites) return [hours ? `No bite in ${hoursWords(hours)}: that is news too.` : 'Nothing was noted.'];
  const best = (key: (block: Block) => string | null) =>
    by(blocks, key).sort((a, b) => b.perHour - a.perHour || b.hours - a.hours)[0];
  const lure = best(({ category }) => nameOf(category));
  const place = best(({ spot, structure }) => spot ?? (structure && nameOf(structure)));
  const told = (what: string, found: ReturnType<typeof best>) =>
    found ? [`Best ${what}: ${found.name}, ${rateWords(found.perHour)} an hour${small(found.hours)}.`] : [];
  // What the day itself says, whatever the plan had thought of it.
  const known = posterior(
    blocks,
    blocks.map(() => 0),
  );
  const top = [...blocks].sort((a, b) => b.bites / b.hours - a.bites / a.hours)[0] as Block;
  return [
    `${rateWords(bites / hours)} bites an hour of fishing${small(hours)}.`,
    ...told('lure', lure),
    ...told('place', place),
    ...mattering(known, { ...top, id: 'top', prior: 1 }, top.atMin).map((each) => matteringWords(each, units)),
  ];
}

function readWords({ notes, plan }: Trip, units: UnitSystem): string[] {
  const temps = notes.flatMap(({ event }) => {
    const temp = event.kind === 'reading' ? event.reading.surfaceTempC : undefined;
    return temp ?? event.sensed?.surfaceTempC ?? [];
  });
  if (!temps.length) return [];
  const range = sayRange('temp', [Math.min(...temps), Math.max(...temps)], units);
  const planned = plan ? `, planned ${say('temp', plan.conditions.surfaceTempC, units)}` : '';
  return [`Water read: ${range}${planned}.`];
}

/** What was planned, what was done and what it showed, in words. */
export function reviewOf(trip: Trip, nowMs: number, units: UnitSystem): ReviewWords {
  const endMs = trip.stoppedMs ?? nowMs;
  const blocks = blocksOf(trip, endMs, dayClock(trip));
  return {
    planned: plannedWords(trip, units),
    done: doneWords(trip, blocks, endMs),
    found: [...foundWords(trip, blocks, units), ...readWords(trip, units)],
  };
}
