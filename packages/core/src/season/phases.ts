import type { FishSign, Phase } from '../contract/ids.js';
import { above, all, any, below, between, is, not, type Condition } from '../rules/fuzzy.js';
import type { Rule } from '../rules/rule.js';

/** What a piece of evidence leaves of a phase's likelihood where it does not hold at all. */
export interface Evidence {
  readonly phase: Phase;
  readonly floor: number;
}

const rising = above('tempTrendCPerDay', -0.3, 0.15);
const falling = below('tempTrendCPerDay', -0.15, 0.2);
/** Days lengthen, or the solstice is near enough that the fish cannot tell. Minutes a day. */
const daysLengthen = above('dayLengthChangeMinPerDay', -0.5, 0.4);
const daysShorten = below('dayLengthChangeMinPerDay', 0.1, 0.6);
const notLongPastMidsummer = above('dayLengthChangeMinPerDay', -1.6, -0.5);

export type PhaseRule = Rule<Evidence>;
const temperature = (phase: Phase, when: Condition, text: string): PhaseRule => ({
  id: `${phase}-temperature`,
  when,
  effect: { phase, floor: 0.004 },
  text,
});
const trend = (phase: Phase, when: Condition, text: string): PhaseRule => ({
  id: `${phase}-trend`,
  when,
  effect: { phase, floor: 0.35 },
  text,
});
const daylight = (phase: Phase, when: Condition, text: string): PhaseRule => ({
  id: `${phase}-daylight`,
  when,
  effect: { phase, floor: 0.02 },
  text,
});

/**
 * Evidence for each bass phase: temperature, its trend and the length of the day. Temperature alone does not name the
 * season. Working figures of the field; temperatures are moved by the species before they come here.
 */
export const BASS_PHASE_RULES: readonly PhaseRule[] = [
  temperature(
    'winter',
    any(below('surfaceTempC', 6.5, 9), all(below('riseAboveYearLowC', 1.2, 2.6), below('surfaceTempC', 11, 14))),
    'Near the coldest of the year',
  ),
  trend('winter', below('tempTrendCPerDay', 0.1, 0.6), 'The water is flat or falling'),

  temperature(
    'staging',
    all(between('surfaceTempC', 5.5, 7.2, 9.4, 11.6), above('riseAboveYearLowC', 1.4, 2.8)),
    'Clearly up from the low of the year, not yet {temp:10}',
  ),
  trend('staging', rising, 'The water is rising'),
  daylight('staging', daysLengthen, 'Days are lengthening'),

  temperature(
    'pre-spawn',
    all(between('surfaceTempC', 8.4, 10.4, 13.6, 15.6), above('riseAboveYearLowC', 0.8, 2.2)),
    'The water is in the range of the spring feed, {temp:10} to {temp:14}',
  ),
  trend('pre-spawn', rising, 'The water is rising'),
  daylight('pre-spawn', daysLengthen, 'Days are lengthening'),

  temperature(
    'spawn',
    between('surfaceTempC', 13.2, 15.2, 19, 21),
    'The water is warm enough for beds, {temp:14} to {temp:20}',
  ),
  trend('spawn', above('tempTrendCPerDay', -0.4, 0), 'The water is steady or rising'),
  daylight('spawn', daysLengthen, 'Days are long and lengthening'),

  temperature(
    'post-spawn',
    between('surfaceTempC', 18.8, 21, 23.2, 25.2),
    'Warmer than the beds want, {temp:20} to {temp:24}',
  ),
  trend('post-spawn', rising, 'The water is rising'),
  daylight('post-spawn', notLongPastMidsummer, 'It is not long past midsummer'),

  temperature(
    'summer',
    any(above('surfaceTempC', 22.8, 25.2), all(below('belowYearHighC', 1.2, 3), above('surfaceTempC', 18, 20.5))),
    'Summer water: over {temp:24}, or the warmest that this latitude gets',
  ),
  trend('summer', above('tempTrendCPerDay', -0.3, -0.08), 'The water is high and flat'),

  temperature('early-fall', between('surfaceTempC', 19.8, 21.6, 26, 28), 'Cooling from {temp:27} to {temp:21}'),
  trend('early-fall', falling, 'The water is falling'),
  daylight('early-fall', below('dayLengthChangeMinPerDay', -0.9, -0.2), 'Days are shortening'),

  temperature('fall', between('surfaceTempC', 13, 14.8, 20.4, 22.2), 'Between {temp:21} and {temp:14} on the way down'),
  trend('fall', falling, 'The water is falling'),
  daylight('fall', daysShorten, 'Days are shortening'),

  temperature(
    'late-fall',
    between('surfaceTempC', 7.4, 9.2, 13.4, 15),
    'Between {temp:14} and {temp:9} on the way down',
  ),
  trend('late-fall', falling, 'The water is falling'),
  daylight('late-fall', daysShorten, 'Days are short or shortening'),
  {
    id: 'late-fall-above-low',
    when: above('riseAboveYearLowC', 0.8, 2),
    effect: { phase: 'late-fall', floor: 0.3 },
    text: 'Not yet at the low of the year',
  },
];

