import { CATEGORIES, PHASES, SCHOOL_SIDES, STRUCTURES } from '../contract/ids.js';
import { day } from '../testing/days.js';
import { rejudge } from '../plan/judge.js';
import { chooseForWindow } from '../plan/window.js';
import { drawScene } from './scene.js';
import { grade } from './grading/index.js';
import { rigOf, rigWords } from './grading/lure.js';
import { keyOf, type DrillKey } from './key.js';
import { optionsFor } from './options.js';
import { sceneWords, worthWords } from './scene-words.js';
import { isTopic, topicOf } from './topics.js';

const keys = (count: number): DrillKey[] =>
  Array.from({ length: count }, (_, seed) => keyOf(drawScene(seed, seed % 4 ? 'bass' : 'inshore'), 'us'));
const cold = keyOf({ conditions: day({ surfaceTempC: 8, visibilityM: 2 }), at: 0.5 }, 'us');
const firstLure = ({ chosen }: DrillKey) => chosen.set[0]!.weighed.category.id;

describe('a scene', () => {
  it('is the same for the same seed, and a day that can be planned', () => {
    expect(drawScene(3, 'bass')).toEqual(drawScene(3, 'bass'));
    expect(drawScene(4, 'bass')).not.toEqual(drawScene(3, 'bass'));
    for (const { told } of keys(24)) expect(told.presentations.length).toBeGreaterThan(0);
  });

  it('has water as its date has it, over the seasons, and every kind of water to see through', () => {
    const drawn = Array.from({ length: 200 }, (_, seed) => drawScene(seed, 'bass').conditions);
    const mean = (months: RegExp) => {
      const own = drawn.filter(({ date }) => months.test(date)).map(({ surfaceTempC }) => surfaceTempC);
      return own.reduce((sum, each) => sum + each, 0) / own.length;
    };
    expect(mean(/-0[78]-/) - mean(/-(01|02)-/)).toBeGreaterThan(12);
    expect(Math.min(...drawn.map(({ visibilityM }) => visibilityM ?? 1))).toBeLessThan(0.3);
    expect(Math.max(...drawn.map(({ visibilityM }) => visibilityM ?? 1))).toBeGreaterThan(3);
  });
});

