import { useQuery, useQueryCache } from "@pinia/colada";
import { until } from "@vueuse/core";
import { computed } from "vue";
import { me, signOut } from "@kasten/contract/team";
import { mayDo, whoMay, type Permission } from "@kasten/contract/permissions";
import { call, connection } from "../http";

const MOST_WAIT_MS = 1500;

/** Who is signed in, and what they may do. */
export function useSession() {
  const cache = useQueryCache();
  const query = useQuery({ key: ["me"], query: () => call(me), staleTime: 600_000 });
  const person = computed(() => query.data.value?.person ?? null);
  const may = (permission: Permission): boolean => person.value !== null && mayDo(person.value.role, permission);
  /** What to say beside an action that is not this person's. */
  const askWhom = (permission: Permission): string => `To ${permission} is for ${whoMay(permission)}.`;
  async function leave(): Promise<void> {
    connection.leaving = true;
    // What was asked for before is still answered: after signing out it would be refused.
    await until(() => connection.pending).toBe(0, { timeout: MOST_WAIT_MS });
    try {
      await call(signOut);
    } finally {
      // Also where the session had ended before: the page begins anew.
      location.assign("/");
    }
  }
  const refresh = () => cache.invalidateQueries({ key: ["me"] });
  return { state: query.data, person, may, askWhom, leave, refresh };
}
