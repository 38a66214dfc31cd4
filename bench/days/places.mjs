/** Waters made up for the days: where they lie, what kind they are, what they usually show. */
export const SOUTH_HILLS = {
  place: { latitude: 34.6, longitude: -86.1, timeZone: 'America/Chicago' },
  discipline: 'bass',
  waterKind: 'highland-reservoir',
  normalVisibilityM: 2.1,
  maxDepthM: 35,
};
export const MILL_FLOWAGE = {
  place: { latitude: 33.2, longitude: -94.6, timeZone: 'America/Chicago' },
  discipline: 'bass',
  waterKind: 'lowland-reservoir',
  normalVisibilityM: 0.9,
  maxDepthM: 9,
};
export const PINE_LAKE = {
  place: { latitude: 45.7, longitude: -92.3, timeZone: 'America/Chicago' },
  discipline: 'bass',
  waterKind: 'natural-lake',
  normalVisibilityM: 2.6,
  maxDepthM: 14,
};
export const HAY_LAKE = {
  place: { latitude: 29.4, longitude: -81.9, timeZone: 'America/New_York' },
  discipline: 'bass',
  waterKind: 'grass-lake',
  normalVisibilityM: 1.2,
  maxDepthM: 4,
};
export const BRICK_POND = {
  place: { latitude: 38.4, longitude: -90.3, timeZone: 'America/Chicago' },
  discipline: 'bass',
  waterKind: 'pond',
  normalVisibilityM: 0.7,
  maxDepthM: 3.5,
};
export const STONE_RIVER = {
  place: { latitude: 41.2, longitude: -79.8, timeZone: 'America/New_York' },
  discipline: 'bass',
  waterKind: 'river',
  normalVisibilityM: 1.1,
  maxDepthM: 4,
};
export const CANE_RIVER = {
  place: { latitude: 31.1, longitude: -88.0, timeZone: 'America/Chicago' },
  discipline: 'bass',
  waterKind: 'tidal-river',
  normalVisibilityM: 0.6,
  maxDepthM: 6,
};
export const REED_SOUND = {
  place: { latitude: 30.3, longitude: -88.6, timeZone: 'America/Chicago' },
  discipline: 'inshore',
  waterKind: 'estuary',
  normalVisibilityM: 0.8,
  maxDepthM: 8,
};
export const COLD_BAY = {
  place: { latitude: 41.2, longitude: -72.4, timeZone: 'America/New_York' },
  discipline: 'inshore',
  waterKind: 'estuary',
  normalVisibilityM: 1.2,
  maxDepthM: 12,
};
