const Sequencer = require('@jest/test-sequencer').default;

/** About so many seconds a file of each project takes; those of the page's tests stand still for a part of it. */
const SECONDS = { e2e: 45, server: 9, core: 2, scripts: 1, web: 4 };
const PROJECTS = Object.keys(SECONDS);
const projectOf = ({ context }) => context.config.displayName?.name;
const rank = (test) => PROJECTS.indexOf(projectOf(test));
const secondsOf = (tests) => tests.reduce((sum, test) => sum + (SECONDS[projectOf(test)] ?? 1), 0);

/**
 * Test files in such an order that of two at a time one is of the page and the other is not: where the one waits for a
 * browser the other has the cores. What there is more of the page goes before, two at a time, and the short ones last.
 */
module.exports = class SideBySide extends Sequencer {
  sort(tests) {
    const ordered = super.sort(tests).sort((a, b) => rank(a) - rank(b));
    const ofPage = ordered.filter((test) => projectOf(test) === 'e2e');
    const others = ordered.filter((test) => projectOf(test) !== 'e2e');
    const files = [];
    while (ofPage.length && secondsOf(ofPage) > secondsOf(others)) files.push(ofPage.shift());
    while (ofPage.length || others.length) {
      const next = secondsOf(ofPage) >= secondsOf(others) ? ofPage : others;
      files.push(next.shift());
    }
    return files;
  }
};
