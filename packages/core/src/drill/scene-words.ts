import type { Conditions } from '../contract/conditions.js';
import { capital, nameOf } from '../contract/names.js';
import { dayNumber } from '../day/calendar.js';
import { sayDay } from '../season/answer/index.js';
import type { DrillStep } from '../contract/practice.js';
import { figureOf, say, sayRange, symbolOf, type UnitSystem } from '../units/units.js';
import type { DrillKey } from './key.js';

const FRONT_WORDS: Readonly<Record<NonNullable<Conditions['front']>, string>> = {
  stable: '',
  approaching: 'A front is coming.',
  passing: 'A front is passing.',
  'post-frontal': 'A front has passed.',
  recovering: 'A front passed some days ago.',
};

const LIGHT_WORDS = { low: 'low light', rising: 'morning sun', high: 'high sun', falling: 'afternoon sun' } as const;

function trendWords(perDayC: number, units: UnitSystem): string {
  if (Math.abs(perDayC) < 0.1) return 'and steady';
  const change = `${figureOf('tempChange', Math.abs(perDayC), units)} ${symbolOf('tempChange', units)} a day`;
  return `and ${perDayC > 0 ? 'rising' : 'falling'} ${change}`;
}

/**
 * A day as an angler meets it, a sentence each: date, water, what one sees, weather, ground. It names no phase.
 * @param withoutWater leaves out how warm it is, how far one sees and the ground: they are asked for
 */
export function sceneWords(conditions: Conditions, units: UnitSystem, withoutWater = false): string[] {
  const { date, surfaceTempC, tempTrendCPerDay = 0, visibilityM, normalVisibilityM, sky, windMps, front } = conditions;
  const { structures = [], covers = [], maxDepthM, tide } = conditions;
  const named = (ids: readonly string[]) => ids.map(nameOf).join(', ');
  return [
    withoutWater
      ? `${sayDay(dayNumber(date))}.`
      : `${sayDay(dayNumber(date))}. The water is ${say('temp', surfaceTempC, units)} ${trendWords(tempTrendCPerDay, units)}.`,
    ...(!withoutWater && visibilityM !== undefined && normalVisibilityM !== undefined
      ? [`You see ${say('depth', visibilityM, units)}, where ${say('depth', normalVisibilityM, units)} is usual.`]
      : []),
    [
      `${capital(nameOf(sky ?? 'partly-cloudy'))}, ${windMps ? `wind ${say('wind', windMps, units)}` : 'no wind'}.`,
      FRONT_WORDS[front ?? 'stable'],
    ]
      .filter(Boolean)
      .join(' '),
    ...(tide ? [`The tide: ${nameOf(tide.stage)}.`] : []),
    ...(withoutWater
      ? []
      : [
          `Ground: ${named(structures)}; ${named(covers)}.${maxDepthM === undefined ? '' : ` The bottom is at ${say('depth', maxDepthM, units)}.`}`,
        ]),
  ];
}

/** Light of the window that is asked about, in words. */
export const askedLight = ({ told }: DrillKey): string => (told.night ? 'by night' : `in ${LIGHT_WORDS[told.light]}`);

/** What is asked, in a question. */
export const STEP_QUESTIONS: Readonly<Record<DrillStep, string>> = {
  phase: 'What do the fish think it is?',
  regime: 'What kind of water is it?',
  food: 'What do they eat most?',
  where: 'Where are they?',
  depth: 'How deep over the day? Draw the band.',
  lure: 'What do you tie on?',
  class: "The planner's lure is made for several depths: which one?",
  trim: "What tone does the planner's lure have?",
  pause: "How long does the planner's lure lie still?",
  rig: 'On what rod and line?',
};

/** What the planner has for a step that was not asked, so that the next can be asked by itself. */
export function toldBefore({ day, told, units }: DrillKey, step: DrillStep): string {
  const [place] = told.holding;
  const [first] = told.presentations;
  const held = place && `${nameOf(place.structure)}, ${sayRange('depth', place.depthM, units)}`;
  switch (step) {
    case 'phase':
    case 'regime':
      return '';
    case 'food':
    case 'where':
      return `It is ${nameOf(day.phase.id)}.`;
    case 'depth':
    case 'lure':
      return `It is ${nameOf(day.phase.id)}; most are on the ${step === 'lure' ? (held ?? '') : nameOf(place?.structure ?? '')}.`;
    case 'class':
    case 'trim':
    case 'pause':
    case 'rig':
      return `The planner ties on a ${nameOf(first?.category ?? '')}, for the ${held ?? ''}.`;
  }
}

/** An answer's worth in a word. */
export const worthWords = (score: number): string =>
  score >= 0.95 ? 'Right.' : score >= 0.6 ? 'Nearly.' : score >= 0.25 ? 'Not quite.' : 'No.';
