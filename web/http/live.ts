import { useQueryCache } from "@pinia/colada";
import { onScopeDispose } from "vue";
import { connection } from "./connection";

/** What to look at again when something of a kind has changed. */
const touches: Record<string, string[]> = {
  order: ["orders", "order", "batches", "batch", "needs", "plan", "box", "waiting", "stock", "log"],
  batch: [
    "batches",
    "batch",
    "needs",
    "plan",
    "box",
    "waiting",
    "stock",
    "material",
    "orders",
    "order",
    "finished",
    "log",
  ],
  stock: ["stock", "material", "needs", "batch", "plan", "log"],
  pattern: ["catalogue", "batches", "batch", "versions", "log"],
  hook: ["catalogue", "batches", "batch", "needs"],
  person: ["people", "me", "plan"],
  parcel: ["box", "orders", "order", "waiting", "log"],
  customer: ["catalogue"],
};
const GATHER_MS = 120;

/** Keeps every page up to date: the server says what has changed, and what shows it is read again. No polling. */
export function useLive(): void {
  const cache = useQueryCache();
  const due = new Set<string>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const look = (keys: string[]) => {
    for (const k of keys) due.add(k);
    timer ??= setTimeout(() => {
      timer = undefined;
      for (const k of due) void cache.invalidateQueries({ key: [k] });
      due.clear();
    }, GATHER_MS);
  };
  const stream = new EventSource("/api/live");
  let wasAway = false;
  const back = () => {
    connection.reached();
    if (wasAway) look([...new Set(Object.values(touches).flat())]);
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
    look(touches[(JSON.parse(message.data as string) as { subject: string }).subject] ?? []),
  );
  stream.onerror = () => {
    wasAway = true;
    connection.missed("server");
  };
  onScopeDispose(() => {
    clearTimeout(timer);
    stream.close();
  });
}
