import { XMLBuilder } from 'fast-xml-parser';
import { SaxesParser } from 'saxes';
import { FeatureProblem } from './problem.js';

/** An element as the parser gives it: attributes begin with @, what it holds goes by name. */
export type Element = Readonly<Record<string, unknown>>;

export const xmlBuilder = new XMLBuilder({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  format: true,
  suppressEmptyNode: true,
});

/** A document with the place of each of its elements. */
export interface XmlText {
  readonly root: Element;
  /** "line 14", or nothing where the parser did not say. */
  readonly lineOf: (element: Element) => string;
}

/** An element that has been opened and not yet closed. */
interface Opened {
  readonly name: string;
  readonly element: Record<string, unknown>;
  text: string;
  /** It has attributes or holds elements: it is more than its text. */
  holds: boolean;
}

/** Names by which an object is more than its own fields are no fields of ours. */
const nothing = (): Record<string, unknown> => Object.create(null) as Record<string, unknown>;

const withoutPrefix = (name: string): string => name.slice(name.indexOf(':') + 1);

/** Puts a child under its name: in a list where its like may come more than once, or has come already. */
function put(parent: Opened, name: string, child: unknown, isList: boolean): void {
  const { element } = parent;
  const there = element[name];
  if (Array.isArray(there)) there.push(child);
  else if (there !== undefined) element[name] = [there, child];
  else element[name] = isList ? [child] : child;
  parent.holds = true;
}

/**
 * Reads XML in one strict pass; prefixes are left out, entities of a document's own are refused.
 * @param lists elements that may come more than once
 * @throws FeatureProblem with the line
 */
export function readXml(text: string, lists: readonly string[]): XmlText {
  const listed = new Set(lists);
  const lines = new WeakMap<object, number>();
  const document: Opened = { name: '', element: nothing(), text: '', holds: false };
  const open = [document];
  const parser = new SaxesParser();
  parser.on('error', ({ message }) => {
    // The message begins with its own line and column.
    throw new FeatureProblem(`line ${parser.line}: this is no whole XML file. ${message.replace(/^[\d:]+ /, '')}`);
  });
  parser.on('opentag', ({ name, attributes }) => {
    const element = nothing();
    let holds = false;
    for (const attribute in attributes) {
      element[`@${withoutPrefix(attribute)}`] = attributes[attribute];
      holds = true;
    }
    lines.set(element, parser.line);
    open.push({ name: withoutPrefix(name), element, text: '', holds });
  });
  const say = (said: string) => {
    const last = open.at(-1);
    if (last) last.text += said;
  };
  parser.on('text', say);
  parser.on('cdata', say);
  parser.on('closetag', () => {
    const closed = open.pop() as Opened;
    const said = closed.text.trim();
    if (closed.holds && said) closed.element['#text'] = said;
    put(open.at(-1) ?? document, closed.name, closed.holds ? closed.element : said, listed.has(closed.name));
  });
  parser.write(text).close();
  return {
    root: document.element,
    lineOf: (element) => {
      const line = lines.get(element);
      return line === undefined ? 'one of the features' : `line ${line}`;
    },
  };
}

/** Elements of a name; a lone one that the parser did not make a list of too. */
export function listOf(element: unknown, name: string): Element[] {
  const found = typeof element === 'object' && element ? (element as Element)[name] : undefined;
  const list = Array.isArray(found) ? (found as unknown[]) : found === undefined ? [] : [found];
  // An element with nothing in it comes as an empty text.
  return list.map((each) => (typeof each === 'object' && each ? (each as Element) : {}));
}

/** What an element says in letters, whether or not it has attributes too. */
export function textIn(element: Element, name: string): string | undefined {
  const found = element[name];
  if (typeof found === 'string') return found;
  const text = typeof found === 'object' && found ? (found as Element)['#text'] : undefined;
  return typeof text === 'string' ? text : undefined;
}
