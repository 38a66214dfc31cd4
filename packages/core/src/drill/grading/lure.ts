import { ROD_POWERS, SCHOOL_SIDES, type CategoryId, type SchoolId, type Tone } from '../../contract/ids.js';
import { nameOf } from '../../contract/names.js';
import type { Category } from '../../lures/category.js';
import { formsOf } from '../../lures/forms.js';
import { BITES_BY_WEIGHT } from '../../mornings/wanted.js';
import { confidenceIn } from '../../plan/constraints.js';
import { rejudge } from '../../plan/judge.js';
import { factsOfLure, firstChoice } from '../../plan/window.js';
import { explain, weighCategories } from '../../presentation/score.js';
import { reasonsOf, strongest } from '../../rules/rule.js';
import { toneVotes, withPassesFor } from '../../technique/trim/trim.js';
import { inUnits } from '../../units/units.js';
import type { DrillRig, Graded } from '../answer.js';
import type { DrillKey } from '../key.js';
import { marks, texts } from './marks.js';

/** The lure that the planner would tie on first. */
function firstOf({ chosen, told }: DrillKey) {
  const [bound] = chosen.set;
  const [presentation] = told.presentations;
  if (!bound || !presentation) throw new Error('a window without a lure cannot be drilled');
  return { bound, presentation };
}

/** The school by whose other side a lure comes first in the window; null where none has it so. */
function schoolFor({ day, index }: DrillKey, category: CategoryId): SchoolId | null {
  for (const { id, side } of day.schools) {
    for (const other of SCHOOL_SIDES[id] as readonly string[]) {
      if (other === side) continue;
      const otherDay = rejudge(day, { schools: { ...day.conditions.schools, [id]: other } });
      const window = otherDay.windows[index];
      const first = window && firstChoice(otherDay, window);
      if (first?.category.id === category) return id;
    }
  }
  return null;
}

/** A lure by what its log-weight behind the first means in bites; one that another school would take first is right. */
export function gradeLure(key: DrillKey, category: CategoryId): Graded {
  const { chosen, units } = key;
  const { bound: first, presentation } = firstOf(key);
  const own = chosen.weighed.find((each) => each.category.id === category);
  const behind = own ? own.logWeight - first.weighed.logWeight : -Infinity;
  const plain = marks(Math.exp(BITES_BY_WEIGHT * Math.min(0, behind)), 1);
  const inSet = chosen.set.some(({ weighed }) => weighed.category.id === category);
  const named = Math.max(plain.score, inSet ? 1 : 0);
  const school = named < 1 ? schoolFor(key, category) : null;
  const reasons = own ? explain(own, chosen.grounds, units) : { because: [], against: [] };
  return {
    score: school ? 1 : own ? named : 0,
    best: nameOf(first.weighed.category.id),
    because: texts(reasons.because.length ? reasons.because : presentation.because),
    against: texts(reasons.against),
    school,
    unsure: false,
  };
}

/** The depth classes in which the planner's lure is made, shallowest first, in words; none where there is one for all. */
export function classesOf(key: DrillKey): readonly { readonly id: string; readonly words: string }[] {
  const { of } = firstOf(key).bound.weighed.form;
  const { classes = [] } = of;
  return classes.length > 1 ? classes.map(({ id, text }) => ({ id, words: `One ${inUnits(text, key.units)}` })) : [];
}

/** A depth class by what the lure weighs in it beside the class that the planner takes, as bites. */
export function gradeClass(key: DrillKey, classId: string): Graded {
  const { form } = firstOf(key).bound.weighed;
  const best = form.class;
  const told = classesOf(key);
  const nameIn = (id: string | undefined) => told.find((each) => each.id === id)?.words ?? '';
  if (!best) return { score: 1, best: 'any', because: [], against: [], school: null, unsure: false };
  // Each class stands for itself: weighed as if it were the only one.
  const alone = formsOf(form.of).map(({ category, class: own }) => ({
    id: own?.id,
    category: { ...category, classes: undefined },
  }));
  const weighed = weighCategories(
    alone.map(({ category }) => category as Category),
    key.chosen.grounds,
    confidenceIn(key.day.conditions),
  );
  const weightOf = (id: string) => {
    const category = alone.find((each) => each.id === id)?.category;
    return weighed.find((each) => each.category === category)?.logWeight ?? -Infinity;
  };
  const [own, most] = [weightOf(classId), weightOf(best.id)];
  const isAhead = classId === best.id || own >= most;
  const share = isAhead ? 1 : Math.exp(BITES_BY_WEIGHT * (own - most));
  const deeper = told.findIndex(({ id }) => id === classId) > told.findIndex(({ id }) => id === best.id);
  return {
    ...marks(Number.isFinite(share) ? share : 0, 1),
    best: nameIn(best.id).toLowerCase(),
    because: [],
    against: isAhead ? [] : [deeper ? 'It goes deeper than they are' : 'It does not come down to them'],
    school: null,
  };
}

