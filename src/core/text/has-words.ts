/** Whether a text holds every one of some typed words, in any order, without regard to case or width of letters. */
export type HasWords = (text: string) => boolean;

/** Reads what was typed into a field that finds by words; nothing typed lets everything through. */
export function wordFinder(typed: string): HasWords {
  const words = foldForWords(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return () => true;
  return (text) => {
    const folded = foldForWords(text);
    return words.every((word) => folded.includes(word));
  };
}

const foldForWords = (text: string): string => text.normalize('NFKC').toLowerCase();
