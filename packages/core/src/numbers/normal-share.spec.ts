import { normalShare } from './normal-share.js';

describe('the share of a normal distribution under a value', () => {
  it.each([
    [0, 0.5],
    [1, 0.8413447],
    [1.959964, 0.975],
    [-1.2815516, 0.1],
    [-4, 0.0000317],
    [8, 1],
  ])('%s has %s under it', (value, share) => expect(normalShare(value)).toBeCloseTo(share, 6));
});
