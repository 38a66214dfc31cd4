/** A whole browser and a server take longer than a unit, and on a busy machine several times as long: limits are for what hangs. */
jest.setTimeout(240_000);
