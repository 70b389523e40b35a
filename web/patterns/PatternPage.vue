<script setup lang="ts">
import { notPromisedWords, sentenceOf } from "@kasten/core/sentences";
import { Columns2, Download, Pencil } from "lucide-vue-next";
import { computed, ref, watch } from "vue";
import { useRoute } from "vue-router";
import { placeAt } from "@kasten/core/hooks";
import { drawFly, svgFile } from "@kasten/core/drawing";
import { differencesBetween, dressedAs, minutesWorking, rangesOf, weightWorking, workingOf } from "@kasten/core/needs";
import { sayDifference } from "@kasten/core/sentences";
import { sayStep, sayPlace } from "@kasten/core/words";
import { dressings, hookOf, notPromised, priceOf, type Dressing, type FlyChoice } from "@kasten/core/recipe";
import { headRoomOf, tieInsOf } from "@kasten/core/fly";
import { ownDressing } from "@kasten/core/methods";
import { threadWay } from "@kasten/core/bench";
import type { Working } from "@kasten/contract/materials";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import { money, quantity } from "../parts/format";
import { download } from "../parts/download";
import { lengthFigure, units } from "../parts/units";
import { useWorking } from "../parts/working";
import { useSession } from "../team";
import BeadTool from "./BeadTool.vue";
import { useCatalogue } from "./catalogue";
import ChoiceBar from "./ChoiceBar.vue";
import FlyPicture from "./FlyPicture.vue";
import HookChoice from "./HookChoice.vue";
import MethodTable from "./MethodTable.vue";
import SubstituteTable from "./SubstituteTable.vue";
import { DOZEN, usePatternFly, useSizes } from "./usePattern";
import VersionList from "./VersionList.vue";

const props = defineProps<{ id: string }>();
const route = useRoute();
const { patterns, hooks, materials: cabinet, recipeOf } = useCatalogue();
const { may } = useSession();
const panel = useWorking();
const entry = computed(() => patterns.value.get(props.id));
const recipe = computed(() => recipeOf(props.id));
const sizes = useSizes(() => props.id);
const inside = ref(false);
const comparing = ref(false);
const step = ref<string>();

const query = (name: string): string | undefined =>
  typeof route.query[name] === "string" ? (route.query[name] as string) : undefined;
const start = (size: string | undefined): FlyChoice => ({
  size: size ?? "",
  variant: query("variant") ?? entry.value?.variants[0]?.id ?? "",
  form: query("form") ?? entry.value?.forms[0]?.id ?? "",
});
const choice = ref<FlyChoice>(start(query("size")));
const other = ref<FlyChoice>(start(undefined));
watch(
  [entry, sizes],
  () => {
    if (!choice.value.size || !choice.value.variant)
      choice.value = { ...start(query("size") ?? sizes.value[0]), size: query("size") ?? sizes.value[0] ?? "" };
    if (!other.value.size) other.value = { ...start(sizes.value.at(-1)), size: sizes.value.at(-1) ?? "" };
  },
  { immediate: true },
);

