/** The engine's version: kept with every saved plan, raised whenever the same conditions could give another plan. */
export const ENGINE_VERSION = '0.4.6';
