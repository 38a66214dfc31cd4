import { ASKED_DAYS } from './asked.mjs';
import { COLD_DAYS } from './cold.mjs';
import { FALL_DAYS } from './fall.mjs';
import { SALT_DAYS } from './salt.mjs';
import { SPRING_DAYS } from './spring.mjs';
import { WARM_DAYS } from './warm.mjs';

/** Days on made-up waters with what a good plan must hold on each. */
export const DAYS = [...COLD_DAYS, ...SPRING_DAYS, ...WARM_DAYS, ...FALL_DAYS, ...ASKED_DAYS, ...SALT_DAYS];
export { ask } from './checks.mjs';
