import type { Told } from "../told";

const takesBack = /^\W*(?:(?:no|nope|sorry|oops|wait|scratch\s+that)\b[\s,:.-]+)+/;

/** The same, where it ends what was told before: “red floss - sorry, …”. */
const isTakenBack = /[.,;–-]\s*(?:no\s*[,:.-]+|(?:nope|sorry|oops|wait|scratch\s+that|or\s+rather)[\s,:.-]+)\s*$/;

/** “3 goose biots? no, two brown biots”: what is told anew holds, and what was told before stays to be seen. */
export const withRetracted = (all: Told[], text: string): Told[] =>
  all.flatMap((t, n): Told[] => {
    const isNew = (x: Told | undefined, before: Told | undefined): boolean =>
      x?.description !== undefined &&
      before?.description !== undefined &&
      (before.role === undefined || before.role === x.role) &&
      before.verb === x.verb &&
      (takesBack.test(text.slice(x.at)) || isTakenBack.test(text.slice(before.at, x.at))) &&
      // Right behind it, but for how many: “no, two brown biots”.
      /^(?:[\w.]+\s+){0,2}$/.test(text.slice(x.at, x.description.at).replace(takesBack, "").trimStart());
    const next = all[n + 1];
    if (next && isNew(next, t)) return [];
    const before = all[n - 1];
    if (!before || !isNew(t, before)) return [t];
    const end = t.at + (takesBack.exec(text.slice(t.at))?.[0].length ?? 0);
    const rest = t.rest.filter((r) => r.at >= end);
    return [{ ...t, at: before.at, rest, kept: [{ at: before.at, end }, ...t.kept] }];
  });
