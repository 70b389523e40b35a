import { describe, expect, test } from "vitest";
import { read as readAll } from "./corpus/reading";

const read = (...lines: string[]) => readAll(lines.join("\n"));
/** The steps in their order, each with its part. */
function told(...lines: string[]) {
  const { recipe, lines: out } = read(...lines);
  const roleOf = new Map(recipe.components.map((c) => [c.id, c.role]));
  const steps = recipe.steps.map((s) => ({ ...s, role: roleOf.get(s.component ?? "") }));
  return {
    recipe,
    steps,
    asks: out.flatMap((l) => l.asks.map((a) => a.sentence)),
    of: (role: string) => steps.filter((s) => s.role === role),
  };
}

describe("a list of parts, and the steps that tie them", () => {
  const nymph = [
    "Hook: nymph 12-16",
    "Bead: 2.5 mm gold",
    "Thread: 70 denier brown",
    "Tail: brown hackle fibres",
    "Rib: fine gold wire",
    "Body: pheasant tail fibres",
    "Collar: orange dubbing",
  ];
  const steps = [
    "1. Slide the bead onto the hook and secure it in your vise.",
    "2. Start the thread behind the bead and take a thread base to the bend.",
    "3. Tie in 5-6 hackle fibres to form a tail about half a shank in length.",
    "4. Tie in the wire along the far side of the shank.",
    "5. Tie in 5 pheasant tail fibres by their tips, and advance the thread to the thorax.",
    "6. Wrap the fibres forward to the thorax, tie off and trim.",
    "7. Counter-wrap the wire with 5 turns and helicopter off the tag end.",
    "8. Apply orange dubbing to the thread and dub a hot collar right behind the bead.",
    "9. Whip finish.",
  ];

  test("each part is tied once, by its step", () => {
    const { of, asks } = told(...nymph, ...steps);
    expect(asks).toEqual([]);
    expect(of("tail").map((s) => s.do)).toEqual(["lay"]);
    expect(of("tail")[0]).toMatchObject({ spread: [5, 6], shown: { of: "shank", times: 0.5 } });
    expect(of("body").map((s) => s.do)).toEqual(["lay", "wind"]);
    expect(of("body")[1]).toMatchObject({ rope: 5 });
    expect(of("rib")[1]).toMatchObject({ rule: { turns: 5 }, counter: true });
    expect(of("collar").map((s) => s.do)).toEqual(["dress"]);
  });

  test("by one word of its name, by its kind of feather, and one each side said twice", () => {
    const { of, asks } = told(
      "Hook: streamer 2",
      "Thread: white 6/0",
      "Tail: two pairs of white saddle hackles, 50 mm",
      "Cheeks: mallard flank, one each side",
      "Collar: cdc, dun",
      "Tie in the saddles, curving inwards.",
      "Tie in a mallard flank feather on each side, a third as long as the hook.",
      "Tie in one cdc feather by the tip, wind two turns.",
    );
    expect(asks).toEqual([]);
    expect(of("hackle")).toEqual([]);
    expect(of("tail")).toMatchObject([{ amount: { feathers: 4, paired: true }, shown: { mm: 50 } }]);
    expect(of("cheeks")).toMatchObject([{ amount: { feathers: 2 } }]);
    expect(of("collar").map((s) => s.do)).toEqual(["lay", "wind"]);
  });

  test("the base lies beneath what the list has named", () => {
    const { steps: made } = told(
      "Hook: wet 12",
      "Thread: olive 8/0",
      "Rib: small copper wire",
      "Body: hare fur",
      "Start the thread at the eye and wind to the bend",
    );
    const base = made.findIndex((s) => s.role === "thread");
    expect(base).toBeGreaterThanOrEqual(0);
    expect(base).toBeLessThan(made.findIndex((s) => s.role === "rib"));
  });

  test("a beard of what the list called legs is those legs, so many and so long", () => {
    const { of } = told(
      "Hook: nymph 12",
      "Thread: olive 8/0",
      "Legs: brown partridge, 6-8 fibres, to the hook point",
      "Tie in the partridge as a beard",
    );
    expect(of("throat")).toEqual([]);
    expect(of("legs")).toMatchObject([{ do: "lay", spread: [6, 8], attitude: "down" }]);
  });

  test("a thorax that a loop dubs is dubbed once; wing pads lie beside the body", () => {
    const { of } = told(
      "Hook: nymph 12",
      "Thread: olive 8/0",
      "Body: olive fur",
      "Wing pads: two black duck primary slips 3 mm wide",
      "Thorax: dark brown squirrel, spun in a loop",
      "A slip of black duck on each side, reaching halfway along the body",
      "Make a 40 mm loop, spin the squirrel in it and take three turns behind the eye",
    );
    expect(of("thorax")).toHaveLength(1);
    expect(of("wing")).toEqual([]);
    expect(of("wing case")).toMatchObject([{ do: "lay", amount: { slipWidth: { mm: 3 } } }]);
    expect(of("wing case")[0]).not.toHaveProperty("hanging");
  });

  test("behind a heading a list in one line is one, and what is left out is left out", () => {
    const { recipe, of, asks } = told(
      "Dressing: hook 10-14 wet; thread claret 6/0; tail: none; rib fine oval gold; body claret seal's fur",
      "Method: Tie in at the eye and wind to the bend. Catch in the rib. Dub the fur on and wind it to a little behind the eye. Rib in four or five open turns.",
    );
    expect(asks).toEqual([]);
    expect(recipe.sizes).toEqual({ from: "10", to: "14" });
    expect(of("tail")).toEqual([]);
    expect(of("rib").map((s) => s.do)).toEqual(["lay", "wind"]);
    expect(of("body")).toHaveLength(1);
  });

  test("a care adds no step, and the feathers of the list are not others of the cabinet", () => {
    const { recipe, of } = told(
      "Hook: dry 14",
      "Wing: two dun cdc feathers",
      "Hackle: ginger cock, 3 turns",
      "Tie in the cdc feathers at mid-shank.",
      "Keep the hackle sparse!",
    );
    expect(of("hackle")).toHaveLength(1);
    expect(of("wing")).toMatchObject([{ amount: { feathers: 2 } }]);
    expect(recipe.components.filter((c) => c.role === "wing")).toHaveLength(1);
  });
});

