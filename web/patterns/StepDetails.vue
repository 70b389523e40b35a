<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { computed } from "vue";
import { sayStep } from "@kasten/core/words";
import { moments, roomToMove, type Check, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import { questionsOf } from "@kasten/core/methods";
import { useCatalogue } from "./catalogue";
import { sizeRuleOf, sizeRuleWords } from "./sizeRules";

/** What the words of a step do not say: instruction, caution, checks, order, schools, size rules. */
const step = defineModel<RecipeStep>({ required: true });
const props = defineProps<{ recipe: Recipe }>();
const { materials } = useCatalogue();
const set = (change: Partial<RecipeStep>): void => {
  step.value = { ...step.value, ...change } as RecipeStep;
};
const text = (event: Event): string => (event.target as HTMLInputElement).value;
const component = computed(() => props.recipe.components.find((c) => c.id === step.value.component));
const form = computed(() => materials.value.get(component.value?.material[0]?.value ?? "")?.form);
const facts = computed(() => ({
  step: step.value,
  role: component.value?.role,
  form: form.value,
  recipe: props.recipe,
}));
const questions = computed(() => questionsOf(facts.value));
const schoolNow = (id: string): string =>
  step.value.methods?.[id] ?? questions.value.find((q) => q.id === id)?.usual(facts.value) ?? "";
const choose = (id: string, school: string): void => set({ methods: { ...step.value.methods, [id]: school } });
/** Between which places of the list the step may stand. */
const places = computed(() =>
  roomToMove(
    props.recipe,
    props.recipe.steps.findIndex((s) => s.id === step.value.id),
  ),
);
const others = computed(() => props.recipe.steps.filter((s) => s.id !== step.value.id));
const views = (): NonNullable<RecipeStep["views"]> => step.value.views ?? [];
const setView = (i: number, change: Partial<ReturnType<typeof views>[number]>): void =>
  set({ views: views().map((v, j) => (j === i ? { ...v, ...change } : v)) });
const checks = (): Check[] => step.value.checks ?? [];
const setCheck = (i: number, change: Partial<Check>): void =>
  set({ checks: checks().map((c, j) => (j === i ? { ...c, ...change } : c)) });
const rules = computed(() => (step.value.bySize ?? []).map((r) => ({ ...r, words: sizeRuleWords(step.value, r.set) })));
function setRule(i: number, change: { from?: string; to?: string; words?: string }): void {
  const list = step.value.bySize ?? [];
  set({
    bySize: list.map((r, j) => {
      if (j !== i) return r;
      const read =
        change.words === undefined ? r.set : sizeRuleOf(change.words, step.value, component.value?.role, form.value);
      return { sizes: { from: change.from ?? r.sizes.from, to: change.to ?? r.sizes.to }, set: read };
    }),
  });
}
const list = (value: string): string[] | undefined => {
  const parts = value
    .split(",")
    .map((t) => t.trim())
    .filter(Boolean);
  return parts.length > 0 ? parts : undefined;
};
</script>

<template>
  <fieldset class="grid gap-3 border border-rule p-3 md:grid-cols-2">
    <legend class="px-1 font-semibold">The step</legend>
    <label
      ><span class="label">Its name</span
      ><input class="field w-full" :value="step.name" maxlength="80" @change="set({ name: text($event) || step.name })"
    /></label>
    <label
      ><span class="label">Skills it needs, by comma</span
      ><input
        class="field w-full"
        :value="(step.skills ?? []).join(', ')"
        @change="set({ skills: list(text($event)) })"
    /></label>
    <label
      ><span class="label">How to do it</span
      ><textarea
        class="field w-full"
        rows="2"
        :value="step.instruction ?? ''"
        maxlength="400"
        @change="set({ instruction: text($event) || undefined })"
      ></textarea>
    </label>
    <label
      ><span class="label">Caution, where the hazard is</span
      ><textarea
        class="field w-full"
        rows="2"
        :value="step.caution ?? ''"
        maxlength="400"
        @change="set({ caution: text($event) || undefined })"
      ></textarea>
    </label>
    <label
      ><span class="label">What it guards against, so that nothing takes it away unseen</span
      ><input
        class="field w-full"
        :value="step.guard ?? ''"
        maxlength="400"
        placeholder="locks the hackle"
        @change="set({ guard: text($event) || undefined })"
    /></label>
    <label
      ><span class="label">Need not be tidy: covered by</span
      ><select
        class="field w-full"
        :value="step.coveredBy ?? ''"
        @change="set({ coveredBy: text($event) || undefined })"
      >
        <option value="">no later step</option>
        <option v-for="o in others" :key="o.id" :value="o.id">{{ o.name }}</option>
      </select></label
    >
    <label
      ><span class="label">Comes after</span
      ><select
        class="field w-full"
        :value="step.after?.[0]?.step ?? ''"
        @change="set({ after: text($event) ? [{ step: text($event), hard: step.after?.[0]?.hard }] : undefined })"
      >
        <option value="">nothing in particular</option>
        <option v-for="o in others" :key="o.id" :value="o.id">{{ o.name }}</option>
      </select>
      <span v-if="step.after?.[0]" class="flex items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5"
          aria-label="There is no remedy later"
          :checked="step.after[0].hard"
          @change="set({ after: [{ ...step.after[0], hard: ($event.target as HTMLInputElement).checked }] })"
        />no remedy later</span
      ></label
    >
    <label
      ><span class="label">May just as well go before</span
      ><select
        class="field w-full"
        :value="step.mayPrecede ?? ''"
        @change="set({ mayPrecede: text($event) || undefined })"
      >
        <option value="">no other step</option>
        <option v-for="o in others" :key="o.id" :value="o.id">{{ o.name }}</option>
      </select></label
    >
    <label v-if="step.do === 'wind'"
      ><span class="label">Carries on the bundle of</span
      ><select
        class="field w-full"
        :value="step.carries ?? ''"
        @change="set({ carries: text($event) || undefined } as Partial<RecipeStep>)"
      >
        <option value="">a material of its own</option>
        <option v-for="o in others.filter((s) => s.do === 'lay')" :key="o.id" :value="o.id">{{ o.name }}</option>
      </select></label
    >
    <label v-if="step.do === 'seat' && component?.role === 'eyes'"
      ><span class="label">Glue that may fix it</span
      ><select
        class="field w-full"
        :value="step.glue ?? ''"
        @change="set({ glue: text($event) || undefined } as Partial<RecipeStep>)"
      >
        <option value="">none</option>
        <option v-for="o in recipe.components.filter((c) => c.role === 'finish')" :key="o.id" :value="o.id">
          {{ o.id }}
        </option>
      </select></label
    >
    <template v-if="step.do === 'wind' && (form === 'thread' || form === 'floss')">
      <label class="flex items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5"
          :checked="step.levels !== undefined"
          @change="set({ levels: ($event.target as HTMLInputElement).checked ? {} : undefined } as Partial<RecipeStep>)"
        />it levels what lies under the body</label
      >
      <label v-if="step.levels"
        ><span class="label">Butts that could do it instead</span
        ><select
          class="field w-full"
          :value="step.levels.butts ?? ''"
          @change="set({ levels: text($event) ? { butts: text($event) } : {} } as Partial<RecipeStep>)"
        >
          <option value="">none</option>
          <option v-for="o in others.filter((x) => x.do === 'lay')" :key="o.id" :value="o.id">{{ o.name }}</option>
        </select></label
      >
    </template>
    <label
      ><span class="label">Turned in a rotary vise: what is done in a fixed one</span
      ><input
        class="field w-full"
        :value="step.rotary?.fixedWay ?? ''"
        maxlength="400"
        placeholder="pass the bobbin over the hook"
        @change="
          set({ rotary: text($event) ? { fixedWay: text($event), minutes: step.rotary?.minutes ?? 0.3 } : undefined })
        "
    /></label>
    <label v-if="step.rotary"
      ><span class="label">Minutes that it takes more</span
      ><input
        class="field fig w-24"
        type="number"
        min="0"
        max="60"
        step="0.1"
        :value="step.rotary.minutes"
        @change="set({ rotary: { fixedWay: step.rotary.fixedWay, minutes: Number(text($event)) || 0 } })"
    /></label>
    <label class="md:col-span-2"
      ><span class="label">Not sure: what is in doubt; it holds the pattern from the bench until this is empty</span
      ><span class="flex gap-2"
        ><input
          class="field flex-1"
          :value="step.doubt ?? ''"
          maxlength="400"
          @change="set({ doubt: text($event) || undefined })"
        /><button v-if="step.doubt" type="button" class="btn" @click="set({ doubt: undefined })">
          Confirmed
        </button></span
      ></label
    >
    <div class="md:col-span-2">
      <span class="label">What is said for it and against it; no verdict</span>
      <div v-for="(v, i) in step.views ?? []" :key="i" class="mb-1 flex flex-wrap gap-2">
        <select
          class="field"
          :value="v.says"
          aria-label="for or against"
          @change="setView(i, { says: text($event) as 'do' })"
        >
          <option value="do">do it</option>
          <option value="avoid">avoid it</option></select
        ><input
          class="field min-w-48 flex-1"
          :value="v.because"
          aria-label="why"
          maxlength="400"
          @change="setView(i, { because: text($event) })"
        /><input
          class="field w-36"
          :value="v.by ?? ''"
          aria-label="who says so"
          placeholder="who says so"
          maxlength="80"
          @change="setView(i, { by: text($event) || undefined })"
        /><button
          type="button"
          class="btn btn-plain"
          aria-label="Take this view out"
          @click="set({ views: views().filter((_, j) => j !== i) })"
        >
          <X :size="16" />
        </button>
      </div>
      <button
        type="button"
        class="btn btn-plain !min-h-7"
        @click="set({ views: [...views(), { says: 'do', because: '' }] })"
      >
        <Plus :size="16" aria-hidden="true" />a view
      </button>
    </div>
    <div v-if="questions.length > 0" class="md:col-span-2">
      <span class="label">Ways, where good tiers differ</span>
      <div class="flex flex-wrap gap-3">
        <label v-for="q in questions" :key="q.id"
          ><span class="block text-[0.88rem] text-soft">{{ q.asks }}</span
          ><select class="field" :value="schoolNow(q.id)" @change="choose(q.id, text($event))">
            <option v-for="s in q.schools(facts)" :key="s.id" :value="s.id">{{ s.words }}</option>
          </select></label
        >
      </div>
      <label class="mt-1 block"
        ><span class="text-[0.88rem] text-soft">Why so; left empty where nobody gave a reason</span
        ><input
          class="field w-full"
          :value="step.because ?? ''"
          maxlength="400"
          @change="set({ because: text($event) || undefined })"
      /></label>
    </div>
    <div class="md:col-span-2">
      <span class="label">Other quantities at other sizes</span>
      <div v-for="(r, i) in rules" :key="i" class="mb-1 flex flex-wrap items-center gap-2">
        sizes
        <input
          class="field fig w-16"
          :value="r.sizes.from"
          aria-label="from size"
          @change="setRule(i, { from: text($event) })"
        />
        to
        <input
          class="field fig w-16"
          :value="r.sizes.to"
          aria-label="to size"
          @change="setRule(i, { to: text($event) })"
        />
        <input
          class="field min-w-48 flex-1"
          :value="r.words"
          aria-label="how it is done at these sizes"
          placeholder="4 fibres"
          @change="setRule(i, { words: text($event) })"
        /><button
          type="button"
          class="btn btn-plain"
          aria-label="Take the size rule out"
          @click="set({ bySize: (step.bySize ?? []).filter((_, j) => j !== i) })"
        >
          <X :size="16" />
        </button>
      </div>
      <button
        type="button"
        class="btn btn-plain !min-h-7"
        @click="
          set({ bySize: [...(step.bySize ?? []), { sizes: { from: recipe.sizes.to, to: recipe.sizes.to }, set: {} }] })
        "
      >
        <Plus :size="16" aria-hidden="true" />a size rule</button
      ><span class="ml-2 text-[0.88rem] text-soft"
        >Now: {{ sayStep(step) }}. It may stand from place <span class="fig">{{ places.first + 1 }}</span> to
        <span class="fig">{{ places.last + 1 }}</span>.</span
      >
    </div>
    <div class="md:col-span-2">
      <span class="label">Checks on the master fly</span>
      <div v-for="(c, i) in step.checks ?? []" :key="i" class="mb-1 flex flex-wrap gap-2">
        <input
          class="field min-w-48 flex-1"
          :value="c.feature"
          aria-label="what is looked at"
          @change="setCheck(i, { feature: text($event) })"
        /><select
          class="field"
          :value="c.when"
          aria-label="when"
          @change="setCheck(i, { when: text($event) as Check['when'] })"
        >
          <option v-for="m in moments" :key="m">{{ m }}</option></select
        ><input
          class="field w-32"
          :value="c.tolerance ?? ''"
          aria-label="how strictly"
          placeholder="strict, loose"
          @change="setCheck(i, { tolerance: text($event) || undefined })"
        /><button
          type="button"
          class="btn btn-plain"
          aria-label="Take the check out"
          @click="set({ checks: checks().filter((_, j) => j !== i) })"
        >
          <X :size="16" />
        </button>
      </div>
      <button
        type="button"
        class="btn btn-plain !min-h-7"
        @click="set({ checks: [...checks(), { feature: '', when: 'finished' }] })"
      >
        <Plus :size="16" aria-hidden="true" />a check
      </button>
    </div>
  </fieldset>
</template>
