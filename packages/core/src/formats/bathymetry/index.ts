export { FileProblem } from '../file-problem.js';
export { BED_SENSES, BED_UNITS, type BedSense, type BedUnit, type BedFile } from './found.js';
export { guessChoices, layBed, type BedChoices, type LaidBed, type WaterAt } from './lay.js';
export { checkSize, MAX_BED_FILE_BYTES, readBathymetry } from './read.js';
