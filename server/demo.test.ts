import { missingWords, orderWords, sentenceOf, warningSentence } from "@kasten/core/sentences";
import { sayPlace } from "@kasten/core/words";
import { describe, expect, test } from "vitest";
import { drawFly } from "@kasten/core/drawing";
import { basePerCore } from "@kasten/core/units";
import { methodDifferences, minutesWorking, requirementsOf, weightWorking, workingOf } from "@kasten/core/needs";
import { allowedFor, missingFrom, orderFaults } from "@kasten/core/recipe";
import { benchStepOf, checksOf, threadWay } from "@kasten/core/bench";
import { composeFly, headRoomOf, proportionsOf, tieInsOf, type ComposedFly } from "@kasten/core/fly";
import { demoCabinet, demoFlies } from "./testing/demo";

const cabinet = demoCabinet();
const flies = demoFlies(cabinet).map((f) => ({
  ...f,
  label: `${f.name} ${f.choice.size} ${f.choice.variant} ${f.choice.form}`,
}));
const tied = new Map<string, ComposedFly>(
  flies.map((f) => [f.label, composeFly(f.recipe, f.choice, f.model, cabinet.materials, { keepProfiles: true })]),
);
const oneOfEach = [...new Map(flies.map((f) => [f.name, f])).values()];
const of = (label: string): ComposedFly => tied.get(label) as ComposedFly;
/** Something is looked at for every fly of the demo room; what is wrong is named with its fly. */
const everywhere = (look: (fly: ComposedFly, f: (typeof flies)[number]) => string[]): string[] =>
  flies.flatMap((f) => look(of(f.label), f).map((fault) => `${f.label}: ${fault}`));

