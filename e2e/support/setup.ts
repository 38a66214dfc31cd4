/** A whole browser and a server take longer than a unit. */
jest.setTimeout(90_000);
