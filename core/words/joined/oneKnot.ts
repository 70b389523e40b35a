import { wordsOf, type Told } from "../told";

const saysNoTurns = /^\W*(?:and\s+|then\s+|now\s+)*(?:finish|tie\s+off|knot)(?:\s+(?:off|it|the\s+fly))*\b/u;

/** “Finish behind the hackle … 3 turn whip”, “Head: behind the collar, 3 turn whip”: where, and then how: one knot. */
export const withOneKnot = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    const before = told[told.length - 1];
    if (!before || !isKnot(t) || !saysNoPlace(t)) return [...told, t];
    const isKnotBefore =
      isKnot(before) && saysNoTurns.test(text.slice(before.at, before.end)) && hasNoFigure(before, text);
    if (!isKnotBefore && !saysOnlyWhere(before)) return [...told, t];
    // What “3 turn whip” says of its turns is read from its own words.
    return [...told.slice(0, -1), { ...t, ...wordsOf(before, t), said: { ...before.said, ...t.said } }];
  }, []);

const placeWords: ReadonlySet<string> = new Set(["there", "from", "to", "begin", "end"]);
/** What a line about the head or the finish says ahead of the knot, where that is only a place. */
function saysOnlyWhere({ verb, role, description, loose, rest, said }: Told): boolean {
  const keys = Object.keys(said);
  return (
    (role === "head" || role === "finish") &&
    verb === undefined &&
    description === undefined &&
    loose.length + rest.length === 0 &&
    keys.length > 0 &&
    keys.every((key) => placeWords.has(key))
  );
}
const isKnot = ({ kind, verb }: Told): boolean => kind === "whip" || verb === "whip";
const hasNoFigure = ({ at, end }: Told, text: string): boolean => !/\d|\bturns?\b/.test(text.slice(at, end));
const saysNoPlace = ({ said }: Told): boolean =>
  (said.there ?? said.from ?? said.to ?? said.begin ?? said.end) === undefined;
