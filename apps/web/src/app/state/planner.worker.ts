import { planDay } from '@inky-shoal/core';
import { expose } from 'comlink';

/** The engine, beside the page so that it never holds it up. */
const planner = { planDay };
export type Planner = typeof planner;

expose(planner);
