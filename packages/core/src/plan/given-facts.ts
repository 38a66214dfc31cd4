import type { Cover } from '../contract/ids.js';
import { overTableM } from '../day/over-table.js';
import { Statement } from '../rules/facts.js';
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

/** A tide that is named without the hours into it is taken to have run for so many. */
const USUAL_HOURS_INTO_TIDE = 2;

/** How the water moves, and how tidal water stands to its table and between neaps and springs. */
function stateMovement(conditions: FullConditions, stated: Statement): void {
  const { tide, discipline, inflow, current } = conditions;
  stated.of('inflow', inflow === 'none' ? null : inflow);
  stated.of('current', current);
  if (tide) {
    stated.of('tide', tide.stage);
    stated.put('tideHours', tide.hoursIntoStage ?? USUAL_HOURS_INTO_TIDE);
    stated.put('tideRangeM', tide.rangeM);
  }
  stated.put('springShare', conditions.tideSpringShare);
  const aboveM = discipline === 'inshore' ? overTableM(conditions) : 0;
  if (aboveM) stated.put('overTableM', aboveM);
}

/** The bait that was named, and what was seen of it. */
function stateForage({ forage = [], signs }: FullConditions, stated: Statement): void {
  for (const { seen } of forage) stated.all('seen', seen);
  stated.put('forage-named', forage.length || signs?.includes('crayfish-in-mouth') ? 1 : 0);
  // Of several lengths the largest decides: a lure that is small beside it is refused.
  const lengthsMm = forage.flatMap(({ lengthMm }) => lengthMm ?? []);
  if (lengthsMm.length) stated.put('forageLengthMm', Math.max(...lengthsMm));
}

/** A sharp fall of the water weighs like a front that the angler did not name. */
function stateFront({ front }: FullConditions, sharpChangeC: number, stated: Statement): void {
  stated.of('front', front);
  const fall = Math.min(1, Math.max(0, (-sharpChangeC - 1) / 1.5));
  if (front === 'stable' && fall > 0) stated.of('front', 'post-frontal', fall * 0.6);
}

/**
 * What the conditions say outright, as facts.
 * @param sharpChangeC change of the water over two days by its readings, degrees Celsius
 */
export function stateGiven(conditions: FullConditions, sharpChangeC: number): Statement {
  const { surfaceTempC, covers, coverTopDepthM, pressure, leaves } = conditions;
  const stated = new Statement();
  stated.put('windMps', conditions.windMps);
  stated.put('cold', Math.min(1, Math.max(0, (13 - surfaceTempC) / 4)));
  stated.of('discipline', conditions.discipline);
  stated.of('species', conditions.species);
  stated.of('sky', conditions.sky);
  stated.of('water', conditions.waterKind);
  stated.of('goal', conditions.goal);
  stated.of('familiarity', conditions.familiarity);
  stated.all('sign', conditions.signs);
  stated.all('feedback', conditions.feedback);
  stated.all('fish-sign', conditions.fishSigns);
  stateFront(conditions, sharpChangeC, stated);
  stateForage(conditions, stated);
  stateMovement(conditions, stated);
  stated.put('banks-of-bushes', covers.some((cover) => BUSHES.has(cover)) ? 1 : 0);
  const thick = covers.some((cover) => THICK_GRASS.has(cover)) || (coverTopDepthM ?? 9) < 0.5;
  stated.put('thick-grass', thick ? 1 : 0);
  stated.of('pressure', pressure);
  if (leaves) stated.put('leaves', 1);
  stated.put('salinityPsu', conditions.salinityPsu);
  stated.put('bankSlopeDeg', conditions.bankSlopeDeg);
  stated.put('waterOverCoverM', coverTopDepthM);
  return stated;
}
