<script setup lang="ts">
import { computed } from "vue";
import { dozensText } from "@kasten/core/orders";
import type { Plan } from "@kasten/contract/schedule";
import ListBox from "../parts/ListBox.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { timeOf } from "./planTime";
import TrialNote from "./TrialNote.vue";
import type { Move } from "./useMove";
import type { PlanTrial } from "./usePlanTrial";

/** The batch that is moved: by whom, from when on, what that costs, and the buttons that make it so. */
const props = defineProps<{ plan: Plan; move: Move; trial: PlanTrial }>();
const work = computed(() => props.move.work.value);
const batch = computed(() => props.move.batch.value);
const people = computed(() =>
  props.plan.people
    .filter((p) => props.move.able.value.includes(p.id) || p.id === props.move.person.value)
    .map((p) => ({ value: p.id, label: p.name })),
);
const name = (id: string): string => props.plan.people.find((p) => p.id === id)?.name ?? "";
const isAble = computed(() => props.move.able.value.includes(props.move.person.value));
const tried = computed(() => props.trial.trial.value?.plan.assignments.find((a) => a.operation === work.value?.id));
const isTimed = computed(() => props.move.start.value !== undefined);
const others = computed(() =>
  props.plan.people
    .filter((p) => props.move.able.value.includes(p.id) && p.id !== work.value?.person)
    .map((p) => ({ value: p.id, label: p.name })),
);
const canSplit = computed(() => others.value.length > 0 && (batch.value?.left ?? 0) > 1);
const other = computed({ get: () => props.move.other.value, set: (id: string) => props.move.splitWith(id) });
const shares = computed(() =>
  (batch.value?.pin?.shares ?? []).map((s) => `${name(s.person)} ${dozensText(s.flies)}`).join(", "),
);
const who = computed({
  get: () => props.move.person.value,
  set: (id: string) => props.move.put(id, props.move.start.value),
});
</script>

<template>
  <section
    v-if="work && batch"
    class="sheet sticky bottom-0 z-10 mt-2 grid gap-x-6 gap-y-1 !border-strong p-3 lg:grid-cols-2"
    aria-label="Move a batch"
    @keydown.escape="move.leave()"
  >
    <div>
      <p>
        <strong
          >Batch <RouterLink class="link fig" :to="`/batches/${batch.id}`">{{ batch.number }}</RouterLink>,
          {{ batch.patternName }} <span class="fig">{{ batch.size }}</span></strong
        >: {{ name(work.person) }}, from {{ timeOf(plan, work.start) }} on<template v-if="batch.pin"
          >, as somebody said<template v-if="shares">: {{ shares }}</template
          ><template v-if="batch.pin.fault">. {{ batch.pin.fault }}</template></template
        >.
      </p>
      <div class="mt-1 flex flex-wrap items-center gap-1">
        <ListBox v-model="who" class="w-40" label="Who ties it" quiet :options="people" />
        <ListBox
          v-if="canSplit"
          v-model="other"
          class="w-40"
          label="Who ties half of it"
          quiet
          placeholder="and half of it…"
          :options="others"
        />
        <span class="flex gap-1">
          <button type="button" class="btn" @click="move.step(-1, 0)">Half an hour earlier</button>
          <button type="button" class="btn" @click="move.step(1, 0)">later</button>
        </span>
        <button v-if="isTimed" type="button" class="btn btn-plain" @click="move.put(who, undefined)">
          whenever it fits
        </button>
      </div>
      <div class="mt-2 flex flex-wrap gap-1">
        <button
          v-if="other"
          type="button"
          class="btn btn-main"
          :disabled="!trial.trial.value || move.busy.value"
          @click="move.acceptSplit()"
        >
          Split it with {{ name(other) }}
        </button>
        <button
          v-else
          type="button"
          class="btn btn-main"
          :disabled="!trial.trial.value || move.busy.value"
          @click="move.accept(isTimed)"
        >
          {{ isTimed ? "Tie it just then" : `Give it to ${name(who)}` }}
        </button>
        <button v-if="isTimed && trial.trial.value" type="button" class="btn" @click="move.accept(false)">
          Give it to {{ name(who) }}
        </button>
        <button v-if="batch.pin" type="button" class="btn" :disabled="move.busy.value" @click="move.unpin()">
          Leave it to the plan
        </button>
        <button type="button" class="btn btn-plain" @click="move.leave()">Leave it</button>
      </div>
    </div>
    <div class="text-[0.94rem]">
      <p class="font-semibold">
        <template v-if="!isAble">{{ name(who) }} cannot tie it: not every skill that it asks for is theirs.</template>
        <template v-else-if="tried">{{ name(who) }}, from {{ timeOf(plan, tried.start) }} on:</template>
        <template v-else-if="trial.busy.value">&nbsp;</template>
        <template v-else>Drag it, use the arrow keys, or choose here: each place is tried before it is taken.</template>
      </p>
      <TrialNote :plan="plan" :trial="trial.trial.value" :busy="trial.busy.value" :refused="trial.refused.value" />
      <RefusalNote :refusal="move.refusal.value" />
    </div>
  </section>
</template>
