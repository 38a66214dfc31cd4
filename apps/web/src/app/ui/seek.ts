/**
 * What of a list is sought: the words as they stand together, where any of the list has them so; else all of them in any
 * order.
 * @param texts what is written of each in the list, in small letters
 * @returns whether a text of the list is sought
 */
export function seeker(typed: string, texts: readonly string[]): (text: string) => boolean {
  const phrase = typed.trim().toLowerCase().replace(/\s+/g, ' ');
  if (!phrase) return () => true;
  if (texts.some((text) => text.includes(phrase))) return (text) => text.includes(phrase);
  const words = phrase.split(/[ ,]+/).filter(Boolean);
  return (text) => words.every((word) => text.includes(word));
}
