import type { Category, DepthClass } from './category.js';

/** A category in one of the depth classes in which it is made: the category as that class has it. */
export interface LureForm {
  readonly category: Category;
  readonly class: DepthClass | null;
  /** The category as the catalogue has it. */
  readonly of: Category;
}

const inClass = (category: Category, depthClass: DepthClass): Category => ({
  ...category,
  runDepthM: [depthClass.heldUpM, depthClass.reachM[1]],
  lengthMm: depthClass.lengthMm ?? category.lengthMm,
  weightG: depthClass.weightG ?? category.weightG,
  line: depthClass.line ?? category.line,
  ...(depthClass.hooks ? { hooks: depthClass.hooks } : {}),
});

const forms = new WeakMap<Category, readonly LureForm[]>();

/** The forms in which a category is made, shallowest first; the category itself where it has no classes. */
export function formsOf(category: Category): readonly LureForm[] {
  let known = forms.get(category);
  if (!known) {
    known = category.classes?.map((depthClass) => ({
      category: inClass(category, depthClass),
      class: depthClass,
      of: category,
    })) ?? [{ category, class: null, of: category }];
    forms.set(category, known);
  }
  return known;
}

/** The depth that most of a category dive to, metres: that of the middle one of its classes. */
export const usualDepthM = ({ classes, runDepthM }: Category): number =>
  classes?.[Math.floor((classes.length - 1) / 2)]?.reachM[1] ?? runDepthM[1];
