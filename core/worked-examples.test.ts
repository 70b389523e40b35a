import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { startsFor, calibrate, issueQuantity, piecesToIssue } from "./learning";
import { hookAt, hookMass, placeAt, zoneOf, type HookGeometry, type HookModel, type Place } from "./hooks";
import { ceilTo } from "./numeric";
import {
  areaOf,
  bareProfile,
  beadMass,
  beadPasses,
  blendCharge,
  diameterAt,
  diameterAtPlace,
  dress,
  exchangeBead,
  feathersForFibres,
  feathersPerFly,
  fibresPerFeather,
  fliesPerPiece,
  fromSpool,
  lay,
  liquidVolume,
  pairs,
  ropeOf,
  ropeStrandLength,
  seat,
  stationsOf,
  strandOf,
  strandPieces,
  threadStrand,
  tieFly,
  wind,
  windAtSpot,
  type Profile,
  type StrandSize,
  type TyingStep,
} from "./tying";

/** Reference cases computed apart from this program; each says what it shows. */
interface Example {
  what: string;
  call: string;
  given: Given;
  gives: Record<string, unknown>;
}
/** Parsed JSON, with a different shape per call: as loose as the parser returns it, here in the test only. */
type Given = ReturnType<typeof JSON.parse>;

const examples = JSON.parse(readFileSync(new URL("./worked-examples.json", import.meta.url), "utf8")) as Example[];

const model = (h: Given): HookModel => ({
  id: "m",
  name: "m",
  shankSteps: h.xl ?? 0,
  wireSteps: h.heavy ?? 0,
  barbless: false,
  rows: h.rows ?? [],
  ...(h.landmarks && { landmarks: h.landmarks }),
});
const hookOf = (h: Given): HookGeometry => hookAt(model(h), h.size);
const sizeOf = (m: Given): StrandSize => ({
  section: m.section,
  width: m.width,
  thickness: m.thickness,
  core: m.core,
  density: m.density,
  lineDensity: m.line_density,
  capped: m.pile,
  pile: m.pile,
});
const bare = (g: Given): HookGeometry => ({ ...hookOf({ size: "12" }), shank: g.shank, gape: g.gape, wire: g.wire });

function profileOf(g: Given): Profile {
  const p = bareProfile(bare(g));
  for (const part of g.start ?? []) {
    const [a, b] = stationsOf(p, part.from, part.to);
    p.d.fill(part.diameter, a, b);
  }
  if (g.bead) seat(p, g.bead, 0);
  return p;
}
const look = (p: Profile, g: Given) => g.look_at.map((x: number) => diameterAt(p, x));
const rule = (s: Given) => ({ touching: s.touching, overlap: s.overlap, turns: s.turns, pitch: s.pitch });

function flyOf(g: Given) {
  const steps = g.steps.map((s: Given, i: number): TyingStep => {
    const base = {
      id: String(i),
      name: s.name,
      ...(s.tie_in && { tieIn: { at: s.tie_in.at, wraps: s.tie_in.wraps ?? 5 } }),
    };
    switch (s.do) {
      case "seat":
        return {
          ...base,
          do: "seat",
          from: s.from,
          count: 1,
          part: { diameter: s.diameter, length: s.length, mass: beadMass(s.diameter, s.density) },
        };
      case "lay":
        return {
          ...base,
          do: "lay",
          strand: strandOf(sizeOf(s.material)),
          strands: s.strands,
          from: s.from,
          to: s.to,
          strandLength: s.strand_length,
        };
      case "dress":
        return {
          ...base,
          do: "dress",
          from: s.from,
          to: s.to,
          rule: s.noodle ? { noodle: s.noodle } : { target: s.target },
          dubbing: { density: s.dubbing.density, lineDensity: s.dubbing.line_density },
        };
      case "whip":
        return { ...base, do: "whip", from: s.from, to: s.to, turns: s.turns, liquid: s.liquid, coats: s.coats };
      default:
        return {
          ...base,
          do: "wind",
          strand: s.material === "thread" ? "thread" : strandOf(sizeOf(s.material)),
          from: s.from,
          to: s.to,
          rule: rule(s),
          passes: s.passes,
          stretch: s.stretch,
          laid: s.lay,
          take: s.take && { bound: 0, trim: 0, grip: 0, ...s.take },
        };
    }
  });
  const fly = tieFly(hookOf(g.hook), g.thread, steps, { keepProfiles: true });
  const t = fly.threads[0]?.use;
  return {
    thread: t && {
      start_tag: t.startTag,
      windings: t.windings,
      tie_ins: t.tieIns,
      over_lays: t.overLays,
      under_dubbing: t.underDubbing,
      whip: t.whip,
      finish_tag: t.finishTag,
      total: t.total,
    },
    mass: fly.mass,
    warnings: fly.warnings,
    steps: fly.steps.map((s) => ({
      step: s.name,
      use: {
        count: s.count,
        length: s.length,
        turns: s.turns,
        pitch: s.pitch,
        cover: s.cover,
        growth: s.growth,
        use: s.use,
        strands: s.strands,
        length_each: s.lengthEach,
        volume: s.volume,
        mass: s.mass,
        equivalent_noodle: s.noodle,
        noodle: s.noodle,
        end_diameters: s.endDiameters,
        head_diameter: s.headDiameter,
        head_length: s.headLength,
        flies_per_feather: s.feathers && "fliesPerFeather" in s.feathers ? s.feathers.fliesPerFeather : undefined,
      },
      D: g.look_at.map((place: Place) =>
        diameterAt(
          { ...fly.profile, d: s.after as number[] },
          placeAt(place, fly.hook, s.do === "seat" ? 0 : fly.beadMm),
        ),
      ),
    })),
    last: diameterAtPlace(fly, { landmark: "bend" }),
  };
}