const { tied, materials, proportions, shares, cautions, checks, notices } = usePatternFly(() => props.id, choice);
const second = usePatternFly(() => props.id, other);
const optional = computed(
  () =>
    recipe.value?.components.filter(
      (c) =>
        c.optional &&
        !entry.value?.forms.some(
          (f) => f.id === choice.value.form && recipe.value?.forms.find((x) => x.id === f.id)?.omit.includes(c.id),
        ),
    ) ?? [],
);
const fly = computed(() => tied.value.fly);
const marks = computed(() => {
  const f = fly.value;
  return f
    ? ([
        ["mid-shank", placeAt({ fraction: 0.5 }, f.hook)],
        ["point", f.hook.point],
        ["barb", f.hook.barb],
        ["bend", f.hook.shank],
      ] as const)
    : [];
});
/** The hooks themselves differ by their size alone: that is what was asked for. */
const compared = computed(() =>
  differencesBetween(materials.value, second.materials.value).filter((d) => d.role !== "hook"),
);
const lengths = computed(() =>
  proportions.value.map((p, i) => ({
    ...p,
    then: second.proportions.value.find((q) => q.step === p.step && q.kind === p.kind)?.mm,
    i,
  })),
);
const priceNow = computed(() => (recipe.value ? priceOf(recipe.value, choice.value) : 0));
const ratings = computed<Dressing[]>(() =>
  recipe.value
    ? dressings.filter((d) => d === ownDressing(recipe.value ?? {}) || recipe.value?.densityBand?.includes(d))
    : [],
);
const rating = computed<Dressing>(
  () =>
    (Object.entries(choice.value.methods ?? {}).find(([k]) => k.endsWith("/dressing"))?.[1] as Dressing | undefined) ??
    ownDressing(recipe.value ?? {}),
);
function dress(dressing: Dressing): void {
  const others = Object.fromEntries(
    Object.entries(choice.value.methods ?? {}).filter(([k]) => !k.endsWith("/dressing")),
  );
  choice.value = {
    ...choice.value,
    methods: {
      ...others,
      ...(fly.value && dressing !== ownDressing(recipe.value ?? {}) ? dressedAs(fly.value, dressing) : {}),
    },
  };
}
function take(component: string, material: string | undefined): void {
  const rest = Object.fromEntries(Object.entries(choice.value.use ?? {}).filter(([k]) => k !== component));
  choice.value = { ...choice.value, use: material === undefined ? rest : { ...rest, [component]: material } };
}
const hook = computed(() => (recipe.value ? hooks.value.get(hookOf(recipe.value, choice.value)) : undefined));
/** What stated ranges leave open, by part. */
const ranges = computed(() => {
  const model = hook.value;
  if (!recipe.value || !model || !fly.value) return { words: new Map<string, string>(), fault: undefined };
  const { ranges: open, fault } = rangesOf(
    { recipe: recipe.value, choice: choice.value, model, materials: cabinet.value },
    DOZEN,
  );
  const words = new Map(
    open.map((r) => {
      const unit = materials.value.find((m) => m.key === r.key)?.unit ?? "count";
      return [r.key, `${quantity(r.least, unit)} to ${quantity(r.most, unit)}, as far as the recipe leaves it open`];
    }),
  );
  return { words, fault: fault && sentenceOf(fault) };
});
const stops = computed(() => new Map((fly.value ? threadWay(fly.value) : []).map((t) => [t.step, t])));
const room = computed(() => (fly.value ? headRoomOf(fly.value) : undefined));
const roomNeeds = computed(() => {
  const all = [...(room.value?.parts ?? []), ...((fly.value?.tied.beadMm ?? 0) > 0 ? [] : ["the head"])];
  return `${all.join(", ")} ${all.length === 1 ? "needs" : "need"}`;
});
const unsure = computed(() =>
  recipe.value ? notPromised(recipe.value, choice.value, cabinet.value).map(notPromisedWords) : [],
);
const showWhole = (title: string, working: Working, words: string): void =>
  panel.show({ title, words, working, fly: { pattern: props.id, ...choice.value } });

function show(r: (typeof materials.value)[number]): void {
  if (fly.value)
    panel.show({
      title: `${r.role}, ${r.materialName}, for a dozen`,
      words: r.words,
      working: workingOf(r, fly.value, DOZEN) as Working,
      fly: { pattern: props.id, ...choice.value },
    });
}
function saveDrawing(): void {
  if (!fly.value || !entry.value) return;
  const file = svgFile(
    drawFly(fly.value, { seed: props.id, inside: inside.value }),
    `${entry.value.name}, size ${choice.value.size}`,
  );
  download(`${props.id}-${choice.value.size.replace("/", "-")}.svg`, "image/svg+xml", file);
}
</script>

