<script setup lang="ts">
import { useFileDialog } from "@vueuse/core";
import { Camera } from "lucide-vue-next";
import { computed, ref } from "vue";
import { forgetPhoto, photographLot, type LotPage } from "@kasten/contract/stock";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useSession } from "../team";
import { shrunk } from "./picture";

/** A picture of a lot: what nobody can name is known again by it. */
const props = defineProps<{ lot: LotPage }>();
const emit = defineEmits<{ done: [] }>();
const { may } = useSession();
const { busy, refusal, send } = useChange();
const fault = ref("");
const params = computed(() => ({ id: props.lot.id }));
const address = computed(
  () => props.lot.photoAt && `/api/lots/${props.lot.id}/photo?at=${encodeURIComponent(props.lot.photoAt)}`,
);
const { open, onChange, reset } = useFileDialog({ accept: "image/*", capture: "environment", multiple: false });
onChange(async (files) => {
  const file = files?.[0];
  reset();
  if (!file) return;
  fault.value = "";
  const image = await shrunk(file);
  if (image === undefined) {
    fault.value = `${file.name} cannot be read as a picture. Choose a JPEG, a PNG or a WebP.`;
    return;
  }
  if (await send(photographLot, { params: params.value, body: { image } }, "The picture is kept")) emit("done");
});
async function forget(): Promise<void> {
  if (await send(forgetPhoto, { params: params.value }, "The picture is gone")) emit("done");
}
</script>

<template>
  <div>
    <RefusalNote :refusal="refusal" />
    <p v-if="fault" class="callout mb-2" role="alert">{{ fault }}</p>
    <figure v-if="address && lot.photoAt" class="mb-2">
      <img :src="address" :alt="`Lot ${lot.code}, as somebody saw it`" class="max-h-64 max-w-full border border-rule" />
      <figcaption class="text-[0.88rem] text-soft">{{ dayYear(lot.photoAt) }}</figcaption>
    </figure>
    <p v-if="may('handle stock')" class="flex flex-wrap gap-2">
      <button type="button" class="btn max-sm:min-h-[44px]" :disabled="busy" @click="open()">
        <Camera :size="17" aria-hidden="true" />{{ address ? "Another picture" : "Take a picture" }}
      </button>
      <button v-if="address" type="button" class="btn btn-plain" :disabled="busy" @click="forget">
        Take the picture away
      </button>
    </p>
  </div>
</template>
