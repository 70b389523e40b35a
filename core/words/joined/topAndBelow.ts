import { deepCopy } from "../copy";
import { isColour } from "../../materials";
import { formSaid } from "../description";
import { isShadedColour, stuffOf } from "../named";
import type { Span, Told } from "../told";

const ON_TOP = "(?:on\\s+(?:the\\s+)?top|above|over\\s+the\\s+top)";
const BELOW = "(?:below|under(?:neath)?|beneath|on\\s+the\\s+(?:bottom|underside|belly))";
const link = "\\s*,?\\s*(?:and|with)\\s+(?:an?\\s+|the\\s+same\\s+of\\s+|as\\s+much\\s+)?$";
const behindTop = new RegExp(`\\b${ON_TOP}${link}`);
const behindBelow = new RegExp(`\\b${BELOW}${link}`);
const thenTop = new RegExp(`^\\s+${ON_TOP}\\b`);
const thenBelow = new RegExp(`^\\s+${BELOW}\\b`);

type Round = NonNullable<Told["said"]["round"]>;
const top: Round = { top: 1 };
const underside: Round = { underside: 1 };

const overThat =
  /\b(?:on\s+top\s+of|over|above)\s+(?:that|it|this|these|them)\s+(?:the\s+same\s+(?:of|in)\s+|as\s+much\s+|some\s+)?$/;
/** “The same amount of red bucktail, and on top of that brown”: as much again in that colour. */
function onTopOfThat(t: Told, text: string): Told[] | undefined {
  const { description } = t;
  const other = description && t.rest.find((r) => r.at > description.end && isColourAt(text, r));
  const [stuff, form] = [stuffOf(description?.text ?? ""), formSaid(description)];
  if (!other || !form || stuff === "" || !overThat.test(text.slice(description?.end, other.at))) return undefined;
  const { round: _round, ...said } = t.said;
  const words = text.slice(other.at, other.end).trim();
  return [
    { ...t, said, rest: t.rest.filter((r) => r !== other) },
    {
      ...t,
      said: deepCopy(said),
      understood: [other],
      kept: [],
      loose: [],
      rest: [],
      description: { ...other, text: `${words} ${stuff}`, means: { form } },
    },
  ];
}

/** Where the one stands that is named ahead of a colour, and where the one in that colour; else undefined. */
function parted(text: string, from: number, at: Span): [Round, Round] | undefined {
  const [ahead, behind] = [text.slice(from, at.at), text.slice(at.end)];
  if (behindTop.test(ahead) && thenBelow.test(behind)) return [top, underside];
  return behindBelow.test(ahead) && thenTop.test(behind) ? [underside, top] : undefined;
}

/** “Behind the eye: 30 blue hairs on top, 20 white hairs below”: the second is tied in where the first is. */
function belowTheFirst(t: Told, before: Told | undefined): Told {
  const { there, round } = before?.said ?? {};
  const areAlike = before?.kind === "lay" && formSaid(before.description) === formSaid(t.description);
  const isBelow = round?.top !== undefined && t.said.round?.underside !== undefined && t.role === before?.role;
  if (!there || !areAlike || !isBelow || t.said.there || t.said.from || t.said.begin) return t;
  // What lies on top of a hook is its wing, and what lies there beneath it the same wing's lower half.
  const role = t.role ?? (formSaid(t.description) === "hair" ? "wing" : undefined);
  return { ...t, role, part: t.part ?? role, said: { ...t.said, there } };
}

const onThat =
  /\b(?:on\s+top\s+of|over|on)\s+(?:that|it|this|these|them)\s+(?:(?:lay|tie|put|add)\s+)?(?:\S+\s+(?:\S+\s+)?of\s+)?$/;
/** “40 hairs tied in front of the eyes; on top of that 20 of blue”: the second is tied in where the first is. */
function onTheFirst(t: Told, before: Told | undefined, text: string): Told {
  const at = before?.said.tieIn?.at ?? before?.said.there;
  const isPlaced = (t.said.tieIn?.at ?? t.said.there ?? t.said.from ?? t.said.begin) !== undefined;
  if (!at || before?.kind !== "lay" || isPlaced || !onThat.test(text.slice(t.at, t.description?.at))) return t;
  return { ...t, said: { ...t.said, tieIn: { ...t.said.tieIn, at } } };
}

/** “Olive bucktail on top and white below”: two of the same stuff, said alike in all else. */
export const withTopAndBelow = (told: Told[], text: string): Told[] =>
  told.flatMap((one, n): Told[] => {
    const t =
      one.kind === "lay" && one.description ? onTheFirst(belowTheFirst(one, told[n - 1]), told[n - 1], text) : one;
    const { description } = t;
    if (t.kind !== "lay" || !t.said.round) return [t];
    const stacked = onTopOfThat(t, text);
    if (stacked) return stacked;
    // “Do the same with olive on top and white below”: each is a colour of what was tied in before.
    const first = description ?? (t.verb === "repeat" ? t.rest.find((r) => isColourAt(text, r)) : undefined);
    const other = first && t.rest.find((r) => r.at > first.end && isColourAt(text, r));
    const where = first && other && parted(text, first.end, other);
    const [stuff, form] = [stuffOf(description?.text ?? ""), formSaid(description)];
    if (!where || (description && (stuff === "" || form === undefined))) return [t];
    const rest = t.rest.filter((r) => r !== other);
    const own: Told = { ...t, said: { ...t.said, round: where[0] }, rest };
    const said = { ...deepCopy(t.said), round: where[1] };
    const words = text.slice(other.at, other.end).trim();
    return [
      own,
      {
        ...t,
        said,
        understood: description ? [other] : [],
        kept: [],
        loose: [],
        rest: description ? [] : [other],
        description: description && form ? { ...other, text: `${words} ${stuff}`, means: { form } } : undefined,
      },
    ];
  });

function isColourAt(text: string, { at, end }: Span): boolean {
  const words = text.slice(at, end).trim();
  return isColour(words) || isShadedColour(words);
}
