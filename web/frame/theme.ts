import { usePreferredDark, useStorage } from "@vueuse/core";
import { computed, watchEffect } from "vue";

export const themeChoice = useStorage<"light" | "dark" | "auto">("kasten.theme", "auto");
const preferred = usePreferredDark();
export const theme = computed(() =>
  themeChoice.value === "auto" ? (preferred.value ? "dark" : "light") : themeChoice.value,
);

/** Keeps the page in the chosen theme. */
export function applyTheme(): void {
  watchEffect(() => document.documentElement.setAttribute("data-theme", theme.value));
}
