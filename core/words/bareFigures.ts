import type { Description } from "./description";
import { match } from "./parse";
import type { Told } from "./told";

/** Materials of which nothing is told but a figure: the gauge of a weight's wire, the size of eyes. */

export const eyeSize = match("\\d+(?:[.,]\\d+)?\\s*mm(?=\\s*(?:[,;.]|$))");
/** “4 mm, black dumbbell”: the size ahead of what it is a size of. */
const sizeAndKind = match(
  "\\d+(?:[.,]\\d+)?\\s*mm\\s*,\\s*(?:[a-z]+\\s+){0,2}(?:dumb-?bells?|bar-?bells?|(?:bead|ball)[\\s-]+chain|chain)(?:\\s+eyes)?(?=\\s*(?:[,;.]|$))",
);
/** “Eyes: 8 mm, glued on”: of the eyes nothing but their size is told. */
export function bareEyes(text: string, at: number): Description | undefined {
  const kind = sizeAndKind(text, at);
  if (kind) return { at, end: kind.end, text: text.slice(at, kind.end).replace(",", ""), means: { form: "eyes" } };
  const found = eyeSize(text, at);
  const isStuck = /\b(?:stick|stuck|glued?)\b/.test(text.slice(at));
  return (
    found && {
      at,
      end: found.end,
      text: `${isStuck ? "stick-on " : ""}${text.slice(at, found.end)} eyes`,
      means: { form: "eyes" },
    }
  );
}
/** In inches with two or three digits, in millimetres with one: “.025”, “.5”. */
const gauge = match('0?\\.\\d{2,3}"?(?:\\s*in(?:ch)?)?|[01]?\\.\\d(?!\\d)(?:\\s*mm)?(?=\\s*(?:[,;.]|$|lead|wire))');
/** “0.5 mm, lead free wire”: the gauge ahead of what it is the gauge of. */
const gaugeAndKind = match(
  '(?:0?\\.\\d{2,3}"?(?:\\s*in(?:ch)?)?|[01]?\\.\\d(?!\\d)(?:\\s*mm)?)\\s*,\\s*(?:(?:round|flat|soft|non-?toxic)\\s+)*(?:lead(?:[\\s-]+(?:free|substitute))?|tungsten|copper|non-?toxic)(?:\\s+(?:wire|round))?(?=\\s*(?:[,;.]|$))',
);
/** “0.5 mm, 12 turns, lead free wire”: what the figure is of comes later, and is asked about. */
const metalBehind = /^[^.;\d]*,[^.;]*\b(?:lead|tungsten|non-?toxic)\b/;
/** “6 turns .015 behind it”: so thick is the weight's wire, where nothing else is told. */
export const isTurnsAlone = ({ role, kind, said, description }: Told): boolean =>
  role === undefined && kind === "wind" && said.rule?.turns !== undefined && !description;
export const ofInch = match("0?\\.\\d{2,3}");
/** “Weight: 12 × .015”: of weights so thick is the wire. */
export function bareGauge(text: string, at: number, part: string | undefined): Description | undefined {
  const kind = gaugeAndKind(text, at);
  if (kind)
    return { at, end: kind.end, text: text.slice(at, kind.end).replace(",", ""), means: { form: "weight wire" } };
  const found = gauge(text, at);
  if (!found || metalBehind.test(text.slice(found.end))) return undefined;
  const metal = part === "lead" ? "lead wire" : "wire";
  const typed = text.slice(at, found.end);
  const thick = /^[01]?\.\d$/.test(typed) ? `${Number(typed)} mm` : typed;
  return { at, end: found.end, text: `${thick} ${metal}`, means: { form: "weight wire" } };
}
