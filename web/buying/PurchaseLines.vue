<script setup lang="ts">
import { computed, ref } from "vue";
import { editPurchase, type Purchase } from "@kasten/contract/purchasing";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { money, quantity } from "../parts/format";
import { useChange } from "../parts/useChange";

/** What is ordered; until it is sent, packs and wanted dye lots can be changed and lines taken out. */
const props = defineProps<{ purchase: Purchase; can: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const { busy, refusal, send } = useChange();
const lines = ref(props.purchase.lines.map((l) => ({ ...l })));
const isDraft = computed(() => props.purchase.state === "draft" && props.can);
const isChanged = computed(
  () =>
    lines.value.length !== props.purchase.lines.length ||
    lines.value.some(
      (l, i) => l.packs !== props.purchase.lines[i]?.packs || l.dyeLot !== props.purchase.lines[i]?.dyeLot,
    ),
);
async function keep(): Promise<void> {
  const body = {
    version: props.purchase.version,
    note: props.purchase.note,
    lines: lines.value.map(({ material, packs, pack, packCents, dyeLot }) => ({
      material,
      packs,
      pack,
      packCents,
      dyeLot,
    })),
  };
  if (await send(editPurchase, { params: { id: props.purchase.id }, body }, "Kept")) emit("changed");
}
</script>

<template>
  <div>
    <RefusalNote :refusal="refusal" />
    <table class="narrow-rows">
      <thead>
        <tr>
          <th>Material</th>
          <th class="text-right">Packs</th>
          <th>of</th>
          <th>Dye lot wanted</th>
          <th class="text-right">A pack</th>
          <th class="text-right">Costs</th>
          <th v-if="!isDraft">Has come</th>
          <th v-else><span class="sr-only">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(l, i) in lines" :key="l.id">
          <td>
            <RouterLink class="link" :to="`/stock/${l.material}`">{{ l.materialName }}</RouterLink>
            <span class="fig ml-1 text-soft">{{ l.material }}</span>
          </td>
          <td class="text-right">
            <input
              v-if="isDraft"
              v-model.number="l.packs"
              class="field fig w-20 text-right"
              type="number"
              min="1"
              step="1"
              :aria-label="`Packs of ${l.materialName}`"
            /><b v-else class="fig text-lg">{{ l.packs }}</b>
          </td>
          <td><NumberWords :words="l.packWords" /></td>
          <td>
            <input
              v-if="isDraft"
              v-model="l.dyeLot"
              class="field fig w-28"
              maxlength="60"
              :aria-label="`Dye lot wanted of ${l.materialName}`"
            /><span v-else class="fig">{{ l.dyeLot }}</span>
          </td>
          <td class="fig whitespace-nowrap text-right">{{ money(l.packCents) }}</td>
          <td class="fig whitespace-nowrap text-right">{{ money((l.packs || 0) * l.packCents) }}</td>
          <td v-if="!isDraft">
            <NumberWords :words="quantity(l.received, l.unit)" /><span v-if="l.closed" class="tag ml-1">done</span>
          </td>
          <td v-else>
            <button type="button" class="btn btn-plain" :disabled="lines.length === 1" @click="lines.splice(i, 1)">
              Take out<span class="sr-only"> {{ l.materialName }}</span>
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="isDraft && isChanged" class="btn btn-main mt-2" :disabled="busy" @click="keep">
      Keep the changes
    </button>
  </div>
</template>
