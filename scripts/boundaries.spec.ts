import { execFileSync } from 'node:child_process';

const REFUSED: [text: string, rule: string][] = [
  ["import { readFileSync } from 'node:fs';\nexport const x = readFileSync;\n", 'no-restricted-imports'],
  ["import { join } from 'path';\nexport const x = join;\n", 'no-restricted-imports'],
  ["import { Component } from '@angular/core';\nexport const x = Component;\n", 'no-restricted-imports'],
  ["import express from 'express';\nexport const x = express;\n", 'no-restricted-imports'],
  ["import { DEMO } from '@inky-shoal/demo';\nexport const x = DEMO;\n", 'no-restricted-imports'],
  ['export const x = document.title;\n', 'no-restricted-globals'],
  ['export const x = process.env;\n', 'no-restricted-globals'],
  ['export const x = Date.now();\n', 'no-restricted-syntax'],
  ['export const x = new Date();\n', 'no-restricted-syntax'],
  ['export const x = Math.random();\n', 'no-restricted-syntax'],
];
const ALLOWED = "import { trendCPerDay } from './trend.js';\n\nexport const x = trendCPerDay;\n";

describe('the boundary of the core', () => {
  let broken: string[][];
  beforeAll(() => {
    const texts = [...REFUSED.map(([text]) => text), ALLOWED];
    const path = 'packages/core/src/season/season.ts';
    // In a process of its own, since the linter loads its configuration in a way that Jest cannot.
    broken = JSON.parse(
      execFileSync(process.execPath, ['scripts/lib/lint-texts.mjs', path], {
        input: JSON.stringify(texts),
        encoding: 'utf8',
      }),
    ) as string[][];
  });

  it.each(REFUSED.map(([text, rule], index) => [text.split('\n')[0] ?? '', rule, index] as const))(
    'refuses %s',
    (_, rule, index) => expect(broken[index]).toContain(rule),
  );
  it('lets the core import itself', () => expect(broken.at(-1)).toEqual([]));
});
