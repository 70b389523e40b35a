import type { Sentences } from "../errors";
import type { WishFate, WishFateDetails } from "../orders";
import { codeOf, componentsOf, type Asked, type FlyChoice, type Recipe } from "../recipe";
import type { Materials } from "../materials";
import { say } from "./say";

const fates: Sentences<WishFateDetails> = {
  LEFT_OUT: (d) => `the ${d.part} is left out`,
  TAKEN: (d) => `${d.part} of ${d.material}`,
  OTHER_HOOK: (d) => `on ${d.hook}`,
  DRESSED: (d) => `dressed ${d.dressing}`,
  SO_ALREADY: () => "the pattern is so already",
  NOT_OPTIONAL: (d) => `the pattern cannot do without its ${d.part}: kept as a wish`,
  NOT_IN_COLOUR: (d) => `the pattern allows no ${d.part} in ${d.colour}: kept as a wish`,
  NOT_DRESSED_SO: () => "the pattern says nothing of dressing it so: kept as a wish",
  NO_SUCH_HOOK: () => "no barbless hook comes near enough: kept as a wish",
  HAS_LEAD: (d) => `${d.materials.join(", ")} has lead in it: choose another weight form`,
};

/** What became of a wish: “no flash: the flash is left out”. */
export const wishFateSentence = (fate: WishFate): string => `${fate.words}: ${say(fates, fate)}`;

/** Whether a wish is a choice of the pattern now, or the pattern is so already. */
export const isGranted = (fate: WishFate): boolean =>
  ["LEFT_OUT", "TAKEN", "OTHER_HOOK", "DRESSED", "SO_ALREADY"].includes(fate.code);

/**
 * What is asked of a fly beside its pattern, in words, for everyone who handles it: “without flash; tail of hackle
 * fibres, brown; dressed sparse”.
 */
export function askedWords(
  recipe: Recipe,
  choice: Pick<FlyChoice, "size" | "variant" | "form">,
  asked: Asked,
  materials: Materials,
): string[] {
  const roleOf = (id: string): string => recipe.components.find((c) => c.id === id)?.role ?? id;
  const own = new Map(componentsOf(recipe, { form: choice.form }).map((c) => [c.id, codeOf(recipe, choice, c)]));
  const dressing = Object.entries(asked.methods ?? {}).find(([way]) => way.endsWith("/dressing"))?.[1];
  const ways = Object.entries(asked.methods ?? {}).filter(([way]) => !way.endsWith("/dressing"));
  return [
    ...(asked.leave ?? []).map((id) => `without ${roleOf(id)}`),
    ...Object.entries(asked.use ?? {}).flatMap(([id, code]) =>
      own.get(id) === code ? [] : [`${roleOf(id)}: ${materials.get(code)?.name ?? code}`],
    ),
    ...(dressing === undefined ? [] : [`dressed ${dressing}`]),
    ...ways.map(([, school]) => school),
    ...(asked.buy ?? []).map((id) => `bought ${roleOf(id)}`),
  ];
}
