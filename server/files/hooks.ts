import { hookBends, normalSize } from "@kasten/core/hooks";
import { hookFamilies, hookRowSchema, saveHook } from "@kasten/contract/hooks";
import { wrongIn } from "@kasten/contract/http";
import { hookModelEntity, readHooks } from "../hooks";
import { keepSizes } from "../measuring";
import { keepRow } from "../measuring";
import type { Line } from "./line";
import { same, wrong, type FileReader } from "./reader";

const figures = ["shank", "gape", "wire", "eye", "mass"] as const;

/** The sizes of a cell, as "16/14/12" or one alone; an aught size stands alone. */
function sizesOf(cell: string): string[] {
  const text = cell.replaceAll("#", "").trim();
  if (text === "") return [];
  const all = /^\d+\/0$/.test(text) ? [text] : text.split(/[/;,\s]+/);
  return all.filter(Boolean).map((s) => normalSize(s));
}
const isSize = (text: string): boolean => /^\d{1,2}(\/0)?$/.test(text);

const modelOf = (line: Line, name: string) => ({
  name,
  family: line.one("family", hookFamilies, "nymph"),
  bend: line.one("bend", hookBends, "round"),
  shankSteps: line.number("longer") ?? 0,
  wireSteps: line.number("heavier") ?? 0,
  gapeSteps: 0,
  barbless: line.yes("barbless") ?? false,
  points: 1 as const,
  eyeForm: "turned down" as const,
  finish: "",
  wireReason: "",
  near: [],
});

export const hooks: FileReader = async (db) => {
  const known = await readHooks(db);
  const begun = new Map<string, { name: string; sizes: Set<string> }>();
  return {
    judge: (line) => {
      const code = line.text("code");
      const there = known.get(code);
      const before = begun.get(code);
      const name = line.text("name") || before?.name || there?.name || code;
      const cell = line.text("size");
      const bad = cell
        .replaceAll("#", "")
        .split(/[;,\s]+/)
        .flatMap((s) => (isSize(s) ? [] : s.split("/")))
        .filter((s) => s && !isSize(s));
      if (bad.length > 0) line.says("size", `“${bad.join(" ")}” is no hook size`);
      const sizes = bad.length > 0 ? [] : sizesOf(cell);
      const measured = Object.fromEntries(
        figures.flatMap((f) => (line.number(f) === undefined ? [] : [[f, line.number(f)]])),
      );
      const isMeasured = Object.keys(measured).length > 0;
      if (isMeasured && sizes.length !== 1) line.says("size", "must be one alone where it is measured");
      const row = { size: sizes[0] ?? "", ...measured };
      const model = modelOf(line, name);
      const faults = [
        ...wrongIn(saveHook.params, { id: code }),
        ...wrongIn(saveHook.body, model),
        ...(isMeasured ? wrongIn(hookRowSchema, row) : []),
      ].map((w) => `${w.path}: ${w.detail}`);
      if (line.wrong.length > 0) return wrong(...line.wrong);
      if (faults.length > 0) return wrong(...faults);
      const kept = new Set([...(there?.rows.map((r) => r.size) ?? []), ...(before?.sizes ?? [])]);
      const fresh = sizes.filter((s) => !kept.has(s));
      begun.set(code, { name, sizes: new Set([...(before?.sizes ?? []), ...sizes]) });
      if (there && fresh.length === 0 && !isMeasured) return same(`the hook ${code} is there already`);
      const isNew = !there && !before;
      return {
        fate: isNew ? "new" : "changes",
        says: `${isNew ? `a new hook, ${name}` : `the hook ${code}`}${sizes.length > 0 ? `, ${sizes.length === 1 ? "size" : "sizes"} ${sizes.join(", ")}` : ""}${isMeasured ? ", measured" : ""}`,
        take: async (tx, person) => {
          if (isNew) await tx.getRepository(hookModelEntity).upsert({ id: code, ...model }, ["id"]);
          await keepSizes(tx, { id: code, name, sizes, drawer: line.text("drawer") || undefined });
          if (isMeasured) await keepRow(tx, code, row, person.id);
        },
      };
    },
  };
};
