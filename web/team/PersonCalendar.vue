<script setup lang="ts">
import { useClipboard } from "@vueuse/core";
import { computed, ref } from "vue";
import { endCalendarKey, makeCalendarKey, readCalendarKey } from "@kasten/contract/schedule";
import type { Person } from "@kasten/contract/team";
import { call, useRead } from "../http";
import RefusalNote from "../parts/RefusalNote.vue";
import { moment } from "../parts/format";
import { useChange } from "../parts/useChange";

/** One’s own plan in a calendar: a secret address that can be ended, or a file. */
defineProps<{ person: Person }>();
const kept = useRead({ key: ["calendar"], query: () => call(readCalendarKey) });
const { busy, refusal, send } = useChange();
/** Said once, when it is made. */
const path = ref("");
const address = computed(() => `${location.origin}${path.value}`);
const { copy, copied, isSupported } = useClipboard({ source: address });
async function make(): Promise<void> {
  const made = await send(makeCalendarKey, {});
  if (!made) return;
  path.value = made.path;
  await kept.refetch();
}
async function end(): Promise<void> {
  if (!(await send(endCalendarKey, {}, "The address is no longer answered"))) return;
  path.value = "";
  await kept.refetch();
}
</script>

<template>
  <div class="mt-2 border-t border-rule pt-2 text-[0.94rem]">
    <RefusalNote :refusal="refusal" />
    <div class="flex flex-wrap items-center gap-2">
      <span
        >Plan in a calendar:
        <template v-if="kept.data.value?.madeAt">its address was made {{ moment(kept.data.value.madeAt) }}</template
        ><template v-else>no address yet</template></span
      >
      <button class="btn" :disabled="busy" @click="make">
        {{ kept.data.value?.madeAt ? "Make another address" : "Make an address" }}
      </button>
      <button v-if="kept.data.value?.madeAt" class="btn btn-plain" :disabled="busy" @click="end">End it</button>
      <a class="link" :href="`/api/people/${person.id}/plan.ics`">As a file</a>
    </div>
    <p v-if="path" class="mt-1">
      Give this to your calendar program. Whoever has it sees your work, so keep it to yourself; it is shown only now:
      <code class="fig break-all">{{ address }}</code>
      <button v-if="isSupported" class="btn btn-plain !min-h-7" @click="copy()">
        {{ copied ? "Copied" : "Copy" }}
      </button>
    </p>
  </div>
</template>