describe('grading', () => {
  it("gives full marks for the planner's own answer, whatever the day", () => {
    for (const key of keys(24)) {
      const bandsM = key.hours.map(({ places }): [number, number] => [
        Math.min(...places.map(({ depthM }) => depthM[0])),
        Math.max(...places.map(({ depthM }) => depthM[1])),
      ]);
      expect(grade(key, { step: 'phase', phase: key.day.phase.id }).score).toBe(1);
      expect(grade(key, { step: 'regime', regime: key.day.clarity.regime }).score).toBe(1);
      expect(grade(key, { step: 'lure', category: firstLure(key) }).score).toBe(1);
      expect(grade(key, { step: 'depth', bandsM }).score).toBe(1);
      if (key.day.food[0]) expect(grade(key, { step: 'food', kind: key.day.food[0].kind }).score).toBe(1);
      expect(grade(key, { step: 'trim', tone: key.told.presentations[0]!.colour.tone }).score).toBe(1);
      expect(grade(key, { step: 'rig', rig: rigOf(key) })).toMatchObject({ score: 1, best: rigWords(rigOf(key)) });
      const pause = key.told.presentations[0]?.retrieve.pauseS;
      expect(grade(key, { step: 'pause', seconds: pause ? (pause[0] + pause[1]) / 2 : 0 }).score).toBe(1);
    }
  });

  it('is never over full or under none, for any answer, and says what the planner has', () => {
    for (const key of keys(8)) {
      for (const phase of PHASES) {
        const { score, best } = grade(key, { step: 'phase', phase });
        expect(score >= 0 && score <= 1 && best.length > 0).toBe(true);
      }
      for (const structure of STRUCTURES) {
        const { score } = grade(key, { step: 'where', structure });
        expect(score >= 0 && score <= 1).toBe(true);
      }
    }
  });

  it('takes a lure that is nearly as good for as good, and one that is out for nothing', () => {
    const scores = CATEGORIES.map((category) => grade(cold, { step: 'lure', category }).score);
    expect(scores.filter((score) => score === 1).length).toBeGreaterThan(1);
    expect(grade(cold, { step: 'lure', category: 'buzzbait' }).score).toBeLessThan(0.5);
    expect(grade(cold, { step: 'lure', category: firstLure(cold) }).because.length).toBeGreaterThan(0);
  });

  it('grades a wait by how many times it is too long or too short', () => {
    const waits = keys(60).find(({ told }) => (told.presentations[0]?.retrieve.pauseS?.[0] ?? 0) >= 2)!;
    const pause = waits.told.presentations[0]!.retrieve.pauseS!;
    const at = (seconds: number) => grade(waits, { step: 'pause', seconds });
    expect(at(pause[1]).score).toBe(1);
    expect(at(pause[1] * 1.4).score).toBeCloseTo(1 - Math.log2(1.4), 6);
    expect(at(pause[0] / 2).score).toBe(0);
    expect(at(pause[0] / 2).against).toEqual(['They want it to lie still for longer']);
  });

  const everyHour = (band: [number, number]) => cold.hours.map(() => band);
  it('takes a band over all of the water for no answer, and one elsewhere for a wrong one', () => {
    const [place] = cold.told.holding;
    const narrow = grade(cold, { step: 'depth', bandsM: everyHour([...place!.depthM]) }).score;
    expect(grade(cold, { step: 'depth', bandsM: everyHour([0, 40]) }).score).toBeLessThan(narrow);
    expect(grade(cold, { step: 'depth', bandsM: everyHour([90, 95]) }).against).toHaveLength(1);
  });

  it('counts hours in which no band was drawn as missed, by how long they last', () => {
    const bandsM = everyHour([...cold.told.holding[0]!.depthM]);
    const whole = grade(cold, { step: 'depth', bandsM }).score;
    const some = grade(cold, { step: 'depth', bandsM: bandsM.map((band, at) => (at ? band : null)) }).score;
    const none = grade(cold, { step: 'depth', bandsM: bandsM.map(() => null) }).score;
    expect(some).toBeLessThan(whole);
    expect(none).toBeLessThan(some);
    expect(grade(cold, { step: 'depth', bandsM: [] }).score).toBe(none);
  });

  it('says what speaks for the tone that the planner takes, and against one that it would never', () => {
    const muddy = keyOf({ conditions: day({ surfaceTempC: 12, visibilityM: 0.2 }), at: 0.5 }, 'us');
    const wrong = grade(muddy, { step: 'trim', tone: 'translucent' });
    expect(wrong.score).toBeLessThan(0.2);
    expect(wrong.against.length).toBeGreaterThan(0);
    expect(grade(muddy, { step: 'trim', tone: muddy.told.presentations[0]!.colour.tone }).because).not.toHaveLength(0);
  });

  it('grades a depth class by what the lure weighs in it, and asks of none where there is one for all depths', () => {
    const all = keys(60).map((key) => ({ key, classes: optionsFor(key, 1).classes }));
    const parted = all.filter(({ classes }) => classes.length);
    expect(parted.length).toBeGreaterThan(2);
    expect(parted.length).toBeLessThan(all.length);
    const scores = parted.flatMap(({ key, classes }) => {
      const own = key.chosen.set[0]!.weighed.form.class!.id;
      expect(grade(key, { step: 'class', classId: own })).toMatchObject({ score: 1, against: [] });
      return classes.map(({ id, words }) => {
        expect(words).toMatch(/^[A-Z]/);
        return grade(key, { step: 'class', classId: id }).score;
      });
    });
    expect(scores.every((score) => score >= 0 && score <= 1)).toBe(true);
    expect(Math.min(...scores)).toBeLessThan(0.9);
    const { key } = all.find(({ classes }) => !classes.length)!;
    expect(grade(key, { step: 'class', classId: 'any' }).score).toBe(1);
    expect(isTopic(topicOf(key, 'class'))).toBe(false);
    expect(topicOf(parted[0]!.key, 'class')).toBe(`class/${firstLure(parted[0]!.key)}`);
  });

  it('grades rod and line by steps of power, by what the line is of and by its test', () => {
    const best = rigOf(cold);
    const at = (change: Partial<typeof best>) => grade(cold, { step: 'rig', rig: { ...best, ...change } });
    const braid = best.material === 'braid' ? 'nylon' : 'braid';
    expect(at({ material: braid }).score).toBeLessThan(1);
    expect(at({ material: braid }).against[0]).toMatch(/^It is fished on/);
    expect(at({ testLb: 2 * best.testLb }).against[0]).toMatch(/^Thinner line/);
    expect(at({ material: braid, testLb: 4 * best.testLb, power: 'heavy' }).score).toBeLessThan(0.5);
  });

  it('is mild where the planner itself is unsure', () => {
    const unsure = keys(60).find((key) => key.day.phase.probability < 0.5);
    if (!unsure) throw new Error('none of the days is between two phases');
    const wrong = PHASES.find((phase) => !unsure.day.phases.get(phase))!;
    expect(grade(unsure, { step: 'phase', phase: wrong })).toMatchObject({ unsure: true, score: 0.5 });
    expect(grade(unsure, { step: 'phase', phase: unsure.day.phase.id }).score).toBe(1);
  });

  it('names the school by whose other side a lure is right', () => {
    const found = keys(80).flatMap((key) =>
      key.day.schools.flatMap(({ id, side }) =>
        (SCHOOL_SIDES[id] as readonly string[])
          .filter((other) => other !== side)
          .flatMap((other) => {
            const otherDay = rejudge(key.day, { schools: { ...key.day.conditions.schools, [id]: other } });
            const first = chooseForWindow(otherDay, otherDay.windows[key.index]!, null).set[0]?.weighed.category.id;
            if (!first) return [];
            const graded = grade(key, { step: 'lure', category: first });
            return graded.school ? [graded] : [];
          }),
      ),
    );
    expect(found.length).toBeGreaterThan(0);
    for (const { score } of found) expect(score).toBe(1);
  });
});

