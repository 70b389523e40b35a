import { dozensText } from "../quantity";
import { fold } from "../nearest";
import { plainColour } from "../names";
import type { ReadLine } from "../types";
import type { Stretch } from "../stretch";
import { ask, type Draft, type Named } from "./draft";

const SAID = String.raw`(?:of\s+(?:them|these)\s+|davon\s+)?(?:with\s+|mit\s+|as\s+)?(\p{L}[\p{L}-]*(?:\s+(?!(?:and|und|half|hälfte)(?!\p{L}))\p{L}[\p{L}-]*)?)`;
const HALVES = new RegExp(
  String.raw`(?<!\p{L})(?:half|hälfte)\s+${SAID}\s*[,;]?\s*(?:and\s+|und\s+|&\s*)?(?:the\s+other\s+|die\s+andere\s+)?(?:half|hälfte)\s+${SAID}`,
  "iu",
);
const WITHOUT = /^(?:not|without|unweighted|no(?:\s+weight)?|ohne|nicht)$/iu;
const UNWEIGHTED = /^un-?weighted$/iu;

/** The form that words name, and how many of them do: “tungsten” for “tungsten bead”. */
function formNamed(words: string, forms: readonly Named[]): { form: Named; taken: number } | undefined {
  const said = words.split(/\s+/);
  for (let n = said.length; n > 0; n--) {
    const run = fold(
      said
        .slice(0, n)
        .map((w) => plainColour(w))
        .join(" "),
    );
    const found = forms.filter((f) => fold(f.name) === run || fold(f.name).split(" ")[0] === run);
    const [form] = found;
    if (form && found.length === 1) return { form, taken: said.slice(0, n).join(" ").length };
  }
  return undefined;
}

/**
 * “A gross of brown 14, half weighted, half not”: the two forms of one quantity; the words are taken.
 * @returns undefined where that is not said, or not of two forms of the fly
 */
export function takeHalves(stretch: Stretch, { pattern, line }: Draft): [Named, Named] | undefined {
  if (!pattern || pattern.forms.length < 2) return undefined;
  const found = HALVES.exec(stretch.left);
  if (!found) return undefined;
  const [whole, first = "", second = ""] = found;
  const one = formNamed(first, pattern.forms);
  if (!one || one.taken !== first.length) return undefined;
  const others = pattern.forms.filter((f) => f.id !== one.form.id);
  const without = others.length === 1 ? others[0] : others.find((f) => UNWEIGHTED.test(f.name));
  const word = second.split(/\s+/)[0] ?? "";
  const two =
    formNamed(second, others) ?? (WITHOUT.test(word) && without ? { form: without, taken: word.length } : undefined);
  if (!two) return undefined;
  const from = stretch.start + found.index;
  const at: [number, number] = [from, from + whole.length - second.length + two.taken];
  stretch.takeOut(at);
  line.understood.push({ field: "form", at, label: `half ${one.form.name}, half ${two.form.name}` });
  return [one.form, two.form];
}

/** Each line in both forms, half of its flies in either; a number that has no half is asked about. */
export function inHalves(lines: ReadLine[], forms: [Named, Named]): ReadLine[] {
  return lines.flatMap((line) => {
    const { flies } = line;
    if (flies === undefined) return [line];
    if (flies % 2 !== 0) {
      ask(line, "quantity", line.at, { code: "NOT_SHARED", details: { flies, count: 2 } }, [
        { label: `${dozensText(flies + 1)}, half each`, text: `${flies + 1} flies` },
      ]);
      return [line];
    }
    return forms.map((form, i) => ({
      ...line,
      form: form.id,
      flies: flies / 2,
      ...(i > 0 && { understood: [], doubts: [] }),
    }));
  });
}
