import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { DomainError } from "../errors";
import { hookAt, type HookModel } from "../hooks";
import { bareProfile, diameterAt, dress, lay, strandOf, threadStrand, tieFly, wind, type TyingStep } from ".";

const model: HookModel = { id: "m", name: "m", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] };
const sizes = ["22", "20", "18", "16", "14", "12", "10", "8", "6", "4", "2", "1/0", "3/0"];
const size = fc.constantFrom(...sizes);
const wire = strandOf({ section: "round", width: 0.14, thickness: 0.14, density: 8.96 });
const dubbing = { density: 0.35, lineDensity: 0.1 };
const at = (s: string) => hookAt(model, s);

const nymph = (turns: number, full: number): TyingStep[] => [
  {
    id: "base",
    name: "base",
    do: "wind",
    strand: "thread",
    from: { eyeLengths: 0.5 },
    to: { landmark: "bend" },
    rule: { touching: true },
  },
  {
    id: "rib-in",
    name: "rib in",
    do: "lay",
    strand: wire,
    strands: 1,
    from: { fraction: 0.4 },
    to: { landmark: "bend" },
    tieIn: { at: { landmark: "bend" }, wraps: 4 },
  },
  {
    id: "body",
    name: "body",
    do: "dress",
    from: { fraction: 0.4 },
    to: { landmark: "bend" },
    rule: { target: [full, full / 2] },
    dubbing,
  },
  {
    id: "rib",
    name: "rib",
    do: "wind",
    strand: wire,
    from: { fraction: 0.4 },
    to: { landmark: "bend" },
    rule: { turns },
    take: { from: "spool", bound: 3, trim: 20 },
  },
  { id: "whip", name: "whip", do: "whip", from: { eyeLengths: 0.2 }, to: { eyeLengths: 1 }, turns: 5, coats: 0 },
];
const tie = (s: string, turns: number, full = 2) =>
  tieFly(at(s), { denier: 70, fibre: "polyester" }, nymph(turns, full));

describe("a tapered noodle", () => {
  const hook = hookAt(model, "12");
  const zoneOfIt = { from: 2, to: 8 };
  const fur = { density: 0.35, lineDensity: 0.1 };
  const dubbed = (taper?: number[], zone: { from: number; to: number; turned?: boolean } = zoneOfIt) => {
    const profile = bareProfile(hook);
    const { volume } = dress(profile, fur, zone, { noodle: 40, ...(taper && { taper }) });
    return { volume, at: (x: number) => diameterAt(profile, x), profile };
  };
  const volumeIn = (p: ReturnType<typeof dubbed>["profile"]): number =>
    p.d.reduce((sum, d) => sum + (Math.PI / 4) * (d * d - hook.wire ** 2) * p.step, 0);
  test("lays the same volume, as much at either end as it says", () => {
    const even = dubbed();
    const tapered = dubbed([1, 3]);
    expect(tapered.volume).toBe(even.volume);
    expect(volumeIn(tapered.profile)).toBeCloseTo(volumeIn(even.profile), 6);
    const added = (x: number) => tapered.at(x) ** 2 - hook.wire ** 2;
    // At the twentieth and the last twentieth: (1 + 2 · 0.95) to (1 + 2 · 0.05).
    expect(added(7.7) / added(2.3)).toBeCloseTo(2.9 / 1.1, 1);
    expect(added(5)).toBeCloseTo(even.at(5) ** 2 - hook.wire ** 2, 1);
  });
  test("of one to one is even", () => expect(dubbed([2, 2]).at(3)).toBeCloseTo(dubbed().at(3), 9));
  test("begins at the end that is named first", () => {
    const [forward, turned] = [dubbed([1, 3]), dubbed([3, 1], { ...zoneOfIt, turned: true })];
    for (const x of [2.5, 5, 7.5]) expect(turned.at(x)).toBeCloseTo(forward.at(x), 9);
  });
  test("may be fullest in its middle", () => {
    const cigar = dubbed([0.2, 1, 0.2]);
    expect(cigar.at(5)).toBeGreaterThan(cigar.at(2.2));
    expect(cigar.at(5)).toBeGreaterThan(cigar.at(7.8));
  });
});

