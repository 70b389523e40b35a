export const weekdays = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** A minute of the day on the clock. */
export const clockOf = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;
/** The clock as a minute of the day. */
export const minuteOf = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5));

/** Words for numbers, as “couple 2, few 3”; those that are not a word and a whole number are named, none is dropped. */
export function numberWordsOf(text: string): { words: Record<string, number>; unread: string[] } {
  const parts = text
    .split(",")
    .map((t) => t.trim())
    .filter(Boolean);
  const read = parts.map((part) => /^(\S+)\s+(\d+)$/.exec(part));
  return {
    words: Object.fromEntries(read.flatMap((m) => (m ? [[m[1] ?? "", Number(m[2])]] : []))),
    unread: parts.filter((_, i) => !read[i]),
  };
}
export const sayNumberWords = (words: Record<string, number>): string =>
  Object.entries(words)
    .map(([word, n]) => `${word} ${n}`)
    .join(", ");
