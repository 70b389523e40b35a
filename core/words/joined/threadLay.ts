import { formTold, type Span, type Told } from "../told";

const flat = /^(?:(?:spun|lying|laid|wound)\s+)?(?:flat|flattened|untwisted)$/;
const corded = /^(?:spun\s+(?:in)?to\s+a\s+cord|corded|tightly\s+twisted|twisted\s+tight(?:ly)?)$/;

/** “Body: thread, spun flat, two layers”: how the thread lies changes how wide and thick it is. */
export const withThreadLay = (all: Told[], text: string): Told[] =>
  all.map((t) => {
    if (t.kind !== "wind" || t.role === undefined || t.role === "thread" || formTold(t) !== "thread") return t;
    const words = ({ at, end }: Span): string => text.slice(at, end).trim();
    const span = t.kept.find((k) => flat.test(words(k)) || corded.test(words(k)));
    if (!span) return t;
    const methods = { ...t.said.methods, "thread lay": corded.test(words(span)) ? "corded" : "flat" };
    const kept = t.kept.filter((k) => k !== span);
    return { ...t, kept, understood: [...t.understood, span], said: { ...t.said, methods } };
  });
