export { type Heard } from './heard.js';
export { InstrumentListener, type LineCounts } from './listener.js';
export { checksumOf, readSentence, sentenceOf, type NoSentence, type Sentence } from './sentence.js';
