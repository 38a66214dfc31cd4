import type { Conditions } from '../contract/conditions.js';
import { BASS_PHASES, INSHORE_PHASES, type Discipline, type Phase } from '../contract/ids.js';
import { dayLengthH } from '../day/sun.js';
import { climateHighC } from './climate.js';
import type { Facts, Known } from '../rules/facts.js';
import { compile, type Judge } from '../rules/fuzzy.js';
import { BASS_PHASE_RULES, FISH_SIGN_RULES, INSHORE_PHASE_RULES } from './phases.js';

/**
 * Smallmouth live the same year a few degrees colder, stripers far colder, snook warmer (judgement); temperatures are
 * moved up by this before judging.
 */
const SPECIES_SHIFT_C: Partial<Record<NonNullable<Conditions['species']>, number>> = {
  smallmouth: 1.5,
  spotted: 0.3,
  'striped-bass': 5,
  snook: -2.5,
};

export const speciesShiftC = (species: Conditions['species']): number => (species && SPECIES_SHIFT_C[species]) ?? 0;

const BASS_RULES = [...BASS_PHASE_RULES, ...FISH_SIGN_RULES];

/** The phases of a discipline in the order in which the year runs through them, and the rules that tell them apart. */
export const phaseRules = (discipline: Discipline) =>
  discipline === 'bass'
    ? { phases: BASS_PHASES as readonly Phase[], rules: BASS_RULES }
    : { phases: INSHORE_PHASES as readonly Phase[], rules: INSHORE_PHASE_RULES };

/** What the phase rules ask: temperature, its trend, and the way of the day's length. */
export function phaseFacts(latitude: number, dayOfYear: number, surfaceTempC: number, tempTrendCPerDay: number): Known {
  return {
    surfaceTempC,
    tempTrendCPerDay,
    belowYearHighC: climateHighC(latitude) - surfaceTempC,
    dayLengthH: dayLengthH(latitude, dayOfYear),
    dayLengthChangeMinPerDay: (dayLengthH(latitude, dayOfYear + 3) - dayLengthH(latitude, dayOfYear - 3)) * 10,
  };
}

type Evidence = readonly { readonly index: number; readonly floor: number; readonly judge: Judge }[];
const evidence = new Map<Discipline, Evidence>();

/** Rules with their judges at hand: a year of a lake asks them some ten thousand times. */
function evidenceOf(discipline: Discipline): Evidence {
  let known = evidence.get(discipline);
  if (!known) {
    const { phases, rules } = phaseRules(discipline);
    known = rules.map(({ effect: { phase, floor }, when }) => ({
      index: phases.indexOf(phase),
      floor,
      judge: compile(when),
    }));
    evidence.set(discipline, known);
  }
  return known;
}

/** The likelihood of each phase under the facts, in the order of the year: the product of its evidence. */
export function phaseLikelihoods(discipline: Discipline, facts: Facts): Float64Array {
  const likelihoods = new Float64Array(phaseRules(discipline).phases.length).fill(1);
  for (const { index, floor, judge } of evidenceOf(discipline)) {
    likelihoods[index] = (likelihoods[index] as number) * (floor + (1 - floor) * judge(facts));
  }
  return likelihoods;
}
