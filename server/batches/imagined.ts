import type { Asked } from "@kasten/core/recipe";
import type { Sku } from "@kasten/core/batches";
import type { OpenBatch } from "./queries";

/** What is imagined is not tied: nobody's rules speak against it. */
const noRules = {
  policy: "tier" as const,
  destination: { noLead: false, barblessOnly: false, forbiddenSpecies: [] },
  exception: null,
};

/** A batch that is not there: so many flies of a kind as they would be asked for, due whenever. */
export const imaginedBatch = (
  { pattern, variant, form, size, asked = {} }: Sku & { asked?: Asked },
  flies: number,
  version: number,
  id: string,
): OpenBatch => ({
  id,
  number: 0,
  pattern,
  patternName: "",
  patternVersion: version,
  variant,
  form,
  size,
  state: "planned",
  held: false,
  mode: "fly by fly",
  buy: asked.buy ?? [],
  methods: asked.methods ?? {},
  leave: asked.leave ?? [],
  use: asked.use ?? {},
  asked,
  mixLots: false,
  kitParts: [],
  exceptions: [],
  storedStarts: null,
  kitId: null,
  version: 0,
  good: 0,
  rejected: 0,
  claims: [{ line: "new", order: 0, orderId: "", customer: "", due: "9999-12-31", flies, wishes: "", ...noRules }],
});
