import { foundOn } from '@inky-shoal/core/underway';
import { expose } from 'comlink';

/** The pattern finder, beside the page so that no tap waits for it. */
const finding = { foundOn };
export type Finding = typeof finding;

expose(finding);
