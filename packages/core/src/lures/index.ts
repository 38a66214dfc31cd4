export { CATALOGUE, categoryOf } from './categories.js';
export type { Category } from './category.js';
