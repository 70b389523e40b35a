<script setup lang="ts">
import { computed } from "vue";
import { unread } from "../http";
import { useSession } from "../team";

/** What this screen could not read, said once however many parts asked for it. */
const { refresh } = useSession();
const said = computed(() => [...new Set([...unread.values()].map((u) => u.refusal.problem.detail))]);
const isSignedOut = computed(() => [...unread.values()].some((u) => u.refusal.problem.type === "not-signed-in"));
const again = (): void => [...unread.values()].forEach((u) => void u.again());
</script>

<template>
  <div v-if="said.length > 0" class="callout no-print mb-3 flex flex-wrap items-center gap-x-4 gap-y-1" role="alert">
    <div>
      <p class="font-semibold">Not all of this page could be read.</p>
      <p v-for="s in said" :key="s">{{ s }}</p>
    </div>
    <button v-if="isSignedOut" class="btn" @click="refresh">Sign in</button>
    <button v-else class="btn" @click="again">Read it again</button>
  </div>
</template>
