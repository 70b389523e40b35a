import type { Told } from "../told";

/** Words that were read, and that nothing is reckoned from here: they are kept, and shown as they were typed. */
export function keepInSight(told: Told, text: string, are: (words: string) => boolean): void {
  const words = told.understood.filter((u) => are(text.slice(u.at, u.end)));
  told.understood = told.understood.filter((u) => !words.includes(u));
  told.kept.push(...words);
}
