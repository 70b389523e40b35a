<script setup lang="ts">
/** The order as it is typed; behind the letters lies what was understood of them, and what is in doubt. */
const text = defineModel<string>({ required: true });
defineProps<{ pieces: { text: string; kind: string }[] }>();
defineEmits<{ send: [] }>();
</script>

<template>
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
      @keydown.ctrl.enter.prevent="$emit('send')"
    ></textarea>
  </div>
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
