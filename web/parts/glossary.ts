/** The words of the house and their lines, from the one place where they are written down. */
let lines: Promise<Map<string, string>> | undefined;

export function glossaryLines(text: string): Map<string, string> {
  return new Map(
    text.split("\n").flatMap((line) => {
      const [, words, meaning] = /^\|\s*([^|]+?)\s*\|\s*([^|]+?)\s*\|$/.exec(line) ?? [];
      return words && meaning && !/^-+$|^word$/.test(words)
        ? words.split(",").map((w): [string, string] => [w.trim().replace(/ \(.*\)$/, ""), meaning])
        : [];
    }),
  );
}

/** What a word of the trade means in this program; read when it is first asked for. */
export async function meaningOf(word: string): Promise<string | undefined> {
  lines ??= import("../../docs/glossary.md?raw").then((m) => glossaryLines(m.default));
  return (await lines).get(word);
}
