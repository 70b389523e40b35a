import { deepCopy } from "../copy";
import { shareOfShank } from "../clauses/common/zone";
import { isShadedColour, stuffOf } from "../named";
import type { Span, Told } from "../told";
import type { MaterialForm } from "../../materials";

const shareInColour =
  /^((?:the\s+)?(?:rear|back|hind|front|fore|middle|mid|centre|center|first|last)\s+(?:\d+\s*%|half|third|quarter|two\s+thirds)\s+(?:in\s+|of\s+)?)([a-z][a-z -]*)$/;
const ofBodies = new Set<MaterialForm>(["dubbing", "blend", "floss", "yarn", "chenille", "thread", "tinsel"]);

/** “Rear half yellow floss, front half black”: the other share is of the same stuff, in its own colour. */
export const withSharesOfColour = (all: Told[], text: string): Told[] =>
  all.flatMap((t) => {
    const { from, to } = t.said;
    if (!from || !to || t.role !== "body") return [t];
    const others = t.rest.flatMap((r) => shareOf(t, r, text) ?? []);
    const taken = new Set(others.map((o) => o.at));
    return [{ ...t, rest: t.rest.filter((r) => !taken.has(r.at)) }, ...others];
  });

function shareOf(t: Told, at: Span, text: string): Told | undefined {
  const [, share, colour = ""] = shareInColour.exec(text.slice(at.at, at.end).trimEnd()) ?? [];
  const form = t.description?.means?.form ?? t.description?.exact?.form;
  const stuff = stuffOf(t.description?.text ?? "");
  if (share === undefined || !form || !ofBodies.has(form) || stuff === "" || !isShadedColour(colour)) return undefined;
  const zone = shareOfShank(text, at.at)?.value;
  if (!zone) return undefined;
  const { there: _there, begin: _begin, end: _end, ...said } = deepCopy(t.said);
  return {
    ...deepCopy(t),
    at: at.at,
    end: at.end,
    description: { at: at.at + share.length, end: at.end, text: `${colour} ${stuff}`, means: { form } },
    said: { ...said, ...zone },
    understood: [at],
    kept: [],
    loose: [],
    rest: [],
  };
}
