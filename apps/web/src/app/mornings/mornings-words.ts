import { capital, nameOf, say, sayRange, type UnitSystem } from '@inky-shoal/core';
import {
  answerWords,
  ofMornings,
  READ_WORDS,
  type ShortPlan,
  type ToldCard,
  type WindowSureness,
} from '@inky-shoal/core/mornings';
import type { Spread, ToldLacking } from './mornings-api';

/** It is hardly ever otherwise. */
const NEARLY_ALWAYS = 0.95;

/** In how many of ten. */
const ofTen = (share: number): string => `${Math.min(9, Math.max(share > 0 ? 1 : 0, Math.round(10 * share)))} of 10`;

/** What decides over a window's first lure, in words; null where no one reading does. */
export function decidesWords({ first, decides }: WindowSureness, units: UnitSystem): string | null {
  if (!decides) return null;
  const { question, over, under } = decides;
  const [overWords, underWords] = answerWords(question, units);
  const read = `${READ_WORDS[question.of]} decides`;
  if (over.of === first) return `${read}: with ${plainly(underWords)} the ${nameOf(under.of)} takes over`;
  if (under.of === first) return `${read}: with ${plainly(overWords)} the ${nameOf(over.of)} takes over`;
  return `${read}: with ${plainly(overWords)} the ${nameOf(over.of)}, else the ${nameOf(under.of)}`;
}

/** An answer as it goes on a sentence: `you see over 6 ft` is what one has seen. */
const plainly = (words: string): string =>
  words.replace(
    /^you see (over|up to) /,
    (_, bound: string) => `a visibility ${bound === 'over' ? 'over' : 'of up to'} `,
  );

/** How sure a window's first lure is, in a sentence. */
export function surenessWords(window: WindowSureness, units: UnitSystem): string {
  const { first, stands } = window;
  const lure = `the ${nameOf(first)}`;
  if (stands >= NEARLY_ALWAYS) return `${capital(lure)} stands on nearly every morning that may come.`;
  const decides = decidesWords(window, units);
  return `${capital(lure)} stands in ${ofTen(stands)} mornings${decides ? `; ${decides}` : ''}.`;
}

/** What is drawn from, in words: `Water 53 to 57 °F, wind 4 to 11 mph`. */
export function spreadWords(
  spreads: Readonly<Record<'surfaceTempC' | 'visibilityM' | 'windMps', Spread>>,
  units: UnitSystem,
): string {
  const range = (measure: 'temp' | 'depth' | 'wind', [low, , high]: Spread) => sayRange(measure, [low, high], units);
  return `Water ${range('temp', spreads.surfaceTempC)}, visibility ${range('depth', spreads.visibilityM)}, wind ${range('wind', spreads.windMps)}`;
}

/** An answer of the card in two lines: what and where, then how. */
export function shortPlanWords({ place, presentation }: ShortPlan, units: UnitSystem): [what: string, how: string] {
  const { category, runDepthM, retrieve, rig } = presentation;
  const what = `${capital(nameOf(category))} at ${sayRange('depth', runDepthM, units)}`;
  const where = `${nameOf(place.structure)}, ${nameOf(place.cover)}`;
  const waits = retrieve.pauseS ? `, wait ${retrieve.pauseS[0]} to ${retrieve.pauseS[1]} s` : '';
  const rod = `${nameOf(rig.rod.power)} rod, ${say('test', rig.line.testLb, units)} ${rig.line.material}`;
  return [what, `${capital(where)}. ${capital(nameOf(retrieve.style))}${waits}. ${capital(rod)}.`];
}

/** What a lure that is lacking should be, and how much it is missed. */
export function lackingWords(
  { lengthMm, tone, families, lineLb, lineMaterial, wanted, times }: ToldLacking,
  units: UnitSystem,
): [what: string, why: string] {
  const what = `${sayRange('length', lengthMm, units)}, ${nameOf(tone)}, ${families.map(nameOf).join(' or ')}, on ${say('test', lineLb, units)} ${nameOf(lineMaterial)}`;
  const better =
    times >= 3 ? 'nothing owned comes near it there' : `${times.toFixed(1)} times the bites of the best that is owned`;
  return [what, `Wanted in ${ofMornings(wanted)} mornings; ${better}`];
}

/** How good the card is, and what its first reading is worth. */
export function cardWords({ agrees, worth, root }: ToldCard): string {
  const right = `It names the planner's first or second choice on ${Math.round(100 * agrees)} of 100 mornings that it has not seen.`;
  if (root.kind === 'answer') return `One answer does for all. ${right}`;
  const more = Math.round(100 * (worth - 1));
  const first = `Read ${root.read} first${more >= 1 ? `: to know it is worth some ${more} % more bites` : ''}.`;
  return `${first} ${right}`;
}
