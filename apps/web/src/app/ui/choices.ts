import { nameOf } from '@inky-shoal/core';

/** One of a list, by its id and in words. */
export interface Choice {
  readonly id: string;
  readonly name: string;
}

/** Choices under a heading. */
export interface ChoiceGroup {
  readonly name: string;
  readonly choices: readonly Choice[];
}

/** Ids as choices, in words. */
export const choices = (ids: readonly string[]): Choice[] => ids.map((id) => ({ id, name: nameOf(id) }));
