import type { Material, MaterialForm } from "../../materials";
import type { BySize, Component } from "../../recipe";
import type { Telling } from "../bench";
import { spanOf } from "../clauses/common";
import { DIMENSION } from "../clauses/sized";
import { bySize } from "../description";
import type { Told } from "../told";

/** Of these a size in mm is which it is; of all others it is how much of it is taken. */
const soldBySize: ReadonlySet<MaterialForm> = new Set<MaterialForm>([...bySize, "wire", "thread"]);
const inMm = /^(\d+(?:[.,]\d+)?)\s*mm$/;
/** “3 mm when squeezed (2 mm on 14)”, “slips 3 mm wide (2 mm on 14s)”: so thick or wide is what is taken there. */
function asThickness({ kind, said }: Told, { form }: Material): boolean {
  if (kind !== "lay" || soldBySize.has(form) || !said.stuffOn) return false;
  const thick = said.stuffOn.map(({ words = "", sizes }) => ({ sizes, mm: readMm(inMm.exec(words)?.[1]) }));
  if (!thick.every((t): t is { sizes: (typeof t)["sizes"]; mm: number } => t.mm !== undefined)) return false;
  said.onThick = thick;
  delete said.stuffOn;
  return true;
}
const readMm = (figure: string | undefined): number | undefined =>
  figure === undefined ? undefined : Number(figure.replace(",", "."));

const dimension = new RegExp(`(?<![\\w.])(?:${DIMENSION})(?!\\w)`, "iu");
/** Gives a part its material by hook size, as the line says. */
export function takeSizes({ told, bench }: Telling, component: Component, described: Material): void {
  const { description, said } = told;
  const all = bench.facts.sizes;
  if (!description || !said.stuffOn || !all || asThickness(told, described)) return;
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
function inSize(text: string, words: string): string {
  const at = dimension.test(text) ? dimension : isFigure.test(words) && bareFigure.test(text) ? bareFigure : undefined;
  return at ? text.replace(at, words) : `${text.trim()}, ${words}`;
}
/** “3.3 gold slotted bead”, and 2.8 on other hooks. */
const bareFigure = /(?<![\w.,/])\d(?:[.,]\d)?(?![\w.,/"])/u;
const isFigure = /^\d(?:[.,]\d)?(?:\s*mm)?$/;