const calls: Record<string, (g: Given) => unknown> = {
  hook: hookOf,
  hook_mass: (g) => ({ mass: hookMass(hookOf(g)) }),
  position: (g) => ({ x: placeAt(g.at, hookOf(g.hook), g.bead_length ?? 0) }),
  zone: (g) => {
    const h = hookOf(g.hook);
    return zoneOf(placeAt(g.from, h, 0), placeAt(g.to, h, 0), h, g.bead_length);
  },
  area: (g) => ({ area: areaOf(sizeOf(g)) }),
  rope: (g) => {
    const r = ropeOf(strandOf(sizeOf(g.strand)), g.strands);
    return {
      ...r,
      area: r.area,
      each_strand: ropeStrandLength(g.rope_length, g.strands),
      // The figure of the rope's strands lying side by side, before the twist takes up length.
      line_density: r.massPerMm / 1.1,
    };
  },
  wind: (g) => {
    const p = profileOf(g);
    const strand = ropeOf(strandOf(sizeOf(g.material)), g.rope ?? 1);
    const zone =
      g.to === undefined ? { from: g.from } : g.to === g.from ? g : zoneOf(g.from, g.to, bare(g), g.bead?.length ?? 0);
    const w =
      g.to === g.from
        ? windAtSpot(p, strand, g.from, g.turns)
        : wind(p, strand, zone as { from: number }, rule(g), { stretch: g.stretch, passes: g.passes });
    return { ...w, per_pass: w.perPass, D: look(p, g) };
  },
  lay: (g) => {
    const p = profileOf(g);
    const length_each = lay(p, g.strands * areaOf(sizeOf(g.material)), g.from, g.to);
    return { strands: g.strands, length_each, D: look(p, g) };
  },
  dress: (g) => {
    const p = profileOf(g);
    const d = dress(
      p,
      { density: g.dubbing.density, lineDensity: g.dubbing.line_density },
      g as { from: number; to: number },
      g.noodle ? { noodle: g.noodle } : { target: g.target },
    );
    return {
      ...d,
      equivalent_noodle: d.noodle,
      end_diameters: d.endDiameters,
      warning: d.nothingToFill && "nothing-to-fill",
      D: look(p, g),
    };
  },
  seat: (g) => {
    const p = profileOf(g);
    seat(p, g as { diameter: number; length: number }, g.from);
    return { count: 1, D: look(p, g) };
  },
  from_spool: (g) => ({ use: fromSpool(g as { length: number }) }),
  from_pieces: (g) => {
    const k = fliesPerPiece(g as { piece: number }, g as { length: number }, Math.exp(g.m ?? 0));
    return { flies_per_piece: k, pieces: Math.ceil(g.flies / k) };
  },
  from_feather: (g) => {
    const f = feathersPerFly(g as { usable: number }, g as { length: number });
    return "feathersPerFly" in f ? { feathers_per_fly: f.feathersPerFly, feathers: f.feathersPerFly * g.flies } : f;
  },
  fibres_per_feather: (g) => ({
    fibres: fibresPerFeather({ span: g.span, perMm: g.per_mm, sides: g.sides, unusable: g.unusable }),
  }),
  fibres: (g) => ({
    fibres_each: g.count,
    fibres: g.uses * g.count,
    feathers: feathersForFibres(g.uses, g.count, g.per_feather),
  }),
  strands: (g) => {
    const s = strandPieces(g as { hank: number; piece: number; ends: number; folded: boolean });
    return { pieces_per_strand: s.piecesPerStrand, pieces_per_fly: s.piecesPerFly };
  },
  paired_feathers: (g) => {
    const p = pairs(g.left, g.right);
    return { pairs_by_class: p.byClass, pairs: p.total };
  },
  blend: (g) => {
    const b = blendCharge(g.mass, g.least_charge, g.fractions);
    return { ...b, left_over: b.leftOver };
  },
  thread_section: (g) => threadStrand(g as { denier: number; fibre: "polyester" }),
  liquid: (g) => ({ volume: liquidVolume(g.kind, g.head_diameter, g.head_length, g.coats) }),
  bead_mass: (g) => ({ mass: beadMass(g.diameter, g.density) }),
  bead_swap: (g) => {
    const b = exchangeBead({
      massOld: beadMass(g.old.diameter, g.old.density),
      massNew: beadMass(g.new.diameter, g.new.density),
      wire: { diameter: g.wire_diameter, density: g.wire_density },
      behindMm: g.behind_bead,
      roomMm: g.room,
    });
    return {
      mass_difference: b.difference,
      mass_per_turn: b.massPerTurn,
      turns_exact: b.turnsExact,
      turns: b.turns,
      fits: b.fits,
      turns_that_fit: b.turnsThatFit,
      missing: b.missing,
    };
  },
  bead_fits: (g) => ({
    passes_wire: beadPasses(g.bead.bore, g.wire),
    in_size_range: Number(g.size) >= Number(g.bead.largest_hook) && Number(g.size) <= Number(g.bead.smallest_hook),
  }),
  starts: (g) => ({ starts: startsFor(g.T, { good: g.alpha ?? 48, bad: g.beta ?? 2 }, g.q) }),
  pieces_to_issue: (g) => {
    const p = piecesToIssue(g.flies, g.per_fly ?? 1 / g.flies_per_piece, { good: g.alpha ?? 48, bad: g.beta ?? 2 });
    return { needed: p.needed, issue: p.issue };
  },
  calibration: (g) => calibrate(g.batches),
  quantity: (g) => {
    const known = { m: g.m ?? 0, v: g.v ?? 0.04, batches: 0 };
    const q = issueQuantity(g.flies, g.use, known, g.q ?? 0.9);
    return { quantity: q.issue, mean: q.expected, issued: ceilTo(q.issue, g.step) };
  },
  fly: flyOf,
};