describe("whatever fly of the demo room", () => {
  test("there are many, of every technique", () => {
    expect(flies.length).toBeGreaterThan(50);
    const forms = new Set([...tied.values()].flatMap((f) => f.parts.map((p) => p.material.form)));
    for (const form of [
      "bead",
      "eyes",
      "weight wire",
      "wire",
      "tinsel",
      "floss",
      "yarn",
      "chenille",
      "herl",
      "stretch body",
      "hackle",
      "feather fibre",
      "quill",
      "hair",
      "flash",
      "dubbing",
      "blend",
      "extended body",
      "liquid",
    ])
      expect(forms, form).toContain(form);
  });

  test("needs no less than it uses: issue ≥ expected, in whole units of the drawer, with words", () => {
    expect(
      everywhere((fly) =>
        requirementsOf(fly, 48).flatMap((r) => {
          const faults: string[] = [];
          if (!(r.perFly > 0 && Number.isFinite(r.perFly))) faults.push(`${r.key} takes ${r.perFly}`);
          if (!Number.isInteger(r.issue) || r.issue < r.net) faults.push(`${r.key} issues ${r.issue} for ${r.net}`);
          if (!/\d/.test(r.words)) faults.push(`${r.key} is said as “${r.words}”`);
          return faults;
        }),
      ),
    ).toEqual([]);
  });

  test("every number opens a working that ends in it", () => {
    expect(
      everywhere((fly) =>
        requirementsOf(fly, 48).flatMap((r) => {
          const w = workingOf(r, fly, 48);
          const base = r.cutTo === undefined ? basePerCore[r.unit] : r.cutTo * basePerCore.um;
          return Math.abs(w.result.value - r.issue / (r.unit === "count" ? 1 : base)) > 1e-6 ||
            (w.parts ?? []).length !== r.uses.length
            ? [`${r.key}: ${w.result.value} for ${r.issue}`]
            : [];
        }),
      ),
    ).toEqual([]);
    expect(
      everywhere((fly) =>
        Math.abs(weightWorking(fly).inputs.reduce((s, i) => s + i.value, 0) - fly.tied.mass.total) > 1e-6
          ? ["weight"]
          : [],
      ),
    ).toEqual([]);
    expect(
      everywhere((fly) =>
        Math.abs(minutesWorking(fly).inputs.reduce((s, i) => s + i.value, 0) - fly.minutes) > 1e-6 ? ["minutes"] : [],
      ),
    ).toEqual([]);
  });

  test("twice the flies need no more than twice the materials, and never less than once", () => {
    expect(
      everywhere((fly) => {
        const [one, two] = [requirementsOf(fly, 36), requirementsOf(fly, 72)];
        return one.flatMap((r, i) => {
          const more = two[i]?.issue ?? 0;
          return more < r.issue || more > 2 * r.issue + basePerCore[r.unit] * 10
            ? [`${r.key}: ${r.issue}, then ${more}`]
            : [];
        });
      }),
    ).toEqual([]);
  });

  test("is drawn of finite points, inside its box, with the hook's landmarks in their order", () => {
    expect(
      everywhere((fly, f) => {
        const {
          shapes,
          box: [x, y, w, h],
          landmarks,
        } = drawFly(fly, { seed: f.name });
        const faults: string[] = [];
        for (const s of shapes)
          for (const [px, py] of s.kind === "disc" ? [s.at] : s.points)
            if (!(px >= x - 1e-6 && px <= x + w + 1e-6 && py >= y - 1e-6 && py <= y + h + 1e-6))
              faults.push(`${s.kind} of ${s.step ?? "the hook"} at ${px}, ${py}`);
        const mm = landmarks.filter((l) => ["point", "barb", "bend"].includes(l.name)).map((l) => l.mm);
        if ([...mm].sort((a, b) => a - b).join() !== mm.join()) faults.push(`landmarks ${mm.join()}`);
        return faults.slice(0, 2);
      }),
    ).toEqual([]);
  });

  test("has its lengths, tie-ins, thread and head room on its own hook", () => {
    expect(
      everywhere((fly) => {
        const end = fly.hook.shank + 0.5 * fly.hook.gape;
        return [
          ...proportionsOf(fly)
            .filter((p) => !(p.mm > 0))
            .map((p) => `${p.part} is ${p.mm} mm`),
          ...threadWay(fly)
            .filter((t) => !(t.hangsAt >= 0 && t.hangsAt <= end && t.place))
            .map((t) => `thread at ${t.hangsAt}`),
          ...tieInsOf(fly)
            .filter((t) => t.wraps < t.steps.length)
            .map((t) => `${t.wraps} wraps at ${sayPlace(t.place)}`),
          ...(headRoomOf(fly) && (headRoomOf(fly)?.leftMm ?? 0) < -1e-9 ? ["head room"] : []),
          ...fly.steps.flatMap((s) => (benchStepOf(fly, s, "left").words ? [] : [`${s.name} has no words`])),
          ...(checksOf(fly).length < 2 ? ["no checks"] : []),
        ];
      }),
    ).toEqual([]);
  });

  test("is as its makers mean it: nothing missing, in a right order, with no warning", () => {
    expect(
      everywhere((fly, f) => [
        ...missingFrom(f.recipe).map(missingWords),
        ...orderFaults(f.recipe).map((o) => orderWords({ ...o, ...o.names })),
        ...fly.tied.warnings.map(warningSentence),
      ]),
    ).toEqual([]);
  });

  // Each by itself, as every way of a fly is computed twice over.
  test.each(oneOfEach)(
    "$name: another way and back again changes nothing, and every way that cannot be tied says why",
    (f) => {
      const request = { recipe: f.recipe, choice: f.choice, model: f.model, materials: cabinet.materials };
      for (const d of methodDifferences(request, 24)) {
        if (d.fault !== undefined) {
          expect(sentenceOf(d.fault).length, d.other.id).toBeGreaterThan(10);
          continue;
        }
        const there = { ...request, choice: { ...f.choice, methods: { [`${d.step}/${d.question}`]: d.other.id } } };
        const back = methodDifferences(there, 24).find(
          (b) => b.step === d.step && b.question === d.question && b.other.id === d.current.id,
        );
        expect(
          back?.differences.map((x) => [x.key, x.material, x.after, x.before]),
          `${d.stepName}, ${d.other.id}`,
        ).toEqual(d.differences.map((x) => [x.key, x.material, x.before, x.after]));
        expect((back?.minutes ?? NaN) + d.minutes).toBeCloseTo(0, 6);
      }
    },
  );

  test("what may take a place is in the cabinet, and never the material itself", () => {
    expect(
      everywhere((fly, f) =>
        fly.parts.flatMap((p) => {
          const c = f.recipe.components.find((x) => x.id === p.component);
          return c
            ? allowedFor(c, p.material, cabinet.materials)
                .filter((a) => a.material === p.material.code || !cabinet.materials.has(a.material))
                .map((a) => `${p.role}: ${a.material}`)
            : [];
        }),
      ),
    ).toEqual([]);
  });
});
