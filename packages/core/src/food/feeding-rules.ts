import { above, all, anyOf, between, is, not, type Condition } from '../rules/fuzzy.js';
import type { Rule } from '../rules/rule.js';

/** How much an hour feeds: the votes of all that hold are added up. */
export type FeedingVotes = Readonly<Record<'feeding', number>>;

const rule = (id: string, when: Condition, feeding: number, text: string): Rule<FeedingVotes> => ({
  id,
  when,
  effect: { feeding },
  text,
});

const moving = anyOf('tide:rising', 'tide:falling');
const slack = anyOf('tide:high-slack', 'tide:low-slack');

/** When inshore fish feed, by moving water and light together. Weights are judgement. */
export const FEEDING_RULES: readonly Rule<FeedingVotes>[] = [
  rule('feeds-in-moving-water', all(moving, above('tideRun', 0.2, 0.6)), 0.4, 'The water runs and brings them food'),
  rule('slack-rests', slack, -0.4, 'Slack water brings nothing'),
  rule(
    'ebb-middle-feeds',
    all(is('tide:falling'), between('tideHours', 0.6, 1.3, 3.3, 4.6)),
    0.5,
    'The best two or three hours of the fall: the drains run',
  ),
  rule(
    'first-flood-feeds',
    all(is('tide:rising'), between('tideHours', 0, 0.3, 2, 3.2)),
    0.4,
    'The first of the flood covers new ground, and they go with it',
  ),
  rule(
    'flood-on-grass-feeds',
    all(is('tide:rising'), above('tideHours', 2.5, 4), above('tideRangeM', 0.8, 1.2)),
    0.25,
    'A big flood lets them into the grass',
  ),
  rule('low-light-feeds', all(is('light:low'), not(is('phase:winter-refuge'))), 0.3, 'They feed in low light'),
  rule(
    'summer-noon-rests',
    all(is('phase:summer-heat'), is('light:high')),
    -0.25,
    'Heat: by day the shallows rest, moving water or not',
  ),
  rule(
    'cold-dawn-rests',
    all(is('phase:winter-refuge'), is('light:low')),
    -0.35,
    'Cold: nothing moves before the sun is on the water',
  ),
  rule(
    'sun-warms-mud',
    all(is('phase:winter-refuge'), above('sunWarmth', 0.4, 0.8)),
    0.35,
    'The sun has warmed the dark mud',
  ),
];