<template>
  <template v-if="entry">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
      <h1>
        {{ entry.name }} <span class="font-normal text-soft">{{ entry.style }}</span>
      </h1>
      <div class="flex flex-wrap items-center gap-2">
        <span class="text-soft"
          >{{ entry.origin }}<template v-if="entry.species">, for {{ entry.species }}</template></span
        >
        <RouterLink v-if="may('write patterns')" class="btn" :to="`/patterns/${id}/edit`"
          ><Pencil :size="16" aria-hidden="true" />{{ entry.missing.length > 0 ? "Complete it" : "Edit" }}</RouterLink
        >
      </div>
    </div>
    <section v-if="entry.missing.length > 0" class="callout mb-4">
      <h2>Kept, but held from costing and from the bench. It lacks:</h2>
      <ul class="list-disc pl-5">
        <li v-for="m in entry.missing" :key="m">{{ m }}</li>
      </ul>
    </section>
    <template v-else>
      <ChoiceBar
        v-model="choice"
        :entry="entry"
        :sizes="sizes"
        :optional="optional"
        :ratings="ratings"
        :rating="rating"
        class="mb-2"
        :label="comparing ? 'left' : undefined"
        @dress="dress"
      >
        <label class="flex min-h-9 items-center gap-2"
          ><input v-model="inside" type="checkbox" class="h-5 w-5" />See inside</label
        >
        <button class="btn btn-plain" :aria-pressed="comparing" @click="comparing = !comparing">
          <Columns2 :size="17" aria-hidden="true" />{{ comparing ? "Only one" : "Beside another" }}
        </button>
        <button class="btn btn-plain" @click="saveDrawing"><Download :size="17" aria-hidden="true" />Drawing</button>
      </ChoiceBar>
      <p v-if="tied.fault" class="callout mb-3">{{ tied.fault }}</p>
      <p v-if="ranges.fault" class="callout mb-3">
        Not all that the recipe leaves open can be tied at this size: {{ ranges.fault }}
      </p>
      <p v-for="u in unsure" :key="u" class="callout mb-3">{{ u }}.</p>
      <div class="mb-3 grid gap-3" :class="{ 'lg:grid-cols-2': comparing }">
        <div>
          <figure class="border border-rule bg-[var(--fly-ground)]" :class="comparing ? 'h-72' : 'h-64 md:h-[26rem]'">
            <FlyPicture
              v-if="fly"
              :fly="fly"
              :seed="id"
              :title="`${entry.name}, size ${choice.size}, side view to scale`"
              :inside="inside"
              measures
              :letters="comparing ? 38 : 50"
              :step="step"
            />
          </figure>
        </div>
        <div v-if="comparing">
          <figure class="h-72 border border-rule bg-[var(--fly-ground)]">
            <FlyPicture
              v-if="second.tied.value.fly"
              :fly="second.tied.value.fly"
              :seed="id"
              :title="`${entry.name}, size ${other.size}, side view to scale`"
              :inside="inside"
              measures
              :letters="38"
            />
          </figure>
          <ChoiceBar v-model="other" :entry="entry" :sizes="sizes" :optional="optional" class="mt-2" label="right" />
          <p v-if="second.tied.value.fault" class="callout mt-2">{{ second.tied.value.fault }}</p>
        </div>
      </div>
      <section v-if="comparing" class="sheet mb-4 p-3" aria-label="What differs">
        <h2 class="mb-1">On the right, for a dozen</h2>
        <p v-if="compared.length === 0">The same quantities.</p>
        <ul class="grid gap-x-6 sm:grid-cols-2">
          <li v-for="d in compared" :key="d.key + d.material" class="border-b border-rule py-0.5">
            {{ d.role }}: <NumberWords :words="sayDifference(d)" />
          </li>
        </ul>
        <p v-if="fly && second.tied.value.fly" class="mt-1">
          Weight <span class="fig">{{ fly.tied.mass.total.toFixed(0) }}</span> →
          <b class="fig">{{ second.tied.value.fly.tied.mass.total.toFixed(0) }}</b><span class="unit">mg</span>, time
          <span class="fig">{{ fly.minutes.toFixed(1) }}</span> →
          <b class="fig">{{ second.tied.value.fly.minutes.toFixed(1) }}</b><span class="unit">min</span>
        </p>
      </section>
      <p v-for="w in notices" :key="w.sentence" class="callout mb-2">
        {{ w.sentence }}
        <button
          class="link"
          @mouseenter="step = w.step"
          @mouseleave="step = undefined"
          @focus="step = w.step"
          @blur="step = undefined"
        >
          Show the step
        </button>
      </p>
      <dl v-if="fly" class="mb-4 flex flex-wrap gap-x-7 gap-y-1">
        <div>
          <dt class="text-soft">Weight</dt>
          <dd class="text-xl">
            <button
              class="num"
              aria-label="Working of the weight"
              @click="showWhole('weight of a fly', weightWorking(fly), `${fly.tied.mass.total.toFixed(0)} mg`)"
            >
              {{ fly.tied.mass.total.toFixed(0) }}</button><span class="unit"
              >mg, {{ ((fly.tied.mass.total * DOZEN) / 1000).toFixed(1) }} g a dozen</span
            >
          </dd>
        </div>
        <div>
          <dt class="text-soft">Time</dt>
          <dd class="text-xl">
            <button
              class="num"
              aria-label="Working of the minutes"
              @click="showWhole('minutes of a fly', minutesWorking(fly), `${Number(fly.minutes.toFixed(2))} min`)"
            >
              {{ Number(fly.minutes.toFixed(2)) }}</button><span class="unit">min a fly</span>
          </dd>
        </div>
        <div>
          <dt class="text-soft">Price</dt>
          <dd class="text-xl">
            <span class="fig">{{ money(priceNow) }}</span><span class="unit">a dozen</span>
          </dd>
        </div>
        <div v-for="[name, mm] in marks" :key="name">
          <dt class="text-soft">{{ name }}</dt>
          <dd class="text-xl">
            <span class="fig">{{ lengthFigure(mm) }}</span><span class="unit">{{ units }}</span>
          </dd>
        </div>
        <div v-if="shares.length > 1">
          <dt class="text-soft">{{ shares.map((s) => s.part).join(" : ") }}</dt>
          <dd class="text-xl">
            <span class="fig">{{ shares.map((s) => Math.round(100 * s.share)).join(" : ") }}</span>
          </dd>
        </div>
      </dl>
      <div class="grid gap-5 lg:grid-cols-2">
        <section>
          <h2 class="mb-1">Materials for a dozen</h2>
          <table class="sheet">
            <thead class="sr-only">
              <tr>
                <th scope="col">Part</th>
                <th scope="col">Material</th>
                <th scope="col">Quantity</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in materials" :key="r.key">
                <th scope="row" class="!border-b !border-rule">{{ r.role }}{{ r.side ? ` ${r.side}` : "" }}</th>
                <td>
                  {{ r.materialName
                  }}<span class="block text-[0.88rem] text-soft"><NumberWords :words="r.words" /></span
                  ><span v-if="ranges.words.get(r.key)" class="block text-[0.88rem] text-soft"
                    ><NumberWords :words="ranges.words.get(r.key) ?? ''"
                  /></span>
                </td>
                <td class="whitespace-nowrap text-right">
                  <button class="num text-lg" :aria-label="`Working of ${r.role}`" @click="show(r)">
                    {{ quantity(r.issue, r.unit) }}
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
          <h2 class="mb-1 mt-4">Lengths against the ruler</h2>
          <table class="sheet">
            <thead>
              <tr>
                <th scope="col">Part</th>
                <th scope="col">Rule</th>
                <th scope="col" class="text-right">{{ units }}</th>
                <th v-if="comparing" scope="col" class="text-right">right</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="p in lengths" :key="p.i">
                <th scope="row" class="!border-b !border-rule">
                  {{ p.part }}<span v-if="p.kind === 'barb'" class="font-normal text-soft">, barbs</span>
                </th>
                <td class="text-soft">{{ p.rule }}</td>
                <td class="fig text-right text-lg">{{ lengthFigure(p.mm) }}</td>
                <td v-if="comparing" class="fig text-right text-lg">
                  {{ p.then === undefined ? "–" : lengthFigure(p.then) }}
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <section>
          <h2 class="mb-1">Steps</h2>
          <ol class="sheet">
            <li
              v-for="(s, i) in fly?.steps ?? []"
              :key="s.id"
              class="border-b border-rule px-3 py-1.5 hover:bg-ground"
              @mouseenter="step = s.id"
              @mouseleave="step = undefined"
            >
              <span class="fig mr-2 text-soft">{{ i + 1 }}</span><ColourSwatch
                v-if="s.material"
                :colour="s.material.colour"
                class="mr-1.5"
              /><b class="mr-2">{{ s.name }}</b
              ><span class="text-soft">{{ s.material?.name }}</span>
              <span class="block text-[0.93rem]"
                >{{ sayStep(s.step)
                }}<span v-if="stops.get(s.id)" class="text-soft"> · thread at {{ stops.get(s.id)?.place }}</span></span
              >
              <span v-if="s.step.instruction" class="block text-[0.93rem]">{{ s.step.instruction }}</span>
              <span v-if="s.step.stated" class="block text-[0.93rem] text-soft"
                >as it was said: “{{ s.step.stated }}”</span
              >
              <span v-if="s.step.tools?.length || s.step.skills?.length" class="block text-[0.93rem] text-soft">{{
                [...(s.step.tools ?? []), ...(s.step.skills ?? [])].join(", ")
              }}</span>
              <span v-for="v in s.step.views ?? []" :key="v.because" class="block text-[0.93rem] text-soft"
                >{{ v.by ?? "some" }}: {{ v.says === "do" ? "do it" : "avoid it" }}, because {{ v.because }}</span
              >
              <span v-if="s.step.guard" class="block text-[0.93rem] text-soft">{{ s.step.guard }}</span>
              <span
                v-for="c in cautions.filter((x) => x.step === s.id)"
                :key="c.sentence"
                class="block text-[0.93rem] text-call"
                >{{ c.sentence }}</span
              >
            </li>
          </ol>
          <HookChoice
            v-if="recipe && hook"
            :recipe="recipe"
            :choice="choice"
            :model="hook"
            class="mt-2"
            @take="(model) => take(recipe?.components.find((c) => c.role === 'hook')?.id ?? 'hook', model)"
          />
          <p v-if="recipe" class="text-[0.93rem]">
            Finish:
            <template v-if="recipe.finish.state === 'given'"
              ><template v-for="(c, i) in [recipe.finish, ...(recipe.finish.then ?? [])]" :key="i"
                >{{ i > 0 ? ", then " : "" }}{{ c.coats }} {{ c.coats === 1 ? "coat" : "coats" }} of {{ c.component }},
                {{ c.dryMinutes }} minutes to dry each</template
              ></template
            ><template v-else>none, on purpose</template>.
          </p>
          <p v-for="b in recipe?.bare ?? []" :key="sayPlace(b.from)" class="text-[0.93rem]">
            Stays bare{{ b.thread ? " but for thread" : "" }}: {{ sayPlace(b.from) }} to {{ sayPlace(b.to)
            }}<template v-if="b.why">, {{ b.why }}</template>
          </p>
          <p v-if="room && room.eyes > 0" class="text-[0.93rem]">
            Room in front of the body: <span class="fig">{{ lengthFigure(room.leftMm) }}</span> {{ units }};
            {{ roomNeeds }} <span class="fig">{{ lengthFigure(room.neededMm) }}</span>.
          </p>
          <p v-for="a in recipe?.avoid ?? []" :key="a" class="text-[0.93rem]">Not to be: {{ a }}</p>
          <p v-for="a in recipe?.parents ?? []" :key="a.pattern" class="text-[0.93rem]">
            Comes from
            <RouterLink v-if="patterns.has(a.pattern)" class="link" :to="`/patterns/${a.pattern}`">{{
              patterns.get(a.pattern)?.name
            }}</RouterLink><template v-else>{{ a.pattern }}</template
            >{{ a.changes ? `: ${a.changes}` : ""
            }}<span v-if="a.inherited?.length" class="text-soft">
              · inherited from its version {{ a.version }}: {{ a.inherited.join(", ") }}</span
            >
          </p>
          <p
            v-for="c in recipe?.components.filter((x) => x.asStated) ?? []"
            :key="c.id"
            class="text-[0.93rem] text-soft"
          >
            As it was said, {{ c.role }}: “{{ c.asStated }}”
          </p>
          <p v-if="fly" class="mt-2 text-[0.93rem]">
            Tied in:
            <template v-for="(t, i) in tieInsOf(fly)" :key="sayPlace(t.place)"
              >{{ i > 0 ? "; " : "" }}at {{ sayPlace(t.place) }}, {{ t.steps.join(", ") }} (<span class="fig">{{
                t.wraps
              }}</span>
              wraps)</template
            >.
          </p>
          <p v-if="fly?.ridesPointUp" class="text-[0.93rem]">
            Weighted eyes lashed on top: it swims point up, and is drawn so.
          </p>
          <h2 class="mb-1 mt-4">Beside the master fly</h2>
          <ul class="sheet px-3 py-1.5 text-[0.95rem]">
            <li v-for="(c, i) in checks" :key="i" class="py-0.5">
              <span class="tag mr-2">{{ c.when }}</span>{{ c.feature
              }}<span v-if="c.tolerance" class="text-soft">, {{ c.tolerance }}</span>
            </li>
          </ul>
        </section>
      </div>
      <MethodTable
        v-if="recipe && fly"
        :recipe="recipe"
        :choice="choice"
        class="mt-5"
        @choose="choice = { ...choice, methods: $event }"
      />
      <div class="mt-5 grid gap-5 lg:grid-cols-2">
        <SubstituteTable v-if="recipe && fly" :recipe="recipe" :choice="choice" @take="take" /><BeadTool
          v-if="fly"
          :fly="fly"
        />
      </div>
    </template>
    <VersionList :id="id" class="mt-5" />
  </template>
</template>
