export { globeM } from '../../chart/globe.js';
export { crossingIn } from '../../chart/crossing.js';
export { featuresToGeoJson } from './geojson.js';
export { featuresToGpx } from './gpx.js';
export { featuresToKml } from './kml.js';
export { FeatureProblem } from './problem.js';
export {
  checkFeaturesNear,
  checkNear,
  FEATURE_FORMATS,
  featureFormatOf,
  readFeatures,
  type FeatureFormat,
} from './read.js';
