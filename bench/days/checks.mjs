import { Conditions, makePlan } from '@inky-shoal/core';

/**
 * What a good plan must hold, as checks. Each takes a day's plan and says in words what is wrong, or null.
 * `at` names a window by an hour inside it; without it any window will do, and `every` asks all of them.
 */
const minutes = (clock) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5));
const windowAt = (plan, at) =>
  plan.windows.find(({ from, to }) => minutes(from) <= minutes(at) && minutes(at) < minutes(to)) ?? plan.windows.at(-1);
const windowsOf = (plan, at) => (at && at !== 'every' ? [windowAt(plan, at)] : plan.windows);
const holds = (windows, at, test) => (at === 'every' ? windows.every(test) : windows.some(test));
const names = (window, first) => window.presentations.slice(0, first).map(({ category }) => category);
const words = (text) => text.split(/\s+/).filter(Boolean);
const says = (plan, at) =>
  windowsOf(plan, at)
    .map((window) => `${window.from}: ${names(window, 4).join(' > ')}`)
    .join(' | ');
const mid = ([from, to]) => (from + to) / 2;

/** One of these lures among the first `first`. */
export const lure = (why, first, ids, at) => ({
  why,
  test: (plan) =>
    holds(windowsOf(plan, at), at, (window) => names(window, first).some((id) => words(ids).includes(id)))
      ? null
      : says(plan, at),
});

/** None of these lures among the first `first`, in no window or in the one at an hour. */
export const noLure = (why, first, ids, at) => ({
  why,
  test: (plan) =>
    windowsOf(plan, at).some((window) => names(window, first).some((id) => words(ids).includes(id)))
      ? says(plan, at)
      : null,
});

const likePlace = ({ structure, cover, position, depthM }, wanted) =>
  (!wanted.structure || words(wanted.structure).includes(structure)) &&
  (!wanted.cover || words(wanted.cover).includes(cover)) &&
  (!wanted.position || words(wanted.position).includes(position)) &&
  (!wanted.depth || (depthM[0] <= wanted.depth[1] && depthM[1] >= wanted.depth[0])) &&
  (wanted.notDeeper === undefined || depthM[1] <= wanted.notDeeper);
const sayPlaces = (plan, at) =>
  windowsOf(plan, at)
    .map(
      ({ from, holding }) =>
        `${from}: ${holding.map((h) => `${h.structure}/${h.cover} ${h.depthM.join('-')} ${h.position} ${h.weight}`).join('; ')}`,
    )
    .join(' | ');

/** The heaviest holding place is like this. */
export const top = (why, wanted, at) => ({
  why,
  test: (plan) =>
    holds(windowsOf(plan, at), at, ({ holding }) => likePlace(holding[0], wanted)) ? null : sayPlaces(plan, at),
});

/** Fish hold at such places, by at least a share of all together. */
export const place = (why, wanted, least = 0.1, at) => ({
  why,
  test: (plan) =>
    holds(windowsOf(plan, at), at, ({ holding }) => shareOf(holding, wanted) >= least - 1e-9)
      ? null
      : sayPlaces(plan, at),
});

const shareOf = (holding, wanted) =>
  holding.reduce((sum, held) => sum + (likePlace(held, wanted) ? held.weight : 0), 0);

/** No place like this has so great a share. */
export const noPlace = (why, wanted, least = 0.1, at) => ({
  why,
  test: (plan) =>
    windowsOf(plan, at).some(({ holding }) => holding.some((h) => h.weight >= least && likePlace(h, wanted)))
      ? sayPlaces(plan, at)
      : null,
});

/** Something of the first presentation of one of these lures; a plan without any fails. */
export const of = (why, ids, test, at) => ({
  why,
  test: (plan) => {
    const found = windowsOf(plan, at)
      .flatMap(({ presentations }) => presentations)
      .find(({ category }) => words(ids).includes(category));
    if (!found) return `none of ${ids}; ${says(plan, at)}`;
    return test(found) ? null : JSON.stringify({ ...found, because: undefined, against: undefined });
  },
});

/** The same where the lure is named at all. */
export const ifNamed = (why, ids, test) => {
  const check = of(why, ids, test);
  return {
    why,
    test: (plan) => {
      const said = check.test(plan);
      return said?.startsWith('none of') ? null : said;
    },
  };
};

/** Something of the whole plan. */
export const plan = (why, test, say = () => 'not so') => ({ why, test: (made) => (test(made) ? null : say(made)) });

export const phase = (why, ids) =>
  plan(
    why,
    ({ phase: { id } }) => words(ids).includes(id),
    ({ phase: { id } }) => id,
  );

/** Mean depth of the fish of a window, metres. */
export const fishDepth = (made, at) => {
  const { holding } = at
    ? windowAt(made, at)
    : made.windows.reduce((a, b) => (minutes(b.to) - minutes(b.from) > minutes(a.to) - minutes(a.from) ? b : a));
  return holding.reduce((sum, h) => sum + h.weight * mid(h.depthM), 0);
};

/** How a figure of the plan stands against that of the same day changed. `is` gets both. */
export const against = (why, changes, figure, is) => ({
  why,
  changes,
  test: (made, changed) => {
    const [own, other] = [figure(made), figure(changed)];
    return is(own, other) ? null : `${JSON.stringify(own)} against ${JSON.stringify(other)}`;
  },
});

export const middle = mid;
export const rankOf = (made, ids, at) => {
  const ranks = windowsOf(made, at).map((window) => {
    const rank = names(window, 9).findIndex((id) => words(ids).includes(id));
    return rank < 0 ? 9 : rank;
  });
  return Math.min(...ranks);
};
export const shades = (found, ...families) => found.colour.families.some((family) => families.includes(family));

/** Asks the planner every day, and what each check says of it. */
export function ask(days) {
  return days.map(({ id, name, conditions, checks }) => {
    const planOf = (changes = {}) => makePlan(Conditions.parse({ ...conditions, ...changes }));
    const made = planOf();
    return {
      id,
      name,
      plan: made,
      results: checks.map(({ why, test, changes }) => ({ why, said: test(made, changes && planOf(changes)) })),
    };
  });
}
