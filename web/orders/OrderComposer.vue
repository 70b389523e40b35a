<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { addOrder, editOrder, MOST_LINES, type Order } from "@kasten/contract/orders";
import { wishWords } from "@kasten/core/orders";
import { linePrice, type LinePrice } from "@kasten/core/recipe";
import { newKey } from "../http";
import { CodeField } from "../editor";
import RefusalNote from "../parts/RefusalNote.vue";
import PassForm from "../parts/PassForm.vue";
import { tellKeys } from "../parts/keySheet";
import { dayYear, money, ofHundred } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "../patterns";
import EarlierOrders from "./EarlierOrders.vue";
import NewCustomer from "./NewCustomer.vue";
import ReadLines from "./ReadLines.vue";
import { tooEarlyWords } from "./lineText";
import { usePromise } from "./usePromise";
import { useReading } from "./useReading";

/** One line of typing, or several pasted: read as it is typed, asked about in place, saved when it is whole. */
const props = defineProps<{ order?: Order }>();
const emit = defineEmits<{ saved: [order: Order] }>();
const { text, read, current, isLate, hasFailed, wished, whole, unsure, customer, conflicts, marks, questions, offers } =
  useReading(
    props.order ? `kasten.order.${props.order.id}.${props.order.version}` : "kasten.order.new",
    props.order?.text ?? "",
  );
const { data: room, patterns, recipeOf } = useCatalogue();
const { busy, refusal, send } = useChange();
const reason = ref(props.order?.exception?.reason ?? "");
const isLetPass = computed(() => conflicts.value.length === 0 || reason.value.trim().length >= 3);
const version = ref(props.order?.version ?? 0);
/** The order that stood and is taken up by what is written here. */
const standing = ref<string>();
function takeUp(words: string, order: string): void {
  text.value = words;
  standing.value = order;
}
defineExpose({ takeUp });
watch(text, (now) => {
  if (now.trim() === "") standing.value = undefined;
});
let key = newKey();
tellKeys([
  { keys: ["Ctrl", "Enter"], does: "save the order" },
  { keys: ["↑", "↓", "Enter"], does: "take what is offered while typing" },
]);

const input = computed(() => ({
  text: text.value,
  customer: read.value.customer ?? "",
  due: read.value.due ?? "",
  dueReason: read.value.dueReason,
  note: props.order?.note ?? "",
  ...(standing.value !== undefined && { standing: standing.value }),
  ...(conflicts.value.length > 0 && isLetPass.value && { exception: { reason: reason.value.trim() } }),
  lines: read.value.lines.map((l, i) => ({
    id: sameLine(i),
    pattern: l.pattern ?? "",
    variant: l.variant ?? "",
    form: l.form ?? "",
    size: l.size ?? "",
    flies: l.flies ?? 0,
    policy: l.policy,
    due: l.due,
    wishes: wishWords(l),
    asked: wished.value[i]?.asked,
    odds: oddsOf(i),
  })),
}));
/** What was shown of a line is kept as its promise. */
function oddsOf(i: number): number | undefined {
  return promised.value.lines[i]?.odds ?? undefined;
}
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

const isTooLong = computed(() => read.value.lines.length > MOST_LINES);
const canSave = computed(() => whole.value && isLetPass.value && !isTooLong.value && !busy.value);
const promised = usePromise(
  computed(() =>
    whole.value && !props.order && !isTooLong.value
      ? read.value.lines.map((l, i) => ({
          pattern: l.pattern ?? "",
          variant: l.variant ?? "",
          form: l.form ?? "",
          size: l.size ?? "",
          flies: l.flies ?? 0,
          asked: wished.value[i]?.asked,
          due: l.due ?? read.value.due,
        }))
      : undefined,
  ),
);
const tooEarly = computed(() =>
  promised.value.lines.filter((p, i) => {
    const due = read.value.lines[i]?.due ?? read.value.due;
    return p.day === null || (due !== undefined && p.day > due);
  }),
);
const total = computed(() =>
  read.value.lines.reduce((sum, l, i) => sum + ((l.flies ?? 0) / 12) * (prices.value[i]?.perDozenCents ?? 0), 0),
);
/** What a dozen of each line costs as it is asked, and why. */
const prices = computed(() => read.value.lines.map((_, i) => priceOfLine(i)));
function priceOfLine(i: number): LinePrice | undefined {
  const line = read.value.lines[i];
  const recipe = line?.pattern === undefined ? undefined : recipeOf(line.pattern);
  if (!recipe || !line) return undefined;
  const alike = read.value.lines.filter((l) => l.pattern === line.pattern);
  return linePrice(
    recipe,
    { size: line.size, variant: line.variant, leave: wished.value[i]?.asked.leave },
    {
      flies: alike.reduce((sum, l) => sum + (l.flies ?? 0), 0),
      breaks: room.value?.settings.breaks ?? [],
      discount: customer.value?.discount ?? 0,
    },
  );
}

