export { readStationFile, standardTimeAheadH, type StationFileContext } from './station-file.js';
