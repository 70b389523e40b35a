import { computed, type Ref } from "vue";
import type { BatchDetail } from "@kasten/contract/batches";
import { differencesBetween, requirementsOf } from "@kasten/core/needs";
import { sayDifference } from "@kasten/core/sentences";
import { habitsOn } from "@kasten/core/methods";
import { type FlyChoice } from "@kasten/core/recipe";
import { useCatalogue } from "../patterns";
import { useSession } from "../team";

/** The fly of a batch as the person at the bench ties it: their own ways, but for what was decided for the batch. */
export function useBatchFly(batch: Ref<BatchDetail | undefined>) {
  const { fly, recipeOf } = useCatalogue();
  const { person } = useSession();
  const planned = computed<FlyChoice | undefined>(() => batch.value && pick(batch.value));
  const asPlanned = computed(() =>
    batch.value && planned.value
      ? fly(batch.value.pattern, planned.value, { version: batch.value.patternVersion, keepProfiles: true })
      : { pending: true },
  );
  const tied = computed(() => {
    const b = batch.value;
    const recipe = b && recipeOf(b.pattern, b.patternVersion);
    const own = person.value?.methods ?? {};
    const steps = asPlanned.value.fly?.steps;
    if (!b || !recipe || !steps || !planned.value || Object.keys(own).length === 0) return asPlanned.value;
    const ways = habitsOn(
      steps.map((s) => ({ step: s.step, role: s.role, form: s.material?.form, recipe })),
      own,
    );
    const mine = fly(
      b.pattern,
      { ...planned.value, methods: { ...ways, ...planned.value.methods } },
      { version: b.patternVersion, keepProfiles: true },
    );
    return mine.fly ? mine : asPlanned.value;
  });
  /** What this person's ways take more or less of than what was pulled. */
  const differs = computed(() => {
    const [was, is] = [asPlanned.value.fly, tied.value.fly];
    return batch.value && was && is && was !== is
      ? differencesBetween(requirementsOf(was, batch.value.starts), requirementsOf(is, batch.value.starts)).map(
          sayDifference,
        )
      : [];
  });
  return { tied, differs };
}

const pick = ({ size, variant, form, buy, methods, leave, use, starts }: BatchDetail): FlyChoice => ({
  size,
  variant,
  form,
  buy,
  methods,
  leave,
  use,
  flies: starts,
});
