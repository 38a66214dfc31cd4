export * from '../../contract/instruments.js';
export { InstrumentListener, type LineCounts } from './listener.js';
export { checksumOf, readSentence, sentenceOf, type NoSentence, type Sentence } from './sentence.js';
