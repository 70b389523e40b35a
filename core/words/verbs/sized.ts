import type { Material } from "../../materials";
import type { BySize, Component } from "../../recipe";
import type { Telling } from "../bench";
import { spanOf } from "../clauses/common";
import { DIMENSION } from "../clauses/sized";

const dimension = new RegExp(`(?<![\\w.])(?:${DIMENSION})(?!\\w)`, "iu");
/** Gives a part its material by hook size, as the line says. */
export function takeSizes({ told, bench }: Telling, component: Component, described: Material): void {
  const { description, said } = told;
  const all = bench.facts.sizes;
  if (!description || !said.stuffOn || !all) return;
  const { form } = described;
  const onSome = said.stuffOn.flatMap(({ words, sizes }): BySize<string>[] => {
    const text = words === undefined ? undefined : inSize(description.text, words);
    const material =
      text === undefined
        ? undefined
        : bench.resolve({ ...description, exact: undefined, text, means: { form } }).material;
    if (text !== undefined && !material) return [];
    return [{ sizes: spanOf(sizes, all), value: (material ?? described).code }];
  });
  // “2.8 mm (2.3 mm for 16s)”: what was described is for all the others.
  const isForOthers = said.stuffOn.every(({ words }) => words !== undefined);
  component.material = isForOthers ? [...onSome, { value: described.code }] : onSome;
}
/** “black tungsten, 3.5 mm” in another size. */
const inSize = (text: string, words: string): string =>
  dimension.test(text) ? text.replace(dimension, words) : `${text.trim()}, ${words}`;
