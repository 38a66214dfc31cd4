export { movingWater, type FeedingWindow, type MovingWater } from './moving-water.js';
