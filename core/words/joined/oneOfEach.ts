import { deepCopy } from "../copy";
import { formSaid } from "../description";
import { isShadedColour, stuffOf } from "../named";
import { wordsOf, type Span, type Told } from "../told";

const oneAndOne =
  /^(?:\s*(?:back\s+to\s+back|together))?\s*[,:(-]?\s*(?:one|an?)\s+([a-z][a-z -]*?)\s*,?\s+(?:and\s+)?(?:one|an?|the\s+other|another)\s+([a-z][a-z -]*?)(?=\s*(?:[,.;)]|$)|\s+(?:with|tied|barbs|fibres|fibers|wound|in|at|by)\b)/;

/** “Two hackles, one brown and one grizzly”: one of each, alike in all else. */
export const withOneOfEach = (all: Told[], text: string): Told[] =>
  withAlike(withoutBoth(all), text).flatMap((t): Told[] => {
    const { description } = t;
    const found = isTwo(t) && description ? oneAndOne.exec(text.slice(description.end, t.end)) : null;
    const [whole, one = "", two = ""] = found ?? [];
    if (!description || whole === undefined || ![one, two].every(isShadedColour)) return [t];
    const end = description.end + whole.length;
    const isBehind = (r: Span): boolean => r.at < description.end || r.at >= end;
    const understood = [...t.understood, { at: description.end, end }];
    return [
      { ...inColour(t, one), rest: t.rest.filter(isBehind), understood },
      { ...inColour(t, two), understood: [], kept: [], loose: [], rest: [] },
    ];
  });

function isTwo({ said: { amount, count } }: Told): boolean {
  return (amount !== undefined && "feathers" in amount && amount.feathers === 2) || count === 2;
}

/** One of them, of the same stuff in a colour of its own. */
function inColour(t: Told, colour: string): Told {
  const own = deepCopy(t);
  const { amount: _amount, count: _count, ...said } = own.said;
  const form = formSaid(t.description);
  return {
    ...own,
    said: { ...said, ...(t.said.amount && { amount: { feathers: 1 } }) },
    description: t.description && {
      at: t.description.at,
      end: t.description.end,
      text: `${colour} ${stuffOf(t.description.text).replace(/s$/, "")}`,
      means: form && { form },
    },
  };
}

const ofHackles = /^(?:[a-z]+\s+)?(?:hackles|saddles)$/;
const isHackle = ({ description }: Told): boolean => formSaid(description) === "hackle";

/** “Two hackles, one brown, one grizzly”, where each is told by itself: the two are those. */
function withoutBoth(all: Told[]): Told[] {
  const areThey = (n: number): boolean => {
    const [t, one, two] = [all[n], all[n + 1], all[n + 2]];
    const isBoth = t !== undefined && isTwo(t) && ofHackles.test(t.description?.text.trim().toLowerCase() ?? "");
    return isBoth && [one, two].every((x) => x !== undefined && isHackle(x) && x.verb === undefined);
  };
  return all.flatMap((t, n): Told[] => {
    if (areThey(n)) return [];
    const both = areThey(n - 1) ? all[n - 1] : undefined;
    if (!both) return [t];
    const { count: _count, amount: _amount, ...said } = both.said;
    return [{ ...t, at: both.at, verb: both.verb, said: { ...said, ...t.said }, ...wordsOf(both, t) }];
  });
}

/** “One brown and one grizzly, 5 turns”: the turns are those of both. */
function withAlike(all: Told[], text: string): Told[] {
  return all.map((t, n) => {
    const next = all[n + 1];
    const areWound = t.kind === "wind" && next?.kind === "wind" && isHackle(t) && isHackle(next);
    const isBare = Object.keys(t.said).every((key) => key === "count" || key === "amount");
    const isBeside =
      next?.description && /^\W*(?:(?:and|one|an?|1)\W+)*$/.test(text.slice(t.description?.end, next.description.at));
    if (!next || !areWound || !isBare || !isBeside || next.verb !== undefined || next.role !== t.role) return t;
    return { ...t, said: { ...deepCopy(next.said), ...t.said } };
  });
}