async function save(): Promise<void> {
  // A hand is quicker than what is read: what is saved is what stands there now.
  await current();
  if (!canSave.value) return;
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
  reason.value = "";
  emit("saved", saved);
}
/** What speaks of an order that is there already. */
const ofEarlier = computed(() => read.value.doubts.filter((d) => d.code === "OTHER_ORDER" || d.code === "AS_BEFORE"));
const unknownCustomer = computed(() => read.value.doubts.find((d) => d.field === "customer" && d.at[1] > d.at[0]));
</script>

<template>
  <form class="sheet p-4" @submit.prevent="save">
    <label for="order-text" class="label">{{
      order ? "The order as typed" : "Write an order in one line, or paste several"
    }}</label>
    <CodeField
      id="order-text"
      v-model="text"
      :label="order ? 'The order as typed' : 'Write an order'"
      placeholder="6dz Copper Lodger 14 olive, 4dz 16; Hollow Mere Lodge, 12 Mar"
      :marks="marks"
      :questions="questions"
      :offers="offers"
      @send="save()"
    />
    <p v-if="hasFailed" class="mt-1 text-call" role="alert">
      What is written cannot be read just now. It is kept in this browser: load the page again.
    </p>
    <p v-if="standing" class="mt-1 text-soft">
      This takes a standing order up: once it is saved, it stands in its place.
      <button type="button" class="link" @click="standing = undefined">Write it as an order of its own</button>
    </p>
    <RefusalNote :refusal="refusal"
      ><button v-if="refusal?.problem.version" class="btn mt-2" type="button" :disabled="busy" @click="save">
        Save mine over it
      </button></RefusalNote
    >
    <ReadLines
      v-if="read.lines.length > 0"
      class="mt-2"
      :read="read.lines"
      :wished="wished"
      :prices="prices"
      :promised="promised"
    />
    <EarlierOrders
      v-for="d in ofEarlier"
      :key="d.at[0]"
      :doubt="d"
      :customer="customer"
      @take="text = text.slice(0, d.at[0]) + $event + text.slice(d.at[1])"
    />
    <NewCustomer v-if="unknownCustomer" :name="text.slice(...unknownCustomer.at)" />
    <p v-for="u in unsure" :key="u" class="callout my-1">{{ u }}.</p>
    <div v-for="c in conflicts" :key="c" class="callout my-1">{{ c }}</div>
    <PassForm v-if="conflicts.length > 0" v-model="reason" />
    <p v-if="isTooLong" class="callout my-1">
      An order holds at most {{ MOST_LINES }} lines, and these are {{ read.lines.length }}: write the rest as another.
    </p>
    <p v-if="tooEarly.length > 0" class="callout my-1">
      Not by the day promised: {{ tooEarlyWords(tooEarly, (id) => patterns.get(id)?.name ?? id) }} You may save it all
      the same; the plan will name it.
    </p>
    <p v-if="promised.others.length > 0" class="callout my-1">
      Less surely ready on their day with it:
      {{
        promised.others
          .map((o) => `batch ${o.number}, ${ofHundred(o.after)} instead of ${ofHundred(o.before)} of 100`)
          .join("; ")
      }}.
    </p>
    <div class="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
      <button class="btn btn-main" :disabled="!canSave">
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
      <span v-if="isLate && text.trim() !== ''" class="text-soft" role="status">Reading what is written …</span>
      <span v-else-if="questions.length > 0 && read.lines.length > 0" class="text-soft" role="status"
        >{{ questions.length === 1 ? "One question" : `${questions.length} questions` }} to answer above, then
        save.</span
      >
      <span v-if="whole" class="text-soft"><span class="key">Ctrl</span> <span class="key">Enter</span></span>
    </div>
  </form>
</template>
