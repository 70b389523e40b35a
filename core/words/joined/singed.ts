import { splitOff, type Span, type Told } from "../told";

const singed =
  /^(?:and\s+|with\s+)?(?:the\s+|its\s+)?(?:tips?|ends?)\s+(?:is\s+|are\s+|slightly\s+|just\s+)*(?:singed|burnt|burned|melted)$|^(?:singed|burnt|burned|melted)$/;

/** “Tail: chenille, 20 mm, tip singed”: what lies is held to the flame, which is a step and a caution of its own. */
export const withSinged = (all: Told[], text: string): Told[] =>
  all.flatMap((t): Told[] => {
    const isSinged = ({ at, end }: Span): boolean => singed.test(text.slice(at, end).trim());
    const span = t.kind === "lay" || t.kind === "wind" ? t.rest.find(isSinged) : undefined;
    if (!span) return [t];
    const act = { verb: "act", kind: "act", role: t.role, part: t.part, said: {} } as const;
    return [
      { ...t, rest: t.rest.filter((r) => r !== span) },
      { ...splitOff(t, span, act), description: undefined, alternates: [] },
    ];
  });
