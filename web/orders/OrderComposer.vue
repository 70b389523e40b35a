<script setup lang="ts">
import { doubtSentence } from "@kasten/core/sentences";
import { watchDebounced } from "@vueuse/core";
import { computed, ref } from "vue";
import { dozensText } from "@kasten/core/orders";
import { addOrder, editOrder, promise, type Order } from "@kasten/contract/orders";
import type { ReplyOf } from "@kasten/contract/http";
import { call, newKey, Refusal } from "../http";
import DoubtNote from "../parts/DoubtNote.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { day, dayYear, money } from "../parts/format";
import { useChange } from "../parts/useChange";
import { FlyDrawing, formName, useCatalogue, variantName } from "../patterns";
import NewCustomer from "./NewCustomer.vue";
import { useReading } from "./useReading";

/** One line of typing, or several pasted: read as it is typed, asked about in place, saved when it is whole. */
const props = defineProps<{ order?: Order }>();
const emit = defineEmits<{ saved: [order: Order] }>();
const { text, read, whole, unsure, customer, conflicts, mend, pieces } = useReading(
  props.order ? `kasten.order.${props.order.id}.${props.order.version}` : "kasten.order.new",
  props.order?.text ?? "",
);
const { patterns } = useCatalogue();
const { busy, refusal, send } = useChange();
const accepts = ref(false);
const version = ref(props.order?.version ?? 0);
let key = newKey();

const lines = computed(() => read.value.lines.map((l) => ({ ...l, of: patterns.value.get(l.pattern ?? "") })));
const input = computed(() => ({
  text: text.value,
  customer: read.value.customer ?? "",
  due: read.value.due ?? "",
  dueReason: read.value.dueReason,
  note: props.order?.note ?? "",
  acceptsConflicts: accepts.value,
  lines: read.value.lines.map((l, i) => ({
    id: sameLine(i),
    pattern: l.pattern ?? "",
    variant: l.variant ?? "",
    form: l.form ?? "",
    size: l.size ?? "",
    flies: l.flies ?? 0,
    policy: l.policy,
  })),
}));
/** A line that is there already keeps its place in batches and bins. */
function sameLine(i: number): string | undefined {
  const l = read.value.lines[i];
  const same =
    props.order?.lines.filter(
      (o) => o.pattern === l?.pattern && o.size === l.size && o.variant === l.variant && o.form === l.form,
    ) ?? [];
  const before = read.value.lines
    .slice(0, i)
    .filter(
      (x) => x.pattern === l?.pattern && x.size === l?.size && x.variant === l?.variant && x.form === l?.form,
    ).length;
  return same[before]?.id;
}

const promised = ref<ReplyOf<typeof promise>["lines"]>([]);
watchDebounced(
  () => (whole.value && !props.order ? JSON.stringify(input.value.lines) : ""),
  async (lines) => {
    promised.value = [];
    if (!lines) return;
    try {
      promised.value = (
        await call(promise, {
          body: { lines: input.value.lines.map(({ id: _id, policy: _policy, ...l }) => l) },
          once: true,
        })
      ).lines;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
    }
  },
  { debounce: 400 },
);
const tooEarly = computed(() =>
  promised.value.filter((p) => p.day === null || (read.value.due !== undefined && p.day > read.value.due)),
);
const total = computed(() =>
  lines.value.reduce((sum, l) => sum + ((l.flies ?? 0) / 12) * (l.of?.pricePerDozenCents ?? 0), 0),
);

async function save(): Promise<void> {
  const saved = props.order
    ? await send(
        editOrder,
        { params: { id: props.order.id }, body: { ...input.value, version: version.value }, key },
        "Order changed",
      )
    : await send(addOrder, { body: input.value, key }, "Order saved; its batches are made up");
  if (refusal.value?.problem.version) version.value = refusal.value.problem.version;
  if (!saved || refusal.value) {
    key = newKey();
    return;
  }
  key = newKey();
  if (!props.order) text.value = "";
  accepts.value = false;
  emit("saved", saved);
}
const unknownCustomer = computed(() => read.value.doubts.find((d) => d.field === "customer" && d.at[1] > d.at[0]));
</script>

