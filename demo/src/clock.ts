/** The demo's own clock: a Saturday morning of the spring feed. Screens and tests stand still on it. */
export const DEMO_NOW = '2027-03-13T08:12:00-06:00';
