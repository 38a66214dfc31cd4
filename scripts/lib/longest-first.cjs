const Sequencer = require('@jest/test-sequencer').default;

/** Projects by how long their files take: with the short ones last both cores are busy to the end. */
const PROJECTS = ['e2e', 'server', 'core', 'scripts', 'web'];
const rank = ({ context }) => PROJECTS.indexOf(context.config.displayName?.name);

/** Test files in the order of their projects, within each as Jest has it. */
module.exports = class LongestFirst extends Sequencer {
  sort(tests) {
    return super.sort(tests).sort((a, b) => rank(a) - rank(b));
  }
};
