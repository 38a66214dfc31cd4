/** A file that cannot be taken, in a sentence that says what and where. */
export class FileProblem extends Error {}
