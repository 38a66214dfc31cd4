import type { Conditions } from '../contract/conditions.js';
import { SCHOOL_SIDES, type SchoolId, type SchoolSide } from '../contract/ids.js';
import { nameOf } from '../contract/names.js';
import type { Plan, PlanWindow, Presentation } from '../contract/plan.js';
import { say, sayRange, type UnitSystem } from '../units/units.js';
import { makePlan } from './make-plan.js';

/** What anglers of another school would do in a window. */
export interface OtherSide {
  readonly school: SchoolId;
  readonly side: SchoolSide;
  /** In words that follow "Others would": `tie on a spinnerbait first`. */
  readonly would: string;
}

/** What differs between two presentations of one category, as something one would do. */
function differences(own: Presentation, other: Presentation, units: UnitSystem): string[] {
  const said: string[] = [];
  if (own.retrieve.style !== other.retrieve.style) said.push(`fish it ${nameOf(other.retrieve.style)}`);
  if (own.colour.tone !== other.colour.tone || own.colour.families[0] !== other.colour.families[0]) {
    said.push(`take it ${nameOf(other.colour.tone)}, ${other.colour.families.map(nameOf).join(' and ')}`);
  }
  if (other.blades && JSON.stringify(own.blades) !== JSON.stringify(other.blades)) {
    said.push(`put ${other.blades.shapes.join(' and ')} blades on, ${nameOf(other.blades.finish)}`);
  }
  if (other.trailer && own.trailer?.action !== other.trailer.action)
    said.push(`give it a ${other.trailer.action} trailer`);
  if (own.rig.reel.ratio !== other.rig.reel.ratio || own.rig.reel.kind !== other.rig.reel.kind) {
    said.push(`reel it on ${other.rig.reel.kind} ${other.rig.reel.ratio}`);
  }
  if (own.rig.line.material !== other.rig.line.material) {
    said.push(`fish it on ${say('test', other.rig.line.testLb, units)} ${other.rig.line.material}`);
  }
  if (Math.abs(own.size.lengthMm[0] - other.size.lengthMm[0]) > 5) {
    said.push(`take it ${sayRange('length', other.size.lengthMm, units)} long`);
  }
  return said;
}

/** What another plan of the same window would do otherwise; null where it is the same advice. */
function wouldDo(own: PlanWindow, other: PlanWindow | undefined, units: UnitSystem): string | null {
  const [first, otherFirst] = [own.presentations[0], other?.presentations[0]];
  if (!first || !otherFirst) return null;
  if (first.category !== otherFirst.category) return `tie on the ${nameOf(otherFirst.category)} first`;
  for (const each of own.presentations) {
    const there = other?.presentations.find(({ category }) => category === each.category);
    const said = there ? differences(each, there, units) : [];
    if (said.length) return `${each === first ? '' : `with the ${nameOf(each.category)}: `}${said.join(', ')}`;
  }
  const tiedOn = other?.presentations.find(
    ({ category }) => !own.presentations.some((each) => each.category === category),
  );
  return tiedOn ? `have the ${nameOf(tiedOn.category)} tied on as well` : null;
}

/** What another plan of the same day would turn to that this one does not; null where it turns alike. */
function wouldTurn(own: Plan, other: Plan): string | null {
  const turn = other.ifThen.find(({ rule }) => !own.ifThen.some((each) => each.rule === rule));
  return turn ? `${turn.then} after ${turn.when.charAt(0).toLowerCase()}${turn.when.slice(1)}` : null;
}

/**
 * For every school that may speak here, what its other sides would do in a window: the day is planned under each, by the
 * shipped knowledge alone, so that what differs is the school's doing.
 */
export function othersWould(given: Conditions, windowId: string, units: UnitSystem): OtherSide[] {
  const plan = makePlan(given, { units });
  const own = plan.windows.find(({ id }) => id === windowId);
  if (!own) return [];
  return plan.schoolsUsed.flatMap(({ id, side }) =>
    (SCHOOL_SIDES[id as SchoolId] as readonly SchoolSide[])
      .filter((each) => each !== side)
      .flatMap((other) => {
        const there = makePlan({ ...given, schools: { ...given.schools, [id]: other } }, { units });
        const window = there.windows.find(({ from }) => from === own.from);
        const would = wouldDo(own, window, units) ?? wouldTurn(plan, there);
        return would ? [{ school: id as SchoolId, side: other, would }] : [];
      }),
  );
}