describe("what was read otherwise than it was said", () => {
  test("a slip on each side is two, and “at that point” is not the hook's", () => {
    const { steps } = told("Hook: wet 12", "Tie in a slip of goose on each side for a wing, 2 mm wide, at that point");
    expect(steps[0]).toMatchObject({ do: "lay" });
    expect(JSON.stringify(steps)).not.toContain('"point"');
  });

  test("a head that is built up stays a head", () => {
    const { steps } = told(
      "Hook: streamer 2",
      "Thread: white 140",
      "Build the head up with thread until it is 6 mm thick",
    );
    expect(steps).toMatchObject([{ do: "wind", fill: [{ mm: 6 }, { mm: 6 }], from: { eyeLengths: 0.2 } }]);
  });

  test("a number and a bead that are corrected, with what was taken back kept", () => {
    const tail = told("Hook: dry 14", "Tail: three cock hackle fibres - no, make it four - as long as the shank");
    expect(tail.of("tail")).toMatchObject([{ amount: { fibres: 4 } }]);
    const bead = told("Hook: nymph 14", "White tungsten... no sorry, clear glass bead.");
    expect(bead.of("bead")).toHaveLength(1);
    expect(bead.asks).toEqual([]);
  });

  test("a base to deep in the bend, and thread by its number", () => {
    const { recipe, steps } = told("Hook: nymph 12", "Wind 210 denier white thread deep into the bend");
    expect(steps).toMatchObject([{ do: "wind", to: { landmark: "intoBend" } }]);
    const thread = recipe.components.find((c) => c.role === "thread")?.material[0]?.value ?? "";
    expect(read("Hook: nymph 12", "Wind 210 denier white thread deep into the bend").newMaterials).toMatchObject([
      { code: thread, thread: { denier: 210 } },
    ]);
  });
});

describe("lead that a list tells, and a step only puts on", () => {
  const list = ["Hook: D1 12", "Bead: 3 mm brass", "Thread: black", "Weight: 12 turns 0.5 mm lead", "Steps"];
  test.each([
    "Put the bead on, then the lead",
    "Bead on, lead on.",
    "Lead on, and push it up behind the bead.",
    "Wind the lead and push it up behind the bead.",
  ])("%s", (line) => {
    const { of } = told(...list, line);
    expect(of("weight")).toHaveLength(1);
    expect(of("weight")[0]).toMatchObject({ do: "wind", rule: { turns: 12 } });
    expect(of("bead")).toHaveLength(1);
  });
  test("no bead is of the lead behind it", () => {
    const { of, asks } = told("Hook: D1 12", "Thread: black", "Bead, then 12 turns of lead pushed into it");
    expect(of("weight")[0]).toMatchObject({ rule: { turns: 12 }, intoBead: true });
    expect(of("bead")).toEqual([]);
    expect(asks).toEqual(["Of what is the bead made? Name the material."]);
  });
});

describe("a whole recipe in one breath", () => {
  const story =
    "How I tie the little red larva: on a size 20 curved hook I start red thread behind the eye and run it well into the bend in touching turns. There I catch in a single strand of fine silver wire. The body is just the thread, two layers. Wire forward in 6 open turns.";
  test("its name ends at the colon, and nothing behind it is lost", () => {
    const { recipe, steps, asks } = told(story);
    expect(read(story).name).toBe("little red larva");
    expect(recipe.sizes).toMatchObject({ from: "20" });
    expect(asks).toEqual([]);
    expect(steps.map((s) => s.role)).toEqual(["thread", "rib", "body", "rib"]);
    expect(steps.at(-1)).toMatchObject({ rule: { turns: 6 } });
    expect(steps.at(-1)).not.toHaveProperty("passes");
  });
});

describe("what is told of several at once", () => {
  const bench = ["Hook: W1 10", "Thread: black"];
  test("one verb ties in all of a list", () => {
    const { steps } = told(...bench, "Tie in copper wire, a brown saddle by the tip and black chenille");
    expect(steps.map((s) => [s.do, s.role])).toEqual([
      ["lay", "rib"],
      ["lay", "hackle"],
      ["lay", "body"],
    ]);
  });
  test("both halves of a body are as thin", () => {
    const { of } = told(...bench, "Body: rear third orange seal, front two thirds claret seal, both thin");
    const [rear, front] = of("body");
    expect(rear).toMatchObject({ fullness: front && "fullness" in front ? front.fullness : undefined });
  });
  test("a collar that is of thread stands at the front", () => {
    const { of } = told(...bench, "Body: hare fur", "Thread collar, 5 turns");
    expect(of("collar")[0]).toMatchObject({ do: "wind", rule: { turns: 5 } });
    expect(of("butt")).toEqual([]);
  });
});
