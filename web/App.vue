<script setup lang="ts">
import { defineAsyncComponent } from "vue";
import { useRoute } from "vue-router";
import { useSession } from "./team/session";

const RoomFrame = defineAsyncComponent(() => import("./frame/RoomFrame.vue"));
const SignIn = defineAsyncComponent(() => import("./team/SignIn.vue"));
const FaceOfRoom = defineAsyncComponent(() => import("./face").then((face) => face.FaceOfRoom));
const { state, person } = useSession();
const route = useRoute();
</script>

<template>
  <SignIn v-if="state && !person"><FaceOfRoom /></SignIn>
  <RoomFrame v-else-if="person" :key="person.id"><RouterView :key="String(route.params.id ?? route.name)" /></RoomFrame>
</template>