describe("what must always hold at the vise", () => {
  test("more turns never use less", () =>
    fc.assert(
      fc.property(size, fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 6 }), (s, turns, more) => {
        const [few, many] = [tie(s, turns), tie(s, turns + more)].map(
          (f) => f.steps.find((x) => x.id === "rib")?.use ?? 0,
        );
        expect(many).toBeGreaterThanOrEqual(few ?? 0);
      }),
    ));

  test("a larger hook never uses less of anything, for proportions that follow the hook", () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: sizes.length - 2 }), fc.integer({ min: 2, max: 9 }), (i, turns) => {
        const [small, large] = [sizes[i] ?? "", sizes[i + 1] ?? ""];
        const [a, b] = [tie(small, turns, 0.4 * at(small).gape), tie(large, turns, 0.4 * at(large).gape)];
        expect(b.threads[0]?.use.total).toBeGreaterThan(a.threads[0]?.use.total ?? 0);
        expect(b.mass.total).toBeGreaterThan(a.mass.total);
        for (const step of ["body", "rib"]) {
          const used = [a, b].map((f) => f.steps.find((s) => s.id === step)).map((s) => s?.mass ?? s?.use ?? 0);
          expect(used[1], step).toBeGreaterThanOrEqual(used[0] ?? 0);
        }
      }),
    ));

  test("two neighbouring zones use what the whole zone uses", () =>
    fc.assert(
      fc.property(size, fc.double({ min: 0.2, max: 0.7, noNaN: true }), (s, cut) => {
        const hook = at(s);
        const [p, q] = [bareProfile(hook), bareProfile(hook)];
        const [from, to, middle] = [0.1 * hook.shank, hook.shank, cut * hook.shank];
        const whole = wind(p, wire, { from, to }, { touching: true }).length;
        const parts =
          wind(q, wire, { from, to: middle }, { touching: true }).length +
          wind(q, wire, { from: middle, to }, { touching: true }).length;
        expect(parts).toBeCloseTo(whole, 6);
        expect(q.d).toEqual(p.d);
      }),
    ));

  test("dubbing by noodle and by fullness agree: the noodle that fullness names holds the same volume", () =>
    fc.assert(
      fc.property(size, fc.double({ min: 0.25, max: 0.6, noNaN: true }), (s, share) => {
        const hook = at(s);
        const zone = { from: 0.3 * hook.shank, to: hook.shank };
        const full = dress(bareProfile(hook), dubbing, zone, { target: [share * hook.gape, share * hook.gape] });
        const noodle = dress(bareProfile(hook), dubbing, zone, { noodle: full.noodle });
        expect(noodle.volume).toBeCloseTo(full.volume, 6);
        expect(noodle.endDiameters[0]).toBeCloseTo(share * hook.gape, 6);
      }),
    ));

  test("binding strands down one after another is binding them together", () => {
    const [p, q] = [bareProfile(at("12")), bareProfile(at("12"))];
    lay(p, 5 * wire.area, 3, 8);
    for (let i = 0; i < 5; i++) lay(q, wire.area, 3, 8);
    q.d.forEach((d, i) => expect(d).toBeCloseTo(p.d[i] ?? 0, 9));
  });

  const refusals: [string, TyingStep, string][] = [
    [
      "a zone over the eye",
      {
        id: "x",
        name: "too far forward",
        do: "wind",
        strand: "thread",
        from: { fraction: -0.1 },
        to: { landmark: "bend" },
        rule: { touching: true },
      },
      "ZONE_OVER_EYE",
    ],
    [
      "a zone past the hook",
      {
        id: "x",
        name: "too far back",
        do: "wind",
        strand: wire,
        from: { fraction: 0.9 },
        rule: { touching: true, turns: 60 },
      },
      "ZONE_BEYOND_PROFILE",
    ],
    [
      "two ways of stating the turns",
      {
        id: "x",
        name: "twice said",
        do: "wind",
        strand: wire,
        from: { fraction: 0.2 },
        to: { landmark: "bend" },
        rule: { turns: 5, pitch: 1 },
      },
      "WIND_RULE_INVALID",
    ],
    [
      "a noodle of no length",
      {
        id: "x",
        name: "no noodle",
        do: "dress",
        from: { fraction: 0.2 },
        to: { landmark: "bend" },
        rule: { noodle: 0 },
        dubbing,
      },
      "FIGURE_OUT_OF_BOUNDS",
    ],
    [
      "a feather too short to tie in",
      {
        id: "x",
        name: "short feather",
        do: "wind",
        strand: wire,
        from: { fraction: 0.2 },
        to: { landmark: "bend" },
        rule: { pitch: 1 },
        take: { from: "feather", usable: 20, grip: 15, bound: 6 },
      },
      "FEATHER_TOO_SHORT",
    ],
    [
      "a stretch below one",
      {
        id: "x",
        name: "pushed",
        do: "wind",
        strand: wire,
        from: { fraction: 0.2 },
        to: { landmark: "bend" },
        rule: { touching: true },
        stretch: 0.5,
      },
      "STRETCH_INVALID",
    ],
  ];
  test.each(refusals)("refuses %s, and names the step", (_what, step, code) => {
    try {
      tieFly(at("12"), { denier: 70, fibre: "polyester" }, [step]);
      expect.unreachable();
    } catch (error) {
      expect(error).toBeInstanceOf(DomainError);
      expect(error).toMatchObject({ code, step: { name: step.name } });
    }
  });

  test("two threads are counted apart, each with its own tags", () => {
    const steps: TyingStep[] = [
      {
        id: "a",
        name: "base",
        do: "wind",
        strand: "thread",
        from: { fraction: 0.2 },
        to: { landmark: "bend" },
        rule: { touching: true },
      },
      { id: "b", name: "change", do: "thread", thread: { denier: 140, fibre: "nylon" } },
      {
        id: "c",
        name: "head",
        do: "wind",
        strand: "thread",
        from: { eyeLengths: 0.2 },
        to: { fraction: 0.2 },
        rule: { touching: true },
      },
    ];
    const fly = tieFly(at("8"), { denier: 70, fibre: "polyester" }, steps);
    expect(fly.threads).toHaveLength(2);
    const head = fly.threads[1]?.use;
    expect(head?.total).toBeCloseTo(1.15 * (80 + 160 + (head?.windings ?? 0)), 9);
    expect(threadStrand({ denier: 140, fibre: "nylon" }).area).toBeGreaterThan(
      threadStrand({ denier: 70, fibre: "polyester" }).area,
    );
  });

  test("warns when the body crowds the point, naming the step that does it", () => {
    const fat = tieFly(at("12"), { denier: 70, fibre: "polyester" }, nymph(5, 4));
    expect(fat.warnings).toEqual([expect.objectContaining({ code: "POINT_NOT_CLEAR", step: "body" })]);
  });
});
