<script setup lang="ts">
import { ref } from "vue";
import { setUp, signIn, signInDemo } from "@kasten/contract/team";
import { useChange } from "../parts/useChange";
import RefusalNote from "../parts/RefusalNote.vue";
import { useSession } from "./session";

const { state, refresh } = useSession();
const { busy, refusal, send } = useChange();
const login = ref("");
const password = ref("");
const name = ref("");
const code = ref("");
const words = {
  owner: "Owner: everything",
  tier: "Tier: batches, bench, box",
  shop: "Shop: orders, stock, box",
} as const;

async function enter(): Promise<void> {
  if (await send(signIn, { body: { login: login.value, password: password.value } })) await refresh();
}
async function enterAs(id: string): Promise<void> {
  if (await send(signInDemo, { body: { person: id } })) await refresh();
}
async function begin(): Promise<void> {
  if (await send(setUp, { body: { code: code.value, name: name.value, login: login.value, password: password.value } }))
    await refresh();
}
</script>

<template>
  <main class="mx-auto grid min-h-dvh max-w-4xl content-center gap-x-14 gap-y-8 p-6 md:grid-cols-[1fr_1.1fr]">
    <div>
      <img src="/mark.svg" alt="" class="mb-3 h-14 w-14" />
      <h1 class="!text-4xl">Kasten</h1>
      <p class="mt-2 max-w-xs text-lg text-soft">
        Orders by the dozen, materials by the batch, and a plan over the hours that people really work.
      </p>
    </div>
    <div class="sheet p-6">
      <RefusalNote :refusal="refusal" />
      <section v-if="state?.isNew">
        <h2 class="mb-3">A new installation: make yourself its owner</h2>
        <form class="grid gap-3" @submit.prevent="begin">
          <label
            ><span class="label">Code printed where the server started</span
            ><input v-model="code" class="field w-full" required autocomplete="off"
          /></label>
          <label
            ><span class="label">Your name</span
            ><input v-model="name" class="field w-full" required autocomplete="name"
          /></label>
          <label
            ><span class="label">Sign-in name</span
            ><input v-model="login" class="field w-full" required autocomplete="username"
          /></label>
          <label
            ><span class="label">Password, at least 10 characters</span
            ><input
              v-model="password"
              class="field w-full"
              type="password"
              minlength="10"
              required
              autocomplete="new-password"
          /></label>
          <button class="btn btn-main justify-self-start" :disabled="busy">Begin</button>
        </form>
      </section>
      <template v-else>
        <section v-if="state?.demo.length" class="mb-6">
          <h2 class="mb-2">Enter the demo room as</h2>
          <ul class="grid gap-1.5">
            <li v-for="p in state.demo" :key="p.id">
              <button class="btn w-full justify-between !min-h-[44px]" :disabled="busy" @click="enterAs(p.id)">
                <span>{{ p.name }}</span><span class="font-normal text-soft">{{ words[p.role] }}</span>
              </button>
            </li>
          </ul>
        </section>
        <form class="grid gap-3" @submit.prevent="enter">
          <h2>Sign in</h2>
          <label
            ><span class="label">Sign-in name</span
            ><input v-model="login" class="field w-full" required autocomplete="username"
          /></label>
          <label
            ><span class="label">Password</span
            ><input v-model="password" class="field w-full" type="password" required autocomplete="current-password"
          /></label>
          <button class="btn btn-main justify-self-start" :disabled="busy">Sign in</button>
        </form>
      </template>
    </div>
  </main>
</template>
