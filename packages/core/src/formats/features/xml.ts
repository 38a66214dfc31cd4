import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser';
import { FeatureProblem, linesOf } from './problem.js';

/** An element as the parser gives it: attributes begin with @, what it holds goes by name. */
export type Element = Readonly<Record<string, unknown>>;

/** A name with a prefix, of an element or an attribute. Taking prefixes off where there are none costs a tenth of the time. */
const PREFIXED = /<\/?[\w.-]+:|\s[\w.-]+:[\w.-]+\s*=/;

const parser = (lists: readonly string[], removeNSPrefix: boolean) =>
  new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    parseTagValue: false,
    parseAttributeValue: false,
    removeNSPrefix,
    // Lists are known by name alone: no path is spelled out for each element.
    jPath: false,
    captureMetaData: true,
    isArray: (name) => lists.includes(name),
  });

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

/** Reads XML. @param lists elements that may come more than once @throws FeatureProblem with the line */
export function readXml(text: string, lists: readonly string[]): XmlText {
  const valid = XMLValidator.validate(text);
  if (valid !== true) throw new FeatureProblem(`line ${valid.err.line}: this is no whole XML file. ${valid.err.msg}`);
  const lineAt = linesOf(text);
  const mark = XMLParser.getMetaDataSymbol() as unknown as keyof Element;
  return {
    root: parser(lists, PREFIXED.test(text)).parse(text) as Element,
    lineOf: (element) => {
      const { startIndex } = (element[mark] ?? {}) as { startIndex?: number };
      return startIndex === undefined ? 'one of the features' : `line ${lineAt(startIndex)}`;
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
