/** A stretch of the typed text. */
export interface Span {
  text: string;
  start: number;
  end: number;
}

const trimSpan = (text: string, start: number, end: number): Span => {
  while (start < end && /\s/.test(text[start] ?? "")) start++;
  while (end > start && /\s/.test(text[end - 1] ?? "")) end--;
  return { text: text.slice(start, end), start, end };
};

/** Chunks between commas, semicolons and line ends; a row of cells (tabs) stays together. */
export function chunksOf(text: string): Span[] {
  const chunks: Span[] = [];
  let start = 0;
  for (let i = 0; i <= text.length; i++) {
    const c = text[i];
    const isThousands = c === "," && /\d$/.test(text.slice(0, i)) && /^\d{3}(?!\d)/.test(text.slice(i + 1));
    if (isThousands) continue;
    const rowHasTabs = c === "," && (text.slice(text.lastIndexOf("\n", i) + 1).split("\n")[0] ?? "").includes("\t");
    if (i === text.length || c === ";" || c === "\n" || (c === "," && !rowHasTabs)) {
      const span = trimSpan(text, start, i);
      if (span.text) chunks.push(span);
      start = i + 1;
    }
  }
  return chunks;
}

/** The words of a chunk, each where it stands. */
export const wordsOf = (chunk: Span): Span[] =>
  [...chunk.text.matchAll(/[^\s]+/g)].map((m) => ({
    text: m[0],
    start: chunk.start + m.index,
    end: chunk.start + m.index + m[0].length,
  }));