/** The names under which the reference reports a refusal, and ours. */
const refusals: Record<string, string> = {
  "size-too-far": "HOOK_SIZE_TOO_FAR",
  "nothing-left-of-zone": "ZONE_UNDER_BEAD",
  "cover-above-12": "TOO_MANY_TURNS",
  "too-little-known": "TOO_LITTLE_KNOWN",
};

function expectLike(actual: unknown, expected: unknown, path: string): void {
  if (typeof expected === "number") {
    const close = Math.abs((actual as number) - expected) <= Math.max(1e-9, Math.abs(expected) * 1e-5);
    expect(close, `${path}: ${String(actual)} is not ${expected}`).toBe(true);
  } else if (typeof expected === "object" && expected !== null) {
    for (const [key, value] of Object.entries(expected)) expectLike((actual as Given)?.[key], value, `${path}.${key}`);
  } else expect(actual, path).toEqual(expected);
}

describe("worked examples", () => {
  test("there are as many as were written down", () => expect(examples.length).toBeGreaterThanOrEqual(61));

  test.each(examples.map((e) => [`${e.call}: ${e.what}`, e] as const))("%s", (_name, example) => {
    const run = calls[example.call];
    if (!run) throw new Error(`no call named ${example.call}`);
    if (typeof example.gives.error === "string") {
      expect(() => run(example.given)).toThrow(expect.objectContaining({ code: refusals[example.gives.error] }));
      return;
    }
    expectLike(run(example.given), example.gives, example.call);
  });
});
