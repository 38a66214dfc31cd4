export * from './item.js';
export { lurePreset, presetOf } from './presets.js';
export { STATED_CAST_M } from '../lures/reach.js';
export { searchTackle, searchText, tackleIndex, type TackleIndex } from './search.js';
export { likenessKey, readTackleCsv, tackleToCsv, type CsvProblem, type TackleImport, type Twice } from './csv.js';
export { TACKLE_COLUMNS, TACKLE_ROLES } from './columns.js';
export { chores, lineWear, type Chore } from './upkeep.js';
