import { nameOf } from '../../contract/names.js';
import type { Presentation } from '../../contract/plan.js';
import { categoryOf } from '../../lures/categories.js';
import { likeness } from '../../presentation/likeness.js';
import { usualDepthM } from '../../lures/forms.js';
import { STATED_CAST_M, type StatedDepth } from '../../lures/reach.js';
import type { ItemOf } from '../item.js';
import { figureOf, say, sayRange, type UnitSystem } from '../../units/units.js';
import { riggedMassG } from './needs.js';
import { fitIf, outside, PERFECT, ratioFit, together, type Fit } from './fit.js';

/** A lure of another kind stands for the advised one from so much likeness on. */
const MIN_LIKENESS = 0.3;
/** And never as well as the real thing. */
const SUBSTITUTE = 0.75;
/** Short of this a lure does not stand for the advice at all. */
export const MIN_FIT = 0.15;

/** The depth stated for an owned diver; what is not said of it is as usual for its category. */
export function statedOf(lure: ItemOf<'lure'>): StatedDepth {
  const category = categoryOf(lure.category);
  const usual = category.line.material === 'fluorocarbon' ? category.line.testLb : 10;
  return {
    depthM: lure.statedDepthM ?? usualDepthM(category),
    line: { material: lure.statedMaterial ?? 'fluorocarbon', testLb: lure.statedTestLb ?? usual },
    castM: lure.statedCastM ?? STATED_CAST_M,
  };
}

function kindFit(lure: ItemOf<'lure'>, wanted: Presentation): Fit {
  if (lure.category === wanted.category) return PERFECT;
  const alike = likeness(categoryOf(lure.category), categoryOf(wanted.category));
  if (alike < MIN_LIKENESS) return { fit: 0, short: [] };
  return { fit: SUBSTITUTE * alike, short: [`a ${nameOf(lure.category)} in place of a ${nameOf(wanted.category)}`] };
}

function sizeFit(lure: ItemOf<'lure'>, wanted: Presentation, units: UnitSystem): Fit {
  const { size } = wanted;
  const length = outside(lure.lengthMm, size.lengthMm);
  const weight = outside(riggedMassG(lure, wanted), size.weightG);
  const lengthTold = Math.abs(Math.log(length)) > 0.08;
  const weightTold = Math.abs(Math.log(weight)) > 0.15;
  return together([
    {
      fit: ratioFit(length, 0.35),
      short: lengthTold
        ? [
            `${length < 1 ? 'shorter' : 'longer'}: ${say('length', lure.lengthMm, units)} for ${sayRange('length', size.lengthMm, units)}`,
          ]
        : [],
    },
    {
      fit: ratioFit(weight, 0.5),
      short: weightTold
        ? [
            `${weight < 1 ? 'lighter' : 'heavier'}: ${say('weight', lure.weightG, units)} for ${sayRange('weight', size.weightG, units)}`,
          ]
        : [],
    },
  ]);
}

function colourFit(lure: ItemOf<'lure'>, { colour }: Presentation): Fit {
  const shared = lure.families.some((family) => colour.families.includes(family));
  const told = `${lure.families.join(' and ')} for ${colour.families.join(' or ')}`;
  return together([
    lure.families.length ? fitIf(shared, 0.8, told) : PERFECT,
    fitIf(!lure.tone || lure.tone === colour.tone, 0.93, `${lure.tone ?? ''} for ${colour.tone}`),
  ]);
}

/** A diver whose own stated depth is another than wanted, before any line is thought of. */
function depthFit(lure: ItemOf<'lure'>, { runDepthM: [from, to] }: Presentation, units: UnitSystem): Fit {
  if (categoryOf(lure.category).form !== 'diver') return PERFECT;
  const { depthM } = statedOf(lure);
  const told = (word: string) => [
    `dives to ${say('depth', depthM, units)}, ${word} ${figureOf('depth', from, units)} to ${say('depth', to, units)}`,
  ];
  if (depthM < from) return { fit: ratioFit(depthM / from, 0.25), short: told('wanted') };
  // One that digs in where fish hang shallow is as wrong as one that stays over them.
  return depthM > 1.7 * to + 0.5
    ? { fit: ratioFit(depthM / (1.7 * to + 0.5), 0.4), short: told('wanted only') }
    : PERFECT;
}

/** What an owned lure does when it is left to hang, for each behaviour that may be wanted. */
const HANGS_AS = { 'slow-rise': 'floats', neutral: 'suspends', 'slow-sink': 'sinks' } as const;

const WANTED_HANGING = {
  'slow-rise': 'one that rises slowly',
  neutral: 'one that stays where it stops',
  'slow-sink': 'one that sinks slowly',
} as const;

/** Whether it hangs as the day wants it: one that suspends is near to both others, one that floats far from one that sinks. */
function attitudeFit({ buoyancy }: ItemOf<'lure'>, { rig }: Presentation): Fit {
  if (!rig.attitude || !buoyancy) return PERFECT;
  const wanted = HANGS_AS[rig.attitude.behaviour];
  if (buoyancy === wanted) return PERFECT;
  const near = buoyancy === 'suspends' || wanted === 'suspends';
  return fitIf(false, near ? 0.9 : 0.7, `${buoyancy}, today ${WANTED_HANGING[rig.attitude.behaviour]}`);
}

/** Whether it sounds as the day wants it. */
const soundFit = (lure: ItemOf<'lure'>, { sound }: Presentation): Fit =>
  fitIf(!sound || !lure.sound || lure.sound === sound, 0.94, `${nameOf(lure.sound ?? '')} for ${nameOf(sound ?? '')}`);

function upkeepFit({ runs, hookState }: ItemOf<'lure'>): Fit {
  return together([
    fitIf(runs === undefined || runs === 'true', 0.8, `runs ${nameOf(runs ?? '')}: tune it first`),
    fitIf(hookState !== 'dull', 0.92, 'dull hooks'),
  ]);
}

/** How well an owned lure stands for what is advised, before rod and line. */
export function lureFit(lure: ItemOf<'lure'>, wanted: Presentation, units: UnitSystem): Fit {
  const kind = kindFit(lure, wanted);
  if (!kind.fit || lure.count < 1) return { fit: 0, short: [] };
  return together([
    kind,
    depthFit(lure, wanted, units),
    sizeFit(lure, wanted, units),
    colourFit(lure, wanted),
    attitudeFit(lure, wanted),
    soundFit(lure, wanted),
    upkeepFit(lure),
  ]);
}
