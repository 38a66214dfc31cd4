import type { CategoryId, Problem } from '@inky-shoal/core';
import type { HookSize } from '@inky-shoal/core/mechanics';
import { lurePreset, presetOf, type TackleKind } from '@inky-shoal/core/tackle';
import { capital } from '../../sheet/words';
import type { Values } from '../../ui/fields.component';

/** A treble as the form has it: where along the body, 0 to 1. */
interface Treble {
  readonly size: HookSize;
  readonly at: number;
}

/** Where one, two and three trebles hang. */
const TREBLES_AT = [[0.5], [0.35, 0.9], [0.25, 0.55, 0.9]] as const;
const USUAL_TREBLE = '6';

/** A piece of a kind with its usual attributes; the place in the box stays. */
export function valuesOfKind(kind: TackleKind, { box, slot }: Values = {}): Values {
  const preset = kind === 'lure' ? lurePreset('suspending-jerkbait') : presetOf(kind);
  return { ...preset, ...(box !== undefined && { box }), ...(slot !== undefined && { slot }) };
}

/** A lure of a category with its usual attributes; how many there are and where stays. */
export const valuesOfCategory = (category: CategoryId, { box, slot, count }: Values): Values => ({
  ...lurePreset(category),
  count,
  box,
  slot,
});

export const treblesIn = (values: Values): readonly Treble[] => (values['hooks'] as Treble[] | undefined) ?? [];

export const withTrebleSize = (trebles: readonly Treble[], at: number, size: string) =>
  trebles.map((treble, index) => (index === at ? { ...treble, size } : treble));

/** One treble more, of the size of the last, where so many usually hang. */
export function withOneMore(trebles: readonly Treble[]) {
  const size = trebles.at(-1)?.size ?? USUAL_TREBLE;
  const places: readonly number[] = TREBLES_AT[trebles.length] ?? [];
  return places.map((at, index) => ({ size: trebles[index]?.size ?? size, at }));
}

/** What is wrong, by the field that it stands at. */
export const problemsByField = (problems: readonly Problem[]): Record<string, string> =>
  Object.fromEntries(problems.map(({ path, message }) => [path.split(/[.[]/)[0], `${capital(message)}.`]));
