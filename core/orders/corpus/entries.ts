import { readdirSync, readFileSync } from "node:fs";

/** An order as a shop wrote it, and what must come out: its lines and heading, or what is asked. */
interface CorpusOrder {
  text: string;
  wanted: string[];
}

const folder = new URL("./", import.meta.url);
const MARK = "\n---\n";

/** The orders of one file of the corpus. */
export const ordersOf = (file: string): CorpusOrder[] =>
  readFileSync(new URL(file, folder), "utf8")
    .trimEnd()
    .split(MARK)
    .map((block) => {
      const lines = block.split("\n");
      return {
        text: lines.filter((l) => !/^[=?] /.test(l)).join("\n"),
        wanted: lines.filter((l) => /^[=?] /.test(l)),
      };
    });

/** The orders of all files, in the order of their names. */
export const allOrders = (): CorpusOrder[] =>
  readdirSync(folder)
    .filter((f) => f.endsWith(".txt"))
    .sort()
    .flatMap(ordersOf);
