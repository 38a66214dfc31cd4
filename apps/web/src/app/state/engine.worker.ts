import { othersWould, planDay, ruleLibrary, rulesToday, seasonYear, tippingPoints } from '@inky-shoal/core';
import { expose } from 'comlink';

/** The core, beside the page so that it never holds it up. */
const engine = { planDay, tippingPoints, othersWould, ruleLibrary, rulesToday, seasonYear };
export type Engine = typeof engine;

expose(engine);
