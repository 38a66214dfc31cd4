import type { Reason, Rig } from '../../contract/plan.js';
import type { Category } from '../../lures/category.js';
import type { Facts } from '../../rules/facts.js';
import { above, any, below, degreeOf, is } from '../../rules/fuzzy.js';
import { inUnits, type UnitSystem } from '../../units/units.js';

const WARMING = above('tempTrendCPerDay', 0.1, 0.3);
/** After a front, and in the coldest water, it is let down to them. */
const DOWN = any(is('front:post-frontal'), below('surfaceTempC', 4, 5.5), below('tempTrendCPerDay', -0.5, -0.3));
/** Nose and behaviour are named from half a degree on. */
const NAMED_FROM = 0.5;

/**
 * How a lure that hangs should hang today: nose up or slowly rising on a warming day, level on an ordinary one, nose
 * down or slowly sinking after a front and in the coldest water. Null for lures that do not hang.
 */
export function attitudeFor(
  category: Category,
  facts: Facts,
  units: UnitSystem,
): { attitude: Rig['attitude']; because: Reason[] } {
  if (!category.hangs) return { attitude: null, because: [] };
  const told = (rule: string, text: string): Reason[] => [
    { rule, text: inUnits(text, units), weight: 0.3, school: null },
  ];
  if (degreeOf(DOWN, facts) >= NAMED_FROM) {
    return {
      attitude: { nose: 'down', behaviour: 'slow-sink' },
      because: told(
        'hang-nose-down',
        'Let it hang nose down or sink slowly, on fluorocarbon, with the dullest action: they are down',
      ),
    };
  }
  if (degreeOf(WARMING, facts) >= NAMED_FROM) {
    return {
      attitude: { nose: 'up', behaviour: 'slow-rise' },
      because: told('hang-nose-up', 'Let it hang nose up or rise slowly: they are coming up on a warming day'),
    };
  }
  return {
    attitude: { nose: 'level', behaviour: 'neutral' },
    because: told('hang-level', 'Let it hang level where it stops'),
  };
}
