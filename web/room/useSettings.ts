import { useQueryCache } from "@pinia/colada";
import { saveSettings, type Settings } from "@kasten/contract/settings";
import type { Refusal } from "../http";
import { useChange } from "../parts/useChange";

export type Kept = Settings & { version: number };

/** Keeps settings; whoever was slower is told what the other changed, and may keep theirs over it. */
export function useSettings() {
  const cache = useQueryCache();
  const { busy, refusal, send } = useChange();
  async function keep(body: Kept): Promise<Refusal | null> {
    const kept = await send(saveSettings, { body }, "Kept: what depends on it is made anew");
    if (!kept) return refusal.value;
    await Promise.all(["settings", "catalogue", "plan", "needs"].map((key) => cache.invalidateQueries({ key: [key] })));
    return null;
  }
  return { busy, refusal, keep };
}
