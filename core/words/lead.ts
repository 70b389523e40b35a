import type { Material } from "../materials";

const leadFree = /\b(?:lead|unlead)(?:ed)?-?\s?free\b|\bnon-?\s?(?:lead|toxic)\b|\bunleaded\b/i;
/** Whether words say that something is of lead, or that it is not; undefined where they say neither. */
export const leadSaid = (words: string): boolean | undefined =>
  leadFree.test(words) ? false : /\blead(?:ed)?\b/i.test(words) ? true : undefined;
/** Lead is never taken for what was said to be free of it, nor the other way round: some waters forbid it. */
export function isAsLeaded(material: Material, words: string): boolean {
  if (material.form !== "weight wire") return true;
  const said = leadSaid(words);
  return said === undefined || said === material.lead;
}
