import { readdirSync, readFileSync } from "node:fs";

/** A recipe as somebody typed it, and line by line what must be read of it. */
interface CorpusRecipe {
  name: string;
  text: string;
  expected: string[];
}

const folder = new URL("./", import.meta.url);
const MARK = "\n===\n";

/** All recipes of the corpus, by name. */
export const recipes: readonly CorpusRecipe[] = readdirSync(folder)
  .filter((f) => f.endsWith(".txt"))
  .sort()
  .map((f) => {
    const [text = "", expected = ""] = readFileSync(new URL(f, folder), "utf8").split(MARK);
    return { name: f.replace(/\.txt$/, ""), text: text.trimEnd(), expected: expected.trim().split("\n") };
  });