<template>
  <form class="sheet p-4" @submit.prevent="save">
    <label for="order-text" class="label">{{
      order ? "The order as typed" : "Write an order in one line, or paste several"
    }}</label>
    <div class="relative">
      <div class="mirror" aria-hidden="true">
        <span v-for="(p, i) in pieces" :key="i" :class="p.kind">{{ p.text }}</span>&#8203;
      </div>
      <textarea
        id="order-text"
        v-model="text"
        class="typed"
        rows="2"
        spellcheck="false"
        placeholder="6dz Copper Lodger 14 olive, 4dz 16; Hollow Mere Lodge, 12 Mar"
        @keydown.ctrl.enter.prevent="whole && save()"
      ></textarea>
    </div>
    <RefusalNote :refusal="refusal"
      ><button v-if="refusal?.problem.version" class="btn mt-2" type="button" :disabled="busy" @click="save">
        Save mine over it
      </button></RefusalNote
    >
    <table v-if="lines.length > 0" class="mt-2">
      <thead>
        <tr>
          <th scope="col" class="w-28">Fly</th>
          <th scope="col">Quantity</th>
          <th scope="col">Pattern</th>
          <th scope="col">Size</th>
          <th scope="col">Colour</th>
          <th scope="col">Price</th>
          <th scope="col">Earliest</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="(l, i) in lines" :key="i">
          <tr>
            <td class="!p-0.5">
              <FlyDrawing
                v-if="l.pattern && l.size && l.variant"
                :pattern="l.pattern"
                :size="l.size"
                :variant="l.variant"
                :form="l.form ?? ''"
                class="h-12 w-24"
              />
            </td>
            <td class="fig whitespace-nowrap text-lg">{{ l.flies ? dozensText(l.flies) : "?" }}</td>
            <td>
              {{ l.of?.name ?? "?" }}
              <span v-if="l.of && formName(l.of, l.form ?? '')" class="tag">{{
                formName(l.of, l.form ?? "")
              }}</span><span v-if="l.policy" class="tag ml-1">{{ l.policy }}</span>
            </td>
            <td class="fig">{{ l.size ?? "?" }}</td>
            <td>{{ l.variant ? variantName(l.of, l.variant) : "?" }}</td>
            <td class="fig whitespace-nowrap">
              {{ l.of && l.flies ? money((l.flies / 12) * l.of.pricePerDozenCents) : "" }}
            </td>
            <td>
              <span v-if="promised[i]" :title="promised[i]?.sentence"
                >{{ promised[i]?.day ? day(promised[i]?.day ?? "") : "no day"
                }}<span class="block text-[0.83rem] text-soft">{{
                  promised[i]?.holds === "shelf" ? "on the shelf" : `held by ${promised[i]?.holds}`
                }}</span></span
              >
            </td>
          </tr>
          <tr v-if="l.doubts.length > 0">
            <td colspan="7" class="!pt-0">
              <DoubtNote
                v-for="(d, k) in l.doubts"
                :key="k"
                :sentence="doubtSentence(d)"
                :candidates="d.candidates"
                @choose="mend(d.at, $event)"
              />
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <DoubtNote
      v-for="(d, k) in read.doubts"
      :key="k"
      :sentence="doubtSentence(d)"
      :candidates="d.candidates"
      @choose="mend(d.at, $event)"
    />
    <NewCustomer v-if="unknownCustomer" :name="text.slice(...unknownCustomer.at)" />
    <p v-for="u in unsure" :key="u" class="callout my-1">{{ u }}.</p>
    <div v-for="c in conflicts" :key="c" class="callout my-1">{{ c }}</div>
    <label v-if="conflicts.length > 0" class="my-1 flex items-center gap-2"
      ><input v-model="accepts" type="checkbox" class="h-5 w-5" />Save it knowing this. Local law decides, not this
      program.</label
    >
    <p v-if="tooEarly.length > 0" class="callout my-1">
      Not by the day promised:
      {{ tooEarly.map((p) => `${patterns.get(p.pattern)?.name} ${p.size}, ${p.sentence}`).join(" ") }} You may save it
      all the same; the plan will name it.
    </p>
    <div class="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
      <button class="btn btn-main" :disabled="!whole || busy || (conflicts.length > 0 && !accepts)">
        {{ order ? "Save the change" : "Save the order" }}
      </button>
      <span v-if="customer"
        >for <b>{{ customer.name }}</b><span class="tag ml-2">{{
          { original: "original materials only", alternates: "alternates accepted", tier: "tier decides materials" }[
            customer.policy
          ]
        }}</span></span
      >
      <span v-if="read.due"
        >due <b>{{ dayYear(read.due) }}</b><span v-if="read.dueReason" class="text-soft"
          >, {{ read.dueReason }}</span
        ></span
      >
      <span v-if="total > 0"
        >in all <b class="fig">{{ money(total) }}</b></span
      >
      <span v-if="!whole && lines.length > 0" class="text-soft">Answer what is asked above, then save.</span>
      <span v-if="whole" class="text-soft"><span class="key">Ctrl</span> <span class="key">Enter</span></span>
    </div>
  </form>
</template>

<style scoped>
.typed,
.mirror {
  font-family: var(--font-mono);
  font-size: 1.12rem;
  line-height: 1.55;
  padding: 0.45rem 0.6rem;
  width: 100%;
  border: 1px solid var(--rule-strong);
  white-space: pre-wrap;
  overflow-wrap: break-word;
  min-height: 4.4rem;
}
.typed {
  position: relative;
  background: transparent;
  field-sizing: content;
  display: block;
}
.typed::placeholder {
  color: var(--ink-soft);
  opacity: 1;
}
.mirror {
  position: absolute;
  inset: 0;
  color: transparent;
  border-color: transparent;
  pointer-events: none;
  background: var(--sheet);
}
.known {
  box-shadow: inset 0 -2px 0 var(--done);
}
.doubt {
  background: var(--call-ground);
  box-shadow: inset 0 -3px 0 var(--call);
}
</style>
