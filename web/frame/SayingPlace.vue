<script setup lang="ts">
import { Toaster } from "vue-sonner";
import "vue-sonner/style.css";
import { theme } from "./theme";

/** Where it is told in passing that something was done. */
</script>

<template>
  <Toaster position="bottom-center" :theme="theme" />
</template>
