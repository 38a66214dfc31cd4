import { isKind, type ItemOf, type TackleItem } from './item.js';

/** Something to do to tackle before it is fished. */
export interface Chore {
  readonly itemId: string;
  readonly what: string;
  readonly why: string;
  /** It spoils the fishing if it is left undone. */
  readonly urgent: boolean;
}

/** Days of fishing after which a line is put on anew. Judgement: nylon ages by sun and stretch, braid hardly. */
const LINE_DAYS = { nylon: 12, fluorocarbon: 20, braid: 60 } as const;
/** Days on the reel after which it is, fished or not. */
const LINE_AGE_DAYS = { nylon: 270, fluorocarbon: 540, braid: 1100 } as const;
/** Lures are looked at again after so many days. */
const LOOK_AGAIN_DAYS = 120;
const DAY_MS = 86_400_000;

const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

function lureChores(lure: ItemOf<'lure'>, today: string): Chore[] {
  const chore = (what: string, why: string, urgent: boolean): Chore => ({ itemId: lure.id, what, why, urgent });
  const chores: Chore[] = [];
  if (lure.runs === 'to-the-left' || lure.runs === 'to-the-right') {
    const [runs, bend] = lure.runs === 'to-the-left' ? ['left', 'right'] : ['right', 'left'];
    chores.push(
      chore(
        `Tune it: look for paint in the eye and a stuck ring first, then bend the line tie a hair to the ${bend}`,
        `it runs to the ${runs}, and loses depth`,
        true,
      ),
    );
  }
  if (lure.hookState === 'dull') chores.push(chore('New hooks, or sharpen them', 'its hooks are dull', true));
  if (lure.ringState === 'worn') chores.push(chore('New split rings', 'its rings are worn', true));
  if (lure.checkedOn && daysBetween(lure.checkedOn, today) > LOOK_AGAIN_DAYS) {
    chores.push(chore('Look it over: runs, hooks, rings', `last looked at ${lure.checkedOn}`, false));
  }
  return chores;
}

/** How worn a line is, 0 new to 1 to be put on anew, by days fished and by age; null where neither is known. */
export function lineWear(
  { material, daysUsed, since }: Pick<ItemOf<'line'>, 'material' | 'daysUsed' | 'since'>,
  today: string,
): number | null {
  if (daysUsed === undefined && since === undefined) return null;
  const used = (daysUsed ?? 0) / LINE_DAYS[material];
  const old = since === undefined ? 0 : daysBetween(since, today) / LINE_AGE_DAYS[material];
  return Math.max(used, old);
}

function lineChores(line: ItemOf<'line'> | ItemOf<'leader'>, today: string): Chore[] {
  const wear = lineWear(line, today);
  if (wear === null || wear < 0.8) return [];
  const fished = line.daysUsed === undefined ? '' : `${line.daysUsed} days fished`;
  const since = line.since ? `on since ${line.since}` : '';
  const why = [fished, since].filter(Boolean).join(', ');
  const what = wear >= 1 ? 'Put on new line' : 'New line soon: cut off the first few metres';
  return [{ itemId: line.id, what, why, urgent: wear >= 1 }];
}

/** What is to be done to these pieces before a day's fishing, the urgent first. @param today as YYYY-MM-DD */
export function chores(items: readonly TackleItem[], today: string): Chore[] {
  return [
    ...items.filter(isKind('lure')).flatMap((lure) => lureChores(lure, today)),
    ...items
      .filter((item) => item.kind === 'line' || item.kind === 'leader')
      .flatMap((line) => lineChores(line, today)),
  ].sort((a, b) => Number(b.urgent) - Number(a.urgent));
}
