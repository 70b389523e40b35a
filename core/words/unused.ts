import { lineOf, type Reading } from "./reading";

/**
 * What was tied in and never used, or named and never tied in: noted while the recipe is being written, and asked about
 * once it is told to its end, as nothing of it would be on the pull sheet. Where that line or a later one is asked
 * about already, its answer may use it up.
 */
export function askUnused(r: Reading): void {
  const { bench } = r;
  const called = (id: string): string | undefined => bench.component(id)?.role;
  for (const w of bench.waiting)
    if (!w.used) {
      const part = called(w.component) ?? w.role;
      const never = w.hangs ? "pulled over" : "wound";
      tell(r, w.line, `the ${part} is tied in here and never used`, `The ${part} is tied in here and never ${never}.`);
    }
  for (const [id, d] of bench.declared)
    if (!d.used) {
      const part = called(id) ?? id;
      tell(r, d.line, `the ${part} is named here and never tied in`, `The ${part} is named here and never tied in.`);
    }
}

function tell(r: Reading, line: number, note: string, what: string): void {
  const { asks, notes, text } = lineOf(r, line);
  if (!isToldToTheEnd(r) || r.out.slice(line).some((l) => l.asks.length > 0)) {
    notes.push(note);
    return;
  }
  const sentence = `${what} Say in a line behind it how it is used, or take it out.`;
  asks.push({ at: [text.search(/\S/), text.trimEnd().length], sentence, answers: [] });
}

const isToldToTheEnd = ({ bench }: Reading): boolean =>
  bench.finish.state !== "not stated" || bench.made.some(({ step }) => step.do === "whip");
