<script setup lang="ts">
import { onKeyStroke, useCssVar, useElementSize } from "@vueuse/core";
import { Anchor, BookOpen, CircleHelp, Feather, LogOut, Moon, Package, Settings, Sun, Users } from "lucide-vue-next";
import { computed, defineAsyncComponent, nextTick, useTemplateRef, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { waiting } from "@kasten/contract/book";
import { call, connection, useLive, useRead } from "../http";
import { isTyped, tellKeys } from "../parts/keySheet";
import { tellCurrency } from "../parts/format";
import { tellUnits, units } from "../parts/units";
import { useWorking } from "../parts/working";
import { useCatalogue } from "../patterns";
import KeyHelp from "./KeyHelp.vue";
import { useSession } from "../team";
import { drawers, stations } from "./stations";
import { theme, themeChoice } from "./theme";
import UnreadNote from "./UnreadNote.vue";

/** Opened seldom, and with a fly in it: it comes when a working is asked for. */
const SayingPlace = defineAsyncComponent(() => import("./SayingPlace.vue"));
const WorkingPanel = defineAsyncComponent(() => import("./WorkingPanel.vue"));
const panel = useWorking();
const { person, leave } = useSession();
const { data: catalogue } = useCatalogue();
watch(
  () => catalogue.value?.settings,
  (settings) => {
    if (!settings) return;
    tellCurrency(settings.currency);
    tellUnits(settings.units);
  },
  { immediate: true },
);
const route = useRoute();
const router = useRouter();
useLive();
const counts = useRead({ key: ["waiting"], query: () => call(waiting) });
const icons = { patterns: Feather, stock: Package, hooks: Anchor, people: Users, book: BookOpen, room: Settings };
const here = computed(() => {
  const path = route.path;
  return (p: string) => path === p || path.startsWith(`${p}/`);
});
watch(
  () => route.path,
  () =>
    void nextTick(() =>
      document.querySelector(".station.is-here")?.scrollIntoView({ inline: "center", block: "nearest" }),
    ),
  { immediate: true },
);
onKeyStroke(["1", "2", "3", "4", "5", "6"], (e) => {
  if (isTyped(e) || e.ctrlKey || e.metaKey || !e.altKey) return;
  e.preventDefault();
  const station = stations.find((s) => s.key === e.key);
  if (station) void router.push(station.path);
});
tellKeys([
  { keys: ["Alt", "1 … 6"], does: "go to a station along the bench" },
  { keys: ["?"], does: "show the keys of this screen" },
  { keys: ["Esc"], does: "leave what is open" },
]);
const help = useTemplateRef("help");
/** What stands fast below the head has to know how high it is. */
const { height } = useElementSize(useTemplateRef<HTMLElement>("head"), undefined, { box: "border-box" });
const headHeight = useCssVar("--frame-head");
watch(height, (now) => {
  if (now > 0) headHeight.value = `${now}px`;
});
</script>

<template>
  <div class="flex min-h-dvh flex-col">
    <a href="#content" class="btn btn-main sr-only focus:not-sr-only focus:absolute focus:z-50">To the content</a>
    <header ref="head" class="no-print sticky top-0 z-20 border-b border-strong bg-sheet">
      <div class="flex items-stretch">
        <RouterLink
          to="/orders"
          class="hidden w-[8.6rem] shrink-0 items-center gap-2 border-r border-rule px-3 text-lg font-bold md:flex"
          ><img src="/mark.svg" alt="" class="h-6 w-6" />Kasten</RouterLink
        >
        <nav aria-label="Along the bench" class="min-w-0 flex-1 overflow-x-auto">
          <ol class="flex h-full">
            <li v-for="s in stations" :key="s.name" class="flex min-w-[6.4rem] flex-1">
              <RouterLink
                :to="s.path"
                class="station flex w-full flex-col justify-center px-3 pb-2 pt-2"
                :class="{ 'is-here': here(s.path) }"
                :aria-current="here(s.path) ? 'page' : undefined"
                :title="`Alt + ${s.key}`"
              >
                <span class="flex items-baseline justify-between gap-2"
                  ><span class="font-semibold">{{ s.label }}</span
                  ><span class="fig text-[0.95rem] text-soft"
                    ><span class="sr-only">waiting: </span>{{ counts.data.value?.[s.name] ?? "" }}</span
                  ></span
                >
              </RouterLink>
            </li>
          </ol>
        </nav>
        <div class="flex items-center gap-1 border-l border-rule px-2">
          <span class="hidden max-w-36 truncate text-[0.92rem] text-soft lg:block">{{ person?.name }}</span>
          <button
            class="btn btn-plain fig"
            :aria-label="units === 'mm' ? 'Change to inches' : 'Change to millimetres'"
            @click="units = units === 'mm' ? 'in' : 'mm'"
          >
            {{ units }}
          </button>
          <button
            class="btn btn-plain"
            :aria-label="theme === 'dark' ? 'Change to light' : 'Change to dark'"
            @click="themeChoice = theme === 'dark' ? 'light' : 'dark'"
          >
            <Sun v-if="theme === 'dark'" :size="18" /><Moon v-else :size="18" />
          </button>
          <button class="btn btn-plain max-sm:!hidden" aria-label="Keys and help" title="?" @click="help?.show()">
            <CircleHelp :size="18" />
          </button>
          <button class="btn btn-plain" aria-label="Sign out" @click="leave"><LogOut :size="18" /></button>
        </div>
      </div>
      <p v-if="connection.away" class="bg-call px-4 py-1 font-semibold text-callink" role="status">
        The {{ connection.away }} is away. Everything typed and tallied is kept, and sent when it is back.
      </p>
    </header>
    <div class="flex flex-1 max-md:flex-col-reverse">
      <nav
        aria-label="Into the cabinet"
        class="no-print shrink-0 border-strong bg-well max-md:sticky max-md:bottom-0 max-md:z-20 max-md:border-t md:w-[8.6rem] md:border-r"
      >
        <ul class="flex md:sticky md:top-[var(--frame-head)] md:flex-col">
          <li v-for="d in drawers" :key="d.name" class="flex-1">
            <RouterLink
              :to="d.path"
              class="drawer flex items-center gap-2 px-3 py-2.5 max-md:min-h-[44px] max-md:flex-col max-md:gap-0.5 max-md:px-1 max-md:text-[0.8rem]"
              :class="{ 'is-open': here(d.path) }"
              :aria-current="here(d.path) ? 'page' : undefined"
              ><component :is="icons[d.name]" :size="17" aria-hidden="true" />{{ d.label }}</RouterLink
            >
          </li>
        </ul>
      </nav>
      <main id="content" tabindex="-1" class="min-w-0 flex-1 p-3 outline-none sm:p-4 lg:px-7 lg:py-5">
        <UnreadNote /><slot />
      </main>
    </div>
    <WorkingPanel v-if="panel.working" />
    <KeyHelp ref="help" />
    <SayingPlace />
  </div>
</template>

<style scoped>
.station {
  border-bottom: 4px solid transparent;
}
.station:hover {
  background: var(--well);
}
.station.is-here {
  border-bottom-color: var(--deep);
  background: var(--ground);
}
.drawer {
  border-bottom: 1px solid var(--rule-strong);
}
.drawer:hover {
  background: var(--ground);
}
.drawer.is-open {
  background: var(--ground);
  font-weight: 650;
  box-shadow: inset 4px 0 0 var(--deep);
}
</style>