/** The rules of tone that hold for the planner's lure, and what they give each tone. */
export function tonesOf(key: DrillKey) {
  const { category, place } = firstOf(key).bound.weighed;
  return toneVotes(withPassesFor(factsOfLure(key.chosen.grounds.facts, category, place), category));
}

/** A tone by the votes of its rules beside the tone that the planner takes. */
export function gradeTrim(key: DrillKey, tone: Tone): Graded {
  const { fired, votes } = tonesOf(key);
  const best = firstOf(key).presentation.colour.tone;
  const share = Math.max(0, votes[tone] ?? 0) / Math.max(1e-9, votes[best] ?? 0);
  const reasons = reasonsOf(fired, (effect, degree) => degree * (effect[tone] ?? 0), key.units);
  const ofBest = reasonsOf(fired, (effect, degree) => degree * (effect[best] ?? 0), key.units);
  const spoken = new Set(fired.flatMap(({ rule, degree }) => (degree * (rule.effect[tone] ?? 0) > 0 ? [rule.id] : [])));
  return {
    ...(tone === best ? { score: 1, unsure: false } : marks(share, 1)),
    best: nameOf(best),
    because: texts(strongest(reasons).filter(({ rule }) => spoken.has(rule))),
    against: tone === best || share >= 1 ? [] : texts(strongest(ofBest).filter(({ rule }) => !spoken.has(rule))),
    school: null,
  };
}

/** A wait by how many times it is too long or too short. */
export function gradePause(key: DrillKey, seconds: number): Graded {
  const pause = firstOf(key).presentation.retrieve.pauseS;
  if (!pause) {
    return { score: seconds < 0.5 ? 1 : 0.3, best: 'no wait', because: [], against: [], school: null, unsure: false };
  }
  const off = seconds < pause[0] ? pause[0] / Math.max(0.1, seconds) : seconds > pause[1] ? seconds / pause[1] : 1;
  return {
    // Twice too long or too short is worth nothing.
    score: Math.max(0, 1 - Math.log2(off)),
    best: `${pause[0]} to ${pause[1]} s`,
    because: [],
    against:
      off > 1
        ? [seconds < pause[0] ? 'They want it to lie still for longer' : 'It need not lie still for so long']
        : [],
    school: null,
    unsure: false,
  };
}

/** Rod and line in words: `medium-heavy rod, 12 lb fluorocarbon`. */
export const rigWords = ({ power, material, testLb }: DrillRig): string =>
  `${power} rod, ${testLb} lb ${nameOf(material)}`;

/** The rig of the planner's lure. */
export function rigOf(key: DrillKey): DrillRig {
  const { rod, line } = firstOf(key).presentation.rig;
  return { power: rod.power, material: line.material, testLb: line.testLb };
}

/** Nylon in the place of fluorocarbon, or the other way round; braid is another thing. Judgement. */
const OTHER_LINE = 0.4;

/** Rod by steps of power, line by what it is of and by how many times its test is off; each counts as much. */
export function gradeRig(key: DrillKey, rig: DrillRig): Graded {
  const best = rigOf(key);
  const steps = ROD_POWERS.indexOf(rig.power) - ROD_POWERS.indexOf(best.power);
  const power = Math.max(0, 1 - Math.abs(steps) / 2);
  const braid = (rig.material === 'braid') !== (best.material === 'braid');
  const material = rig.material === best.material ? 1 : braid ? 0 : OTHER_LINE;
  const test = Math.max(0, 1 - Math.abs(Math.log2(rig.testLb / best.testLb)));
  const name = nameOf(firstOf(key).presentation.category);
  const against = [
    ...(steps ? [`${steps > 0 ? 'A lighter' : 'A heavier'} rod for the ${name}`] : []),
    ...(material < 1 ? [`It is fished on ${nameOf(best.material)}`] : []),
    ...(test < 0.75 ? [`${rig.testLb > best.testLb ? 'Thinner' : 'Stronger'} line, about ${best.testLb} lb`] : []),
  ];
  return {
    ...marks((power + material + test) / 3, 1),
    best: rigWords(best),
    because: [],
    against,
    school: null,
  };
}
