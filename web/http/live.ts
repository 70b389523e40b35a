import { useQueryCache, type EntryKey } from "@pinia/colada";
import { onScopeDispose, watch } from "vue";
import { connection } from "./connection";

/** What the server told of: a thing that has changed, and how. */
export interface Change {
  subject: string;
  subjectId: string;
  kind: string;
}

/** What to look at again when something of a kind has changed: no more than shows it. */
const touches: Record<string, (c: Change) => EntryKey[]> = {
  order: ({ subjectId }) => [
    ["orders"],
    ["standing"],
    ["order", subjectId],
    ["batches"],
    ["batch"],
    ["box"],
    ["waiting"],
    ["log"],
  ],
  batch: ({ subjectId, kind }) => {
    const own: EntryKey[] = [["batches"], ["batch", subjectId]];
    if (kind === "tallied") return own;
    const finished: EntryKey[] = kind === "finished" ? [["finished"], ["box"], ["orders"]] : [];
    return [...own, ...finished, ["stock"], ["material"], ["preparations"], ["waiting"], ["log"]];
  },
  purchase: () => [["purchases"], ["purchase"], ["buying"], ["material"], ["log"]],
  stock: ({ subjectId }) => [
    ["stock"],
    ["material", subjectId],
    ["lot"],
    ["bobbins"],
    ["takes"],
    ["take"],
    ["batch"],
    ["catalogue"],
    ["log"],
  ],
  pattern: () => [["catalogue"], ["batches"], ["batch"], ["versions"], ["log"]],
  hook: () => [["catalogue"], ["batches"], ["batch"]],
  person: () => [["people"], ["me"]],
  parcel: () => [["box"], ["orders"], ["order"], ["waiting"], ["log"]],
  customer: () => [["catalogue"]],
  supplier: () => [["suppliers"], ["material"]],
  /** Settings, drawers, a file that was taken in: what the whole room draws on. */
  room: () => [
    ["settings"],
    ["catalogue"],
    ["drawers"],
    ["bobbins"],
    ["suppliers"],
    ["stock"],
    ["material"],
    ["orders"],
    ["batches"],
    ["log"],
  ],
  outlook: ({ subjectId }) => {
    if (subjectId === "cover" || subjectId === "stock") return [["stock"], ["material"]];
    // What standing orders will need is what the open batches leave.
    return subjectId === "needs" ? [["needs"], ["standing"]] : [[subjectId]];
  },
};
/** What moves a new room on: it is asked only as long as it shows how far it is set up. */
const moves = new Set(["order", "stock", "pattern", "hook", "person", "customer", "room"]);
export const touchedBy = (c: Change): EntryKey[] => [
  ...(touches[c.subject]?.(c) ?? []),
  ...(moves.has(c.subject) ? [["beginnings"]] : []),
];

const GATHER_MS = 120;

/** Keeps every page up to date: the server says what has changed, and what shows it is read again. No polling. */
export function useLive(): void {
  const cache = useQueryCache();
  const due = new Map<string, EntryKey>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const look = (keys: EntryKey[]) => {
    if (connection.leaving) return;
    for (const k of keys) due.set(JSON.stringify(k), k);
    timer ??= setTimeout(() => {
      timer = undefined;
      if (connection.leaving) return;
      for (const key of due.values()) void cache.invalidateQueries({ key });
      due.clear();
    }, GATHER_MS);
  };
  const lookAtAll = () => void cache.invalidateQueries();
  const stream = new EventSource("/api/live");
  let wasAway = false;
  const back = () => {
    connection.reached();
    if (wasAway) lookAtAll();
    wasAway = false;
  };
  stream.addEventListener("hello", back);
  stream.addEventListener("look", () => {
    wasAway = true;
    back();
  });
  stream.addEventListener("away", () => {
    wasAway = true;
    connection.missed("database");
  });
  stream.addEventListener("change", (message) =>
    // The server makes it: see its live stream.
    look(touchedBy(JSON.parse(message.data as string) as Change)),
  );
  stream.onerror = () => {
    if (connection.leaving) return;
    wasAway = true;
    // Turned away for good: the session has ended, here or by somebody else.
    if (stream.readyState === EventSource.CLOSED) return void cache.invalidateQueries({ key: ["me"] });
    connection.missed("server");
  };
  // The session is about to end: what the server says of that is not news.
  watch(
    () => connection.leaving,
    (leaving) => leaving && stream.close(),
    { flush: "sync" },
  );
  onScopeDispose(() => {
    clearTimeout(timer);
    stream.close();
  });
}