/** What the fish themselves say of the season: each sign leaves a phase that it does not fit so much of its likelihood. */
const SIGNS_AGAINST: Readonly<Record<FishSign, Partial<Record<Phase, number>>>> = {
  'small-males-shallow': {
    winter: 0.05,
    staging: 0.4,
    'pre-spawn': 0.65,
    'post-spawn': 0.5,
    summer: 0.1,
    'early-fall': 0.05,
    fall: 0.05,
    'late-fall': 0.05,
  },
  'egg-full': { spawn: 0.7, 'post-spawn': 0.12, summer: 0.1, 'early-fall': 0.2, fall: 0.3 },
  spent: { winter: 0.03, staging: 0.04, 'pre-spawn': 0.1, spawn: 0.6, summer: 0.8, fall: 0.05, 'late-fall': 0.03 },
};
const SIGN_TEXT: Readonly<Record<FishSign, string>> = {
  'small-males-shallow': 'Small males look for beds along the bank',
  'egg-full': 'Females are full of eggs',
  spent: 'Worn tails: they have spawned',
};

/** The fish's own signs as evidence. */
export const FISH_SIGN_RULES: readonly PhaseRule[] = (Object.keys(SIGNS_AGAINST) as FishSign[]).flatMap((sign) =>
  (Object.entries(SIGNS_AGAINST[sign]) as [Phase, number][]).map(([phase, floor]) => ({
    id: `${phase}-${sign}`,
    when: not(is(`fish-sign:${sign}`)),
    effect: { phase, floor },
    text: SIGN_TEXT[sign],
  })),
);

/** Inshore the temperature and its way decide; fish move with it between refuge, flats and passes. */
export const INSHORE_PHASE_RULES: readonly PhaseRule[] = [
  temperature(
    'winter-refuge',
    below('surfaceTempC', 13.5, 16.5),
    'Under {temp:14.5}: fish seek deep holes and dark mud in the sun',
  ),
  temperature('spring-rise', between('surfaceTempC', 13.5, 16, 24, 27), 'Between {temp:15.5} and {temp:22}'),
  trend('spring-rise', above('tempTrendCPerDay', -0.3, 0.05), 'The water is rising'),
  daylight('spring-rise', notLongPastMidsummer, 'Days are lengthening'),
  temperature('summer-heat', above('surfaceTempC', 24, 27), 'Summer water, about {temp:27} and over'),
  temperature(
    'fall-run',
    between('surfaceTempC', 13.5, 16, 25.5, 27.5),
    'Falling from {temp:27}: bait leaves the marsh',
  ),
  trend('fall-run', falling, 'The water is falling'),
  daylight(
    'fall-run',
    all(daysShorten, not(all(notLongPastMidsummer, above('dayLengthChangeMinPerDay', -0.4, 0)))),
    'Days are shortening',
  ),
];
