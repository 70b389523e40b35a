<script setup lang="ts">
import { computed } from "vue";
import { dozensText, type ReadLine } from "@kasten/core/orders";
import { doubtSentence } from "@kasten/core/sentences";
import type { promise } from "@kasten/contract/orders";
import type { ReplyOf } from "@kasten/contract/http";
import DoubtNote from "../parts/DoubtNote.vue";
import { day, money } from "../parts/format";
import { FlyDrawing, formName, useCatalogue, variantName } from "../patterns";

/** Each line as it was understood, with its doubts below it, and the earliest day for it. */
const props = defineProps<{ read: ReadLine[]; promised: ReplyOf<typeof promise>["lines"] }>();
defineEmits<{ mend: [at: [number, number], text: string] }>();
const { patterns } = useCatalogue();
const lines = computed(() =>
  props.read.map((l, i) => {
    const of = patterns.value.get(l.pattern ?? "");
    return { ...l, of, form: l.form ?? "", formWords: of && formName(of, l.form ?? ""), promised: props.promised[i] };
  }),
);
</script>

<template>
  <table class="mt-2">
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
              :form="l.form"
              class="h-12 w-24"
            />
          </td>
          <td class="fig whitespace-nowrap text-lg">{{ l.flies ? dozensText(l.flies) : "?" }}</td>
          <td>
            {{ l.of?.name ?? "?" }}
            <span v-if="l.formWords" class="tag">{{ l.formWords }}</span><span v-if="l.policy" class="tag ml-1">{{
              l.policy
            }}</span>
          </td>
          <td class="fig">{{ l.size ?? "?" }}</td>
          <td>{{ l.variant ? variantName(l.of, l.variant) : "?" }}</td>
          <td class="fig whitespace-nowrap">
            {{ l.of && l.flies ? money((l.flies / 12) * l.of.pricePerDozenCents) : "" }}
          </td>
          <td>
            <span v-if="l.promised" :title="l.promised.sentence"
              >{{ l.promised.day ? day(l.promised.day) : "no day"
              }}<span class="block text-[0.83rem] text-soft">{{
                l.promised.holds === "shelf" ? "on the shelf" : `held by ${l.promised.holds}`
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
              @choose="$emit('mend', d.at, $event)"
            />
          </td>
        </tr>
      </template>
    </tbody>
  </table>
</template>
