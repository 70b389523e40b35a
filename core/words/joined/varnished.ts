import { formTold, splitOff, type Told } from "../told";

const joins = /(?:[,;&]|\b(?:and|then))\s*(?:(?:an?|some|the)\s+)?$/;
const onThread = new Set<Told["verb"]>(["wind", "act", undefined]);

/** “Half hitch twice, varnish”, “Head: 3 turns in front of the eyes, varnish”: that is put on when the rest is done. */
export const withVarnish = (all: Told[], text: string): Told[] =>
  all.flatMap((t): Told[] => {
    const { description, role } = t;
    const isOfThread =
      onThread.has(t.verb) && (t.kind === "wind" || t.kind === "act") && (role !== "finish" || t.verb === "act");
    if (!description || !isOfThread || formTold(t) !== "liquid" || !joins.test(text.slice(t.at, description.at)))
      return [t];
    const span = { at: description.at, end: description.end };
    const own = { verb: "finish", kind: "glue", role: "finish", part: "finish", said: {} } as const;
    const finish: Told = { ...splitOff(t, span, own), alternates: [] };
    return [{ ...t, description: undefined, end: description.at }, finish];
  });
