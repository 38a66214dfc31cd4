import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '../apps/web/src/app');
/** What is longer is split: a component is one thing, and a template of more than a glance has a file of its own. */
const MAX_LINES = 150;
const MAX_INLINE_TEMPLATE_LINES = 40;

const components = readdirSync(ROOT, { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.spec.ts'))
  .map((name) => ({ name, text: readFileSync(join(ROOT, name), 'utf8') }))
  .filter(({ text }) => text.includes('@Component('));
const linesOf = (text: string): number => text.split('\n').length - 1;

describe('components', () => {
  it('are there', () => expect(components.length).toBeGreaterThan(100));

  it('are short', () => {
    const long = components.filter(({ text }) => linesOf(text) > MAX_LINES).map(({ name }) => name);
    expect(long).toEqual([]);
  });

  it('have long templates in files of their own', () => {
    const long = components.filter(({ text }) => {
      const [, template = ''] = /template: `([^`]*)`/.exec(text) ?? [];
      return linesOf(template) > MAX_INLINE_TEMPLATE_LINES;
    });
    expect(long.map(({ name }) => name)).toEqual([]);
  });
});
