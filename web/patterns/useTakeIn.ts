import { ref } from "vue";
import { importPatterns, patternBookSchema, type importPatterns as Import } from "@kasten/contract/patterns";
import type { ReplyOf } from "@kasten/contract/http";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "./catalogue";

const MOST_NAMED = 6;
function takenWords(reply: ReplyOf<typeof Import>): string {
  const parts = [
    ["new", reply.added],
    ["as a new version", reply.renewed],
    ["just as they were", reply.same],
    ["materials new to the cabinet", reply.materials],
  ] as const;
  return parts
    .filter(([, names]) => names.length > 0)
    .map(([what, names]) => {
      const more = names.length > MOST_NAMED ? " …" : "";
      return `${names.length} ${what}: ${names.slice(0, MOST_NAMED).join(", ")}${more}`;
    })
    .join("; ");
}
function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined; // said as “the file”: it is not JSON
  }
}

/** Takes a file of patterns in: either all of it, or nothing with every place that is wrong. */
export function useTakeIn() {
  const { busy, refusal, send } = useChange();
  const { refetch } = useCatalogue();
  const wrong = ref<{ path: string; detail: string }[]>([]);
  const taken = ref("");
  async function takeIn(file: File): Promise<void> {
    wrong.value = [];
    taken.value = "";
    const read = patternBookSchema.safeParse(parse(await file.text()));
    if (!read.success) {
      wrong.value = read.error.issues.map((i) => ({ path: i.path.join(".") || "the file", detail: i.message }));
      return;
    }
    const reply = await send(importPatterns, { body: read.data });
    if (!reply) return;
    taken.value = takenWords(reply);
    await refetch();
  }
  return { busy, refusal, wrong, taken, takeIn };
}