describe('what is offered', () => {
  it('has what is right among what is not, the same for the same seed, nothing twice', () => {
    keys(24).forEach((key, seed) => {
      const options = optionsFor(key, seed);
      expect(optionsFor(key, seed)).toEqual(options);
      expect(options.phases).toContain(key.day.phase.id);
      const structures = options.places.map(({ structure }) => structure);
      const rigs = options.rigs.map(({ words }) => words);
      expect(structures).toContain(key.told.holding[0]!.structure);
      expect(options.lures).toContain(firstLure(key));
      expect(rigs.map((words) => words.toLowerCase())).toContain(rigWords(rigOf(key)));
      if (key.day.food[0]) expect(options.foods).toContain(key.day.food[0].kind);
      for (const list of [structures, options.lures, options.foods, rigs]) {
        expect(new Set(list).size).toBe(list.length);
      }
      for (const { depthM, out } of options.places) {
        expect(depthM[0] < depthM[1] && depthM[1] <= options.bottomM && out > 0 && out < 1).toBe(true);
      }
      expect(options.hours.map(({ to }) => to).slice(0, -1)).toEqual(options.hours.map(({ from }) => from).slice(1));
      expect(options.bottomM).toBeGreaterThanOrEqual(Math.max(...key.told.holding.map(({ depthM }) => depthM[1])));
    });
  });

  it('is told as an angler meets it, in both systems, and names no phase', () => {
    for (let seed = 0; seed < 40; seed++) {
      const { conditions } = drawScene(seed, seed % 3 ? 'bass' : 'inshore');
      const words = sceneWords(conditions, 'us').join(' ');
      expect(words).toMatch(/^\d+ [A-Z][a-z]+\. The water is \d+ °F and (steady|rising|falling)/);
      expect(words).not.toMatch(/undefined|NaN|spawn/);
      expect(sceneWords(conditions, 'metric').join(' ')).toMatch(/°C/);
    }
    expect([1, 0.7, 0.3, 0].map(worthWords)).toEqual(['Right.', 'Nearly.', 'Not quite.', 'No.']);
  });
});
