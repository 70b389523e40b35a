<script setup lang="ts">
import { ref, shallowRef } from "vue";
import { lateDays, type Change, type WayOut } from "@kasten/core/schedule";
import { pinBatch, splitTying, type Plan } from "@kasten/contract/schedule";
import { addExtraHours } from "@kasten/contract/team";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useSession } from "../team";
import { dayAt } from "./planTime";
import { changeWords } from "./trialWords";
import { halvesOf } from "./useKeptMove";
import type { PlanTrial } from "./usePlanTrial";

/** What could be done so that a late batch is on time: each way is tried on the plan before it is named. */
const props = defineProps<{ plan: Plan; batch: Plan["batches"][number]; trial: PlanTrial; can: boolean }>();
const { may } = useSession();
const ways = shallowRef<WayOut[]>();
const looking = ref(false);
const { busy, refusal, send } = useChange();
const MOST_SHOWN = 4;

async function look(): Promise<void> {
  looking.value = true;
  try {
    ways.value = (await props.trial.ways(props.batch.id)).slice(0, MOST_SHOWN);
  } finally {
    looking.value = false;
  }
}
const lateWords = (minutes: number): string => {
  const days = lateDays(minutes);
  return minutes === 0 ? "on time" : `late by ${days} ${days === 1 ? "day" : "days"} only`;
};
const harmed = (w: WayOut): string =>
  w.harmed.map((id) => props.plan.batches.find((b) => b.id === id)?.number ?? "").join(", ");
/** Extra hours are for whoever manages people. */
const mayTake = (w: WayOut): boolean =>
  props.can && w.changes.every((c) => c.do === "give" || c.do === "split" || (c.do === "work" && may("manage people")));

async function make(change: Change): Promise<unknown> {
  if (change.do === "give")
    return send(pinBatch, { params: { id: props.batch.id }, body: { person: change.person, at: null } });
  if (change.do === "split") {
    const [a, b] = change.shares;
    if (!a || !b) return undefined;
    const shares = halvesOf(props.batch.left, [a.person, b.person]);
    return send(splitTying, { params: { id: props.batch.id }, body: { shares } });
  }
  if (change.do !== "work") return undefined;
  const { minute, date } = dayAt(props.plan, change.from);
  const body = { day: date, from: change.from - minute, to: change.to - minute };
  return send(addExtraHours, { params: { id: change.person }, body });
}
async function take(w: WayOut): Promise<void> {
  for (const change of w.changes) if (!(await make(change))) return;
  ways.value = undefined;
}
</script>

<template>
  <span>
    <button v-if="!ways" type="button" class="btn btn-plain !min-h-7" :disabled="looking" @click="look">
      {{ looking ? "Looking for ways out…" : "Ways out" }}
    </button>
    <RefusalNote :refusal="refusal" />
    <span v-if="ways?.length === 0" class="block text-soft"
      >Nothing that was tried helps: other people, longer days, a morning on days off. A later day must be asked
      for.</span
    >
    <ul v-if="ways && ways.length > 0" class="mb-1 ml-4 text-ink">
      <li v-for="(w, i) in ways" :key="i">
        {{ w.changes.map((c) => changeWords(plan, c)).join(" ") }}
        <strong>{{ lateWords(w.lateBy) }}</strong><template v-if="w.harmed.length > 0"
          >, but batch {{ harmed(w) }} becomes late</template
        >
        <button v-if="mayTake(w)" type="button" class="btn btn-plain !min-h-7" :disabled="busy" @click="take(w)">
          Do so
        </button>
      </li>
    </ul>
  </span>
</template>
