<script setup lang="ts">
import { ref } from "vue";
import { changePassword, endAccess, giveAccess, resetPassword, type Person } from "@kasten/contract/team";
import RefusalNote from "../parts/RefusalNote.vue";
import EntryText from "../parts/EntryText.vue";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";

/** How a person signs in: one's own password, and for the owner that of others, and whether they may at all. */
const props = defineProps<{ person: Person; own: boolean; manages: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const { busy, refusal, send } = useChange();
const asks = ref<"password" | "end" | null>(null);
const params = { id: props.person.id };

function ask(what: "password" | "end" | null): void {
  asks.value = what;
  refusal.value = null;
  form.restart();
}
const form = props.own
  ? useEntryForm({
      endpoint: changePassword,
      values: { current: "", password: "" },
      send: async (body) => {
        if (await send(changePassword, { body }, "Your password is changed; you are signed out everywhere else"))
          ask(null);
        return refusal.value;
      },
    })
  : useEntryForm({
      endpoint: resetPassword,
      values: { current: "", password: "" },
      send: async (body) => {
        if (await send(resetPassword, { params, body }, "The new password holds from now on")) ask(null);
        return refusal.value;
      },
    });
async function end(): Promise<void> {
  if (await send(endAccess, { params }, `${props.person.name} is signed out everywhere`)) {
    ask(null);
    emit("changed");
  }
}
async function readmit(): Promise<void> {
  if (await send(giveAccess, { params }, `${props.person.name} may sign in again`)) emit("changed");
}
</script>

<template>
  <div class="mt-2 border-t border-rule pt-2 text-[0.94rem]">
    <RefusalNote :refusal="refusal" />
    <form v-if="asks === 'password'" class="flex flex-wrap items-start gap-3" @submit.prevent="form.submit">
      <EntryText
        v-if="own"
        :form="form"
        name="current"
        label="Present password"
        type="password"
        autocomplete="current-password"
      />
      <EntryText
        :form="form"
        name="password"
        label="New password, at least 10 characters"
        type="password"
        autocomplete="new-password"
      />
      <span class="mt-[1.35rem] flex gap-2"
        ><button class="btn btn-main" :disabled="busy">Keep the password</button>
        <button type="button" class="btn btn-plain" @click="ask(null)">Leave</button></span
      >
      <p v-if="!own" class="w-full text-soft">
        Tell it to {{ person.name }} yourself. Whoever is signed in as {{ person.name }} is signed out.
      </p>
    </form>
    <div v-else-if="asks === 'end'" class="flex flex-wrap items-center gap-3">
      <p>
        {{ person.name }} can then no longer sign in, and is signed out everywhere at once. What {{ person.name }} did
        stays in the log.
      </p>
      <button class="btn btn-main" :disabled="busy" @click="end">End the access</button>
      <button class="btn btn-plain" @click="ask(null)">Leave</button>
    </div>
    <div v-else class="flex flex-wrap items-center gap-2">
      <template v-if="person.endedAt"
        ><span class="tag">may not sign in</span
        ><button v-if="manages" class="btn btn-plain" :disabled="busy" @click="readmit">
          Let in again<span class="sr-only">: {{ person.name }}</span>
        </button></template
      ><template v-else
        ><span class="text-soft">Signs in as “{{ person.login }}”</span
        ><button class="btn btn-plain" @click="ask('password')">
          New password<span class="sr-only"> for {{ person.name }}</span>
        </button>
        <button v-if="manages && !own" class="btn btn-plain" @click="ask('end')">
          End access<span class="sr-only"> of {{ person.name }}</span>
        </button></template
      >
    </div>
  </div>
</template>
