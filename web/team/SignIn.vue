<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { useBrowserLocation } from "@vueuse/core";
import { computed, ref } from "vue";
import { setUp, signIn, signInDemo } from "@kasten/contract/team";
import EntryText from "../parts/EntryText.vue";
import FoldOut from "../parts/FoldOut.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";
import { useSession } from "./session";

/** The way in. Beside it stands what this is. */
const { state, refresh } = useSession();
const cache = useQueryCache();
const { busy, refusal, send } = useChange();
/** The link that the server printed has its code behind the #. */
const { hash } = useBrowserLocation().value;
const code = ref(/^#begin=(.+)$/.exec(hash ?? "")?.[1] ?? "");
const words = {
  owner: "everything",
  tier: "batches, bench, box",
  shop: "orders, stock, box",
} as const;
const isNew = computed(() => state.value?.isNew ?? false);
const demo = computed(() => state.value?.demo ?? []);

async function entered(): Promise<void> {
  history.replaceState(null, "", location.pathname);
  await Promise.all([refresh(), cache.invalidateQueries({ key: ["catalogue"] })]);
}
const enter = useEntryForm({
  endpoint: signIn,
  values: { login: "", password: "" },
  send: async (body) => {
    if (await send(signIn, { body })) await entered();
    return refusal.value;
  },
});
const begin = useEntryForm({
  endpoint: setUp,
  values: { code: code.value, name: "", login: "", password: "" },
  send: async (body) => {
    if (await send(setUp, { body })) await entered();
    return refusal.value;
  },
});
async function enterAs(id: string): Promise<void> {
  if (await send(signInDemo, { body: { person: id } })) await entered();
}
</script>

<template>
  <main
    class="mx-auto grid min-h-dvh max-w-[110rem] content-center gap-x-14 gap-y-6 p-4 sm:p-8 lg:grid-cols-[minmax(0,1.5fr)_minmax(21rem,26rem)]"
  >
    <div class="min-w-0 max-lg:order-2">
      <header class="mb-4 flex items-center gap-4 max-lg:hidden">
        <img src="/mark.svg" alt="" class="h-14 w-14" />
        <div>
          <p class="text-4xl font-bold leading-none">Kasten</p>
          <p class="mt-1 text-lg text-soft">
            From the order in one line to the box: what each batch takes, who ties it, and when it is ready.
          </p>
        </div>
      </header>
      <slot />
    </div>
    <div class="min-w-0 self-center">
      <header class="mb-4 flex items-center gap-3 lg:hidden">
        <img src="/mark.svg" alt="" class="h-11 w-11" />
        <div>
          <p class="text-2xl font-bold leading-none">Kasten</p>
          <p class="text-soft">What each batch takes, who ties it, when it is ready.</p>
        </div>
      </header>
      <div class="sheet p-5">
        <RefusalNote :refusal="refusal" />
        <template v-if="isNew">
          <h1 class="mb-1">A room that begins empty</h1>
          <p class="mb-3 text-soft">Make yourself its owner; everything else is set up from the screen.</p>
          <form class="grid gap-3" @submit.prevent="begin.submit">
            <EntryText
              :form="begin"
              name="code"
              label="Code printed where the server started"
              mono
              hint="The link printed there has it already."
            />
            <EntryText :form="begin" name="name" label="Your name" autocomplete="name" />
            <EntryText :form="begin" name="login" label="Sign-in name" autocomplete="username" />
            <EntryText
              :form="begin"
              name="password"
              label="Password, at least 10 characters"
              type="password"
              autocomplete="new-password"
            />
            <button class="btn btn-main justify-self-start" :disabled="busy">Begin</button>
          </form>
        </template>
        <template v-else>
          <section v-if="demo.length > 0">
            <h1 class="mb-2">Enter the demo room as</h1>
            <ul class="grid gap-1.5">
              <li v-for="p in demo" :key="p.id">
                <button class="btn w-full justify-between !min-h-[44px]" :disabled="busy" @click="enterAs(p.id)">
                  <span>{{ p.name }}</span><span class="font-normal text-soft">{{ p.role }}: {{ words[p.role] }}</span>
                </button>
              </li>
            </ul>
          </section>
          <component
            :is="demo.length > 0 ? FoldOut : 'div'"
            :class="{ 'mt-4': demo.length > 0 }"
            title="Sign in with a name"
          >
            <h1 v-if="demo.length === 0" class="mb-3">Sign in</h1>
            <form class="grid gap-3" @submit.prevent="enter.submit">
              <EntryText :form="enter" name="login" label="Sign-in name" autocomplete="username" />
              <EntryText
                :form="enter"
                name="password"
                label="Password"
                type="password"
                autocomplete="current-password"
              />
              <button class="btn btn-main justify-self-start" :disabled="busy">Sign in</button>
            </form>
          </component>
        </template>
      </div>
    </div>
  </main>
</template>
