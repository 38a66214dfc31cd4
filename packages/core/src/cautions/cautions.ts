import type { Severity } from '../contract/ids.js';
import type { Plan } from '../contract/plan.js';
import type { Facts } from '../rules/facts.js';
import { above, all, always, any, anyOf, below, is } from '../rules/fuzzy.js';
import { fire, type Rule } from '../rules/rule.js';
import { inUnits, type UnitSystem } from '../units/units.js';

/** What a caution rule raises. */
export interface Caution {
  readonly id: string;
  readonly severity: Severity;
}

const caution = (id: string, severity: Severity, when: Rule<Caution>['when'], text: string): Rule<Caution> => ({
  id: `${id}-${severity}`,
  when,
  effect: { id, severity },
  text,
});

/** What can hurt the angler, the fish or the water. A caution is raised from half a degree on; the gravest of a kind stands. */
export const CAUTION_RULES: readonly Rule<Caution>[] = [
  caution(
    'cold-water',
    'severe',
    below('surfaceTempC', 9.5, 10.5),
    'Water under {temp:10}: a fall in takes your breath and then your hands within minutes. Wear the life jacket, do not go alone.',
  ),
  caution(
    'cold-water',
    'serious',
    below('surfaceTempC', 15, 16),
    'Water under {temp:15.5}: cold shock. Wear the life jacket.',
  ),
  caution(
    'lightning',
    'severe',
    all(is('front:passing'), above('surfaceTempC', 8, 12)),
    'A front is going through: at the first thunder get off the water.',
  ),
  caution(
    'lightning',
    'serious',
    any(is('front:approaching'), all(is('sky:rain'), above('surfaceTempC', 14, 18))),
    'Storms may build: watch the sky, be ready to get off the water before the first thunder.',
  ),
  caution('wind', 'severe', above('windMps', 10, 12), 'Wind over {wind:11}: stay off open water.'),
  caution(
    'wind',
    'serious',
    above('windMps', 7, 8.5),
    'Wind over {wind:8}: waves build on every open reach. Keep to the lee and plan the way back.',
  ),
  caution(
    'wind',
    'advice',
    above('windMps', 5, 6.5),
    'A stiff wind: keep off the long reaches, and mind the way back.',
  ),
  caution(
    'high-water',
    'severe',
    all(is('level:rising'), is('regime:mud-rising')),
    'High, rising, dirty water: the fishing may be good; going out on it in a storm is not. Drifting wood, fast current, hidden banks.',
  ),
  caution(
    'high-water',
    'serious',
    all(is('level:rising'), anyOf('overlay:run-off', 'water:river', 'water:tidal-river')),
    'Rising water: drifting wood and current. Mind releases below dams.',
  ),
  caution(
    'ice',
    'severe',
    below('surfaceTempC', 1.5, 3),
    'Near freezing: ice at the edges and on the ramp. Stay off ice and do not break through it with the boat.',
  ),
  caution(
    'low-water',
    'serious',
    all(is('discipline:inshore'), below('overTableM', -0.3, -0.15)),
    'The water stands well under its table: see that the boat can still get back out, sooner than the table says.',
  ),
  caution('stunned-fish', 'advice', is('overlay:cold-kill'), 'Fish stunned by cold: leave them be.'),
  caution(
    'low-water',
    'advice',
    all(is('discipline:inshore'), anyOf('tide:falling', 'tide:low-slack')),
    'The water is leaving: see that the boat can still get back out at low tide.',
  ),
  caution(
    'sun',
    'advice',
    all(is('sky:clear'), above('surfaceTempC', 19, 22)),
    'A day of full sun: cover, water to drink, and shade at noon.',
  ),
  caution('fog', 'serious', is('sky:fog'), 'Fog: idle speed, lights on, or wait for it to lift.'),
  caution(
    'dark-running',
    'serious',
    is('day:night'),
    'Running in the dark or at first light: lights, slow, life jacket and cut-off cord on.',
  ),
  caution('heat', 'serious', above('surfaceTempC', 28.5, 30.5), 'Heat: water to drink, shade, sun cover.'),
  caution(
    'warm-fish',
    'serious',
    above('surfaceTempC', 25.5, 27.5),
    'Warm water is hard on fish: short fights, cool aerated livewell or quick release.',
  ),
  caution(
    'bedding-fish',
    'advice',
    is('phase:spawn'),
    'Fish on beds: release at once and close to where they were. Check whether the season is open with the local authority.',
  ),
  caution(
    'deep-fish',
    'advice',
    all(above('holdingDepthM', 8, 9), always),
    'Fish brought up from deep may be full of gas: know how to let them down again.',
  ),
  caution(
    'docks',
    'serious',
    anyOf('structure:dock', 'structure:marina', 'cover:dock'),
    'Powered docks can put current in the water: never swim there. Private docks: keep off and cast with care.',
  ),
  caution(
    'dam',
    'serious',
    is('structure:dam-face'),
    'Near a dam: sudden releases and restricted water. Ask the operator.',
  ),
  caution(
    'wading',
    'advice',
    is('discipline:inshore'),
    'Wading: shuffle for rays, mind shell and soft mud, and the tide behind you.',
  ),
  caution(
    'rules',
    'advice',
    always,
    'Licence, seasons, sizes, bag, hooks, rigs and lead: check with the local authority.',
  ),
  caution('hooks', 'advice', always, 'Pliers and glasses on; never pull a fish with a free treble near the hand.'),
  caution('float-plan', 'advice', always, 'Alone or not, leave word where you go and when you are back.'),
  caution('release', 'advice', always, 'Wet hands, barbless where you release, and back in the water soon.'),
  caution('clean', 'advice', always, 'Clean, drain and dry; move no live bait, crayfish or plants.'),
];

const ORDER: readonly Severity[] = ['severe', 'serious', 'advice'];

/** The cautions these facts raise, gravest first; of each kind only the gravest. */
export function judgeCautions(facts: Facts, units: UnitSystem): Plan['cautions'] {
  const raised = fire(CAUTION_RULES, facts, 0.5).map(({ rule }) => ({
    ...rule.effect,
    text: inUnits(rule.text, units),
  }));
  return ORDER.flatMap((severity) => raised.filter((each) => each.severity === severity)).filter(
    (each, index, list) => list.findIndex(({ id }) => id === each.id) === index,
  );
}
