import type { Cover } from '../contract/ids.js';
import { overTableM } from '../day/over-table.js';
import { slotOf, slotsOf, Statement } from '../rules/facts.js';
import type { FullConditions } from './assume.js';

const BUSHES: ReadonlySet<Cover> = new Set([
  'flooded-bush',
  'laydown',
  'trees',
  'reeds',
  'emergent-grass',
  'brush-pile',
]);
const THICK_GRASS: ReadonlySet<Cover> = new Set(['pads', 'emergent-grass', 'reeds']);

/** The slots of what conditions say outright. */
const SLOTS = {
  windMps: slotOf('windMps'),
  cold: slotOf('cold'),
  discipline: slotsOf('discipline'),
  species: slotsOf('species'),
  sky: slotsOf('sky'),
  front: slotsOf('front'),
  inflow: slotsOf('inflow'),
  water: slotsOf('water'),
  goal: slotsOf('goal'),
  familiarity: slotsOf('familiarity'),
  sign: slotsOf('sign'),
  feedback: slotsOf('feedback'),
  seen: slotsOf('seen'),
  banksOfBushes: slotOf('banks-of-bushes'),
  thickGrass: slotOf('thick-grass'),
  forageNamed: slotOf('forage-named'),
  forageLengthMm: slotOf('forageLengthMm'),
  current: slotsOf('current'),
  pressure: slotsOf('pressure'),
  fishSign: slotsOf('fish-sign'),
  leaves: slotOf('leaves'),
  tide: slotsOf('tide'),
  tideHours: slotOf('tideHours'),
  tideRangeM: slotOf('tideRangeM'),
  overTableM: slotOf('overTableM'),
  springShare: slotOf('springShare'),
  salinityPsu: slotOf('salinityPsu'),
  bankSlopeDeg: slotOf('bankSlopeDeg'),
  waterOverCoverM: slotOf('waterOverCoverM'),
} as const;

/** A tide that is named without the hours into it is taken to have run for so many. */
const USUAL_HOURS_INTO_TIDE = 2;

/** How the water moves, and how tidal water stands to its table and between neaps and springs. */
function stateMovement(conditions: FullConditions, stated: Statement): void {
  const { tide, discipline, inflow, current } = conditions;
  if (inflow !== 'none') stated.put(SLOTS.inflow(inflow), 1);
  if (current) stated.put(SLOTS.current(current), 1);
  if (tide) {
    stated.put(SLOTS.tide(tide.stage), 1);
    stated.put(SLOTS.tideHours, tide.hoursIntoStage ?? USUAL_HOURS_INTO_TIDE);
    stated.put(SLOTS.tideRangeM, tide.rangeM);
  }
  stated.put(SLOTS.springShare, conditions.tideSpringShare);
  const aboveM = discipline === 'inshore' ? overTableM(conditions) : 0;
  if (aboveM) stated.put(SLOTS.overTableM, aboveM);
}

/** The bait that was named, and what was seen of it. */
function stateForage({ forage = [], signs }: FullConditions, stated: Statement): void {
  for (const { seen } of forage) stated.all(SLOTS.seen, seen);
  stated.put(SLOTS.forageNamed, forage.length || signs?.includes('crayfish-in-mouth') ? 1 : 0);
  // Of several lengths the largest decides: a lure that is small beside it is refused.
  const lengthsMm = forage.flatMap(({ lengthMm }) => lengthMm ?? []);
  if (lengthsMm.length) stated.put(SLOTS.forageLengthMm, Math.max(...lengthsMm));
}

/** A sharp fall of the water weighs like a front that the angler did not name. */
function stateFront({ front }: FullConditions, sharpChangeC: number, stated: Statement): void {
  stated.put(SLOTS.front(front), 1);
  const fall = Math.min(1, Math.max(0, (-sharpChangeC - 1) / 1.5));
  if (front === 'stable' && fall > 0) stated.put(SLOTS.front('post-frontal'), fall * 0.6);
}

/**
 * What the conditions say outright, as facts.
 * @param sharpChangeC change of the water over two days by its readings, degrees Celsius
 */
export function stateGiven(conditions: FullConditions, sharpChangeC: number): Statement {
  const { surfaceTempC, covers, coverTopDepthM, pressure, leaves } = conditions;
  const stated = new Statement();
  stated.put(SLOTS.windMps, conditions.windMps);
  stated.put(SLOTS.cold, Math.min(1, Math.max(0, (13 - surfaceTempC) / 4)));
  stated.put(SLOTS.discipline(conditions.discipline), 1);
  stated.put(SLOTS.species(conditions.species), 1);
  stated.put(SLOTS.sky(conditions.sky), 1);
  stated.put(SLOTS.water(conditions.waterKind), 1);
  stated.put(SLOTS.goal(conditions.goal), 1);
  stated.put(SLOTS.familiarity(conditions.familiarity), 1);
  stated.all(SLOTS.sign, conditions.signs);
  stated.all(SLOTS.feedback, conditions.feedback);
  stated.all(SLOTS.fishSign, conditions.fishSigns);
  stateFront(conditions, sharpChangeC, stated);
  stateForage(conditions, stated);
  stateMovement(conditions, stated);
  stated.put(SLOTS.banksOfBushes, covers.some((cover) => BUSHES.has(cover)) ? 1 : 0);
  const thick = covers.some((cover) => THICK_GRASS.has(cover)) || (coverTopDepthM ?? 9) < 0.5;
  stated.put(SLOTS.thickGrass, thick ? 1 : 0);
  if (pressure) stated.put(SLOTS.pressure(pressure), 1);
  if (leaves) stated.put(SLOTS.leaves, 1);
  stated.put(SLOTS.salinityPsu, conditions.salinityPsu);
  stated.put(SLOTS.bankSlopeDeg, conditions.bankSlopeDeg);
  stated.put(SLOTS.waterOverCoverM, coverTopDepthM);
  return stated;
}
