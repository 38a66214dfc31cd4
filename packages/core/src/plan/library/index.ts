export { ruleLibrary, type LibraryRule } from './rule-library.js';
