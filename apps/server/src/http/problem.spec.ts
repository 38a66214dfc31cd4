import { BookTrouble, inWords } from '../db/trouble';
import { fromBook } from './problem';

const error = (code: string, cause?: string) =>
  Object.assign(new Error('raw'), { code, ...(cause ? { cause: { code: cause } } : {}) });

describe('what the disk or the book cannot do', () => {
  it.each([
    ['SQLITE_FULL', 507, 'The disk is full where the book lies: nothing was changed. Free some room there'],
    ['ENOSPC', 507, 'The disk is full'],
    ['SQLITE_READONLY', 503, 'may not be written to: nothing was changed'],
    ['SQLITE_BUSY', 503, 'Another program holds the book'],
    ['SQLITE_CORRUPT_INDEX', 503, 'go back to a backup in Settings'],
    ['SQLITE_IOERR_READ', 503, 'cannot be read'],
  ])('%s is said in a sentence with the way out', (code, status, words) => {
    const problem = fromBook(error(code));
    expect(problem?.status).toBe(status);
    expect(problem?.detail).toContain(words);
  });

  it('is not made of other faults', () => {
    expect(fromBook(error('ERR_OTHER'))).toBeUndefined();
    expect(fromBook(undefined)).toBeUndefined();
  });

  it.each([
    ['SQLITE_FULL', 'The disk of /data is full: free some room there, then start again.'],
    ['EACCES', '/data may not be written to: give this user leave to write there, or set INKY_DATA'],
    ['SQLITE_CANTOPEN', '/data may not be written to'],
    ['SQLITE_BUSY', '/data is held by another program'],
  ])('at start, %s is one sentence, too', (code, words) => {
    const told = inWords(error(code), '/data') as Error;
    expect(told).toBeInstanceOf(BookTrouble);
    expect(told.message).toContain(words);
    expect((inWords(error('OTHER', code), '/data') as Error).message).toBe('raw');
  });

  it('at start, what is behind an error counts where it has no code of its own', () => {
    const behind = Object.assign(new Error('outer'), { cause: { code: 'SQLITE_FULL' } });
    expect((inWords(behind, '/data') as Error).message).toContain('is full');
  });
});
