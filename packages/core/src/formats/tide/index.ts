export { readStationFile, type StationFileContext } from './station-file.js';
