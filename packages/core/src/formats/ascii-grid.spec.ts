import { readAsciiGrid } from './ascii-grid';

const HEAD = 'ncols 4\nnrows 3\nxllcorner 100\nyllcorner 200\ncellsize 5\nNODATA_value -9999\n';
const ROWS = '1 2 3 4\n5 -9999 7 8\n9 10 11 12.5\n';

it('reads rows from north to south, with what is not known left out', () => {
  const steps: number[] = [];
  const grid = readAsciiGrid(HEAD + ROWS, (share) => steps.push(share));
  expect(grid).toMatchObject({ cols: 4, rows: 3, cellM: 5, westM: 100, northM: 215 });
  expect([...grid.values]).toEqual([1, 2, 3, 4, 5, Number.NaN, 7, 8, 9, 10, 11, 12.5]);
  expect(steps[0]).toBe(0);
});

it('takes the middle of the corner cell for its corner, capitals, and lines that end either way', () => {
  const text = (HEAD + ROWS)
    .replace('xllcorner', 'XLLCENTER')
    .replace('yllcorner', 'YLLCENTER')
    .replaceAll('\n', '\r\n');
  expect(readAsciiGrid(text)).toMatchObject({ westM: 97.5, northM: 212.5 });
});

it.each([
  ['a file that ends too soon', HEAD + '1 2 3 4\n5 6', 'the file ends in row 2 of 3, after 2 of 4 columns'],
  ['a short row', HEAD + '1 2 3\n5 6 7 8\n9 10 11 12\n', 'line 7: expected 4 columns, got 3'],
  ['a long row', HEAD + '1 2 3 4 5\n5 6 7 8\n9 10 11 12\n', 'line 7: expected 4 columns, got more'],
  ['too many rows', HEAD + ROWS + '1 2 3 4\n', 'line 10: expected 3 rows, got more'],
  ['a word among the figures', HEAD + ROWS.replace('7', 'deep'), 'line 8, column 3: expected a number, got deep'],
  ['no data anywhere', HEAD + '-9999 -9999 -9999 -9999\n'.repeat(3), 'expected depths, got no data in every cell'],
  ['a head without a cell', ROWS, 'expected ncols at the top of the file'],
  ['a cell of no size', HEAD.replace('cellsize 5', 'cellsize 0') + ROWS, 'cellsize: expected more than 0, got 0'],
  [
    'a head with a word',
    HEAD.replace('nrows 3', 'nrows three') + ROWS,
    'line 2: expected a number after nrows, got three',
  ],
  [
    'more cells than can be held',
    HEAD.replace('ncols 4', 'ncols 90000').replace('nrows 3', 'nrows 90000'),
    'at most 16 million cells',
  ],
])('says what is wrong with %s', (_, text, words) => {
  expect(() => readAsciiGrid(text)).toThrow(words);
});
