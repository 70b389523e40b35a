import { describe, expect, test } from "vitest";
import { asksOf, read } from "./corpus/reading";

const dry = "Hook: dry 12\nThread: brown 70\n";
const lays = (text: string) => read(dry + text).recipe.steps.flatMap((s) => (s.do === "lay" ? [s] : []));

describe("sentences that only say more of what a line has laid", () => {
  test("its length and how it stands", () => {
    const [wing, ...others] = lays(
      "Wing: a clump of deer hair as thick as a wooden match. One shank long. Tips forward over the eye.",
    );
    expect(others).toEqual([]);
    expect(wing).toMatchObject({ amount: { clump: { mm: 2 } }, shown: { of: "shank", times: 1 }, attitude: "forward" });
  });

  test("the turns that hold what is never wound", () => {
    const [wing] = lays("Tie in a clump of 2 mm of elk hair for the wing, reaching the bend. Eight tight turns.");
    expect(wing?.tieIn?.wraps).toBe(8);
  });

  test("also of a bunch of soft fibres", () => {
    const [tail] = lays("Tie in a clump of 1.5 mm of olive marabou at the bend. Half a shank long. Eight tight turns.");
    expect(tail).toMatchObject({ shown: { of: "shank", times: 0.5 }, tieIn: { wraps: 8 } });
  });

  test("of what is wound as well: one hackle, and not three", () => {
    const { recipe } = read(`${dry}Hackle: grizzly, tied in at the eye. 3 turns. 1.5 gapes.`);
    expect(recipe.steps.filter((s) => s.do === "wind")).toMatchObject([
      {
        rule: { turns: 3 },
        barb: [
          { of: "gape", times: 1.5 },
          { of: "gape", times: 1.5 },
        ],
      },
    ]);
  });

  test("a care in a sentence of its own asks for no other amount", () => {
    expect(asksOf(`${dry}Wing: 20 deer hairs, a shank long. Do not crowd the eye.`)).toEqual([]);
  });

  test("a second length is no more of the first", () => {
    const text = `${dry}Wing: clump of 2 mm of deer hair, one shank long. Twice the gape long.`;
    expect(asksOf(text)).not.toEqual([]);
  });

  test("a strip over the back is a cover that a later line pulls over", () => {
    const reading = read(
      "Hook: pupa 14\nThread: olive 70\nclear stretch film 3 mm over back\nbody: olive hare\npull film over",
    );
    const cover = reading.recipe.components.find((c) => c.role === "wing case");
    const taken = reading.recipe.steps.find((s) => s.do === "lay" && s.component === cover?.id && s.tiedIn);
    expect(taken).toBeDefined();
    expect(reading.recipe.steps.filter((s) => s.component === cover?.id && s.do === "wind")).toEqual([]);
  });

  test("slips that a later line pulls over by their stuff are a wing case", () => {
    const reading = read(
      "Hook: nymph 10\nThread: brown 70\nBody: brown hare to mid-shank\nTie in a strip of turkey tail 4 mm wide\n" +
        "Dub the thorax\nPull the turkey over the top and tie it down",
    );
    expect(reading.recipe.components.map((c) => c.role)).toContain("wing case");
    expect(reading.recipe.components.map((c) => c.role)).not.toContain("wing");
  });

  test("a drop on the knot is the finish", () => {
    expect(read(`${dry}Whip finish twice and add a drop of head cement.`).recipe.finish).toMatchObject({
      state: "given",
      coats: 1,
    });
    expect(read(`${dry}Body: hare\nAdd a drop of glue at mid-shank`).recipe.finish.state).toBe("not stated");
  });
});

describe("one thing that is told in two ways", () => {
  const dressed = (text: string) => read(dry + text).recipe.steps.flatMap((s) => (s.do === "dress" ? [s] : []));

  test("a body that is named and then dubbed is dubbed once", () => {
    expect(dressed("body: 2 parts orange hare 1 part pink, dub fat in the middle")).toHaveLength(1);
  });

  test("the dubbed silk that is wound back in so many turns is no winding of the thread", () => {
    const reading = read(
      "Hook: wet 14\nSilk: yellow\nRun the silk to the bend\nDub mole fur on 40 mm of silk and wind back in four open turns to the eye",
    );
    expect(reading.recipe.steps.map((s) => s.do)).toEqual(["wind", "dress"]);
  });

  test("foam that is folded forward in segments is bound down at each", () => {
    const [, over] = lays(
      "Body: 2 mm foam 5 mm wide, tie it in at the bend and fold it forward in four segments, 3 wraps each.",
    );
    expect(over?.tieIn?.wraps).toBe(12);
  });

  test("halves of a body need no colon, and are no tag of the same floss", () => {
    const reading = read(
      "Hook: wet 10\nThread: black\nTag: yellow floss, 3 turns\nRear half of body yellow floss, front half black floss",
    );
    const parts = reading.recipe.steps.map((s) => reading.recipe.components.find((c) => c.id === s.component)?.role);
    expect(parts).toEqual(["tag", "body", "body"]);
  });

  test("a length may be that of two parts together", () => {
    const [, wing] = lays(
      "Tail: 8 hackle fibres, half the shank\nWing: 25 squirrel hairs, as long as the body and tail together",
    );
    expect(wing?.shown).toEqual({ of: "body", times: 1, plus: { of: "tail", times: 1 } });
  });

  test("herl over a wing, as long as that, is its topping", () => {
    const reading = read(
      `${dry}Wing: 25 squirrel hairs, as long as the shank\nFour strands of peacock herl over, same length`,
    );
    expect(reading.recipe.components.map((c) => c.role)).toContain("topping");
    expect(reading.recipe.components.map((c) => c.role)).not.toContain("body");
  });

  test.each([
    ["Whip finish 2x", { turns: 5, times: 2 }],
    ["Finish behind the eye with a 4 turn whip finish", { turns: 4 }],
    ["Finish, whip 4 turns", { turns: 4 }],
  ])("%s", (line, knot) => {
    expect(read(dry + line).recipe.steps.find((s) => s.do === "whip")).toMatchObject(knot);
    expect(asksOf(dry + line)).toEqual([]);
  });

  test("a hackle whose turns go back through something is of the feather that waits", () => {
    const text =
      "Hook: wet 14\nSilk: yellow\nCatch in one starling feather at the eye, fibres two thirds of the hook\n" +
      "Run the silk to the bend and dub a body of mole\nTwo turns of starling back through";
    expect(read(text).newMaterials.filter((m) => /starling/.test(m.name))).toHaveLength(1);
  });

  test("a low-water double is a double", () => {
    expect(read("Low-water double, size 6\nThread: black").recipe.hookModel).toBe("T2");
  });
});

describe("where a body lies whose end alone is told", () => {
  const bodyOf = (text: string) => {
    const { recipe } = read(dry + text);
    const id = recipe.components.find((c) => c.role === "body")?.id;
    return recipe.steps.find((s) => s.component === id && (s.do === "dress" || s.do === "wind"));
  };

  test.each(["Body: rust dubbing, slim, stops at 70%", "Body: flat gold tinsel to two thirds of the shank"])(
    "%s: from the bend",
    (line) => {
      expect(bodyOf(line)).toMatchObject({ from: { landmark: "bend" } });
    },
  );

  test("silk is run down from the front, and no further than it says", () => {
    const silk = bodyOf("Body: yellow thread to a point above the point of the hook");
    expect(silk).toMatchObject({ from: { fraction: 0.3 } });
  });

  test("a short body ends at its rear above the point", () => {
    expect(bodyOf("Body: yellow floss to above the point")).toMatchObject({ from: { fraction: 0.3 } });
  });

  test("so many mm behind the eye are near the eye on any hook", () => {
    const { recipe } = read(
      "Hook: 2/0 stinger\nThread: black 210\nBody: cross-cut black rabbit to 8 mm behind the eye, 6 turns",
    );
    const body = recipe.steps.find((s) => s.do === "wind" && s.to !== undefined);
    expect(body).toMatchObject({ from: { landmark: "bend" }, to: { landmark: "eye", plus: { mm: 8 } } });
  });
});

describe("words that many tiers have for it", () => {
  test("a cover that is pulled over, named in one line", () => {
    const { recipe } = read(`${dry}Body: olive hare\npearl tinsel back folded over`);
    const cover = recipe.components.find((c) => c.role === "wing case");
    expect(recipe.steps.filter((s) => s.component === cover?.id).map((s) => s.do)).toEqual(["lay", "lay"]);
  });

  test("two colours, so many of each", () => {
    const [blue, purple] = lays("collar: blue and purple flash, 10 strands each, all round, to the bend");
    expect([blue?.amount, purple?.amount]).toEqual([
      { strands: 10, folded: false },
      { strands: 10, folded: false },
    ]);
  });

  test("so many on each side are of one bunch", () => {
    expect(lays("Flash: blue and purple flash, 5 strands each side, a shank long")).toHaveLength(1);
  });

  test("herl that is twisted with the silk is wound once, as a rope", () => {
    const { recipe } = read(
      `${dry}Body of peacock herl: take three strands, twist them with the silk and wind to the eye.`,
    );
    expect(recipe.steps.filter((s) => s.do === "wind")).toMatchObject([{ rope: 3 }]);
    expect(recipe.steps).toHaveLength(1);
  });

  test.each([
    ["12 std dry", "D1", "12"],
    ["Take a No. 12 wet fly hook.", "W1", "12"],
  ])("%s names the hook", (line, model, size) => {
    const { recipe } = read(`A Fly\n${line}\nThread: brown`);
    expect(recipe).toMatchObject({ hookModel: model, sizes: { from: size, to: size } });
  });

  test("a part that nobody knows, and that is not there", () => {
    expect(asksOf(`${dry}Rattle: none`)).toEqual([]);
  });
  test.each(["Cheeks: none on this version", "Tail: none here", "Butt/tag: none", "Weed guard: omitted", "Ribs: nil"])(
    "%s: it is not there, and nothing is asked",
    (line) => {
      expect(asksOf(`${dry}${line}`)).toEqual([]);
      expect(read(`${dry}${line}`).recipe.steps).toEqual(read(dry).recipe.steps);
    },
  );
  test("what is left out of one thing is not left out of all", () =>
    expect(asksOf(`${dry}Body: none of the fur, use floss`)).not.toEqual([]));

  test("the length in a sentence of its own", () => {
    const [tail] = lays(
      "Wind the thread to the bend\nOffer up eight fibres from a golden pheasant tippet, secure with three turns. Length equal to the gape.",
    );
    expect(tail).toMatchObject({ shown: { of: "gape", times: 1 }, tieIn: { wraps: 3 } });
  });
});

describe("places and amounts by what is there, or is not", () => {
  test("as far as the tail, of a fly that has none", () => {
    const { recipe, lines } = read(
      `${dry}Body: tan fur\nHackle: ginger saddle, tied in at the head, palmered down to the tail in 6 turns`,
    );
    expect(recipe.steps.find((s) => s.do === "wind")).toMatchObject({ to: { landmark: "bend" } });
    expect(lines[3]?.assumed).toContain("the tail is not there yet: taken where one usually is");
  });

  test("as much as another part has", () => {
    const [belly, back] = lays(
      "Belly: white bucktail 20-30 hairs, 2x shank\nBack: olive bucktail, same amount as belly",
    );
    expect(back?.amount).toEqual(belly?.amount);
  });

  test("room at both ends of a weight", () => {
    const { recipe } = read(`${dry}Weight: 14 turns of 0.5 mm lead, leaving 3 mm at the front and 3 mm at the back`);
    expect(asksOf(`${dry}Weight: 14 turns of 0.5 mm lead, leaving 3 mm at the front and 3 mm at the back`)).toEqual([]);
    expect(JSON.stringify(recipe.steps)).toContain('"mm":3');
  });

  test("eyes at a mark, with so many crossed wraps", () => {
    const { recipe } = read(`${dry}Eyes: medium bead chain, black, tied in on top at the quarter mark, 12 x-wraps`);
    expect(recipe.steps.find((s) => s.do === "seat")).toMatchObject({
      from: { fraction: 0.25 },
      tieIn: { wraps: 12 },
    });
  });

  test("a front body lies ahead of the rear one", () => {
    const { recipe } = read(
      "Hook: wet 8\nThread: red\nRear body: red seal's fur, half the body\nFront body: black seal's fur",
    );
    const [rear, front] = recipe.steps.flatMap((s) => (s.do === "dress" ? [s] : []));
    expect(front?.to).toEqual(rear?.from);
  });

  test("a tail hackle is wound at the bend, also as a collar", () => {
    const { recipe } = read("Hook: wet 8\nThread: red\nTail hackle: red breast feather, wound 2 turns as a collar");
    expect(recipe.steps.find((s) => s.do === "wind")).toMatchObject({
      from: { landmark: "bend" },
      rule: { turns: 2 },
    });
  });

  test("a strip by its length and its width", () => {
    const [tail] = lays("Tail: 60 mm x 4 mm tan rabbit strip");
    expect(tail?.shown).toEqual({ mm: 60 });
    expect(asksOf(`${dry}Tail: 60 mm x 4 mm tan rabbit strip`)).toEqual([]);
  });

  test("the wire that is broken off is wound no more", () => {
    const text = `${dry}Rib: gold wire, 5 turns\nBody: hare\nBreak off the wire by twisting it.`;
    const { recipe } = read(text);
    expect(recipe.steps.filter((s) => s.do === "wind")).toHaveLength(1);
  });
});

describe("shares and turns that say where one ends and the next begins", () => {
  test.each([
    ["to 60% of the shank from the bend", 0.4],
    ["to 60% of the shank from the eye", 0.6],
  ])("olive dubbing, %s", (where, fraction) => {
    const [body] = read(`${dry}Body: olive dubbing, ${where}`).recipe.steps.flatMap((s) =>
      s.do === "dress" ? [s] : [],
    );
    expect(body).toMatchObject({ from: { landmark: "bend" }, to: { fraction } });
  });

  test("turns of one fur and the rest of another are asked about: nobody said how far the first goes", () => {
    const asked = asksOf(
      "Hook: wet 8\nThread: black\nBody: three turns of orange seal's fur, the rest black seal's fur.",
    );
    expect(asked).toHaveLength(1);
    expect(asked[0]).toContain("Where does the one end and the other begin?");
  });

  test("the answer that the question names is read", () => {
    const text = "Hook: wet 8\nThread: black\nBody: rear third orange seal, rest black seal";
    expect(asksOf(text)).toEqual([]);
    const [rear, front] = read(text).recipe.steps.flatMap((s) => (s.do === "dress" ? [s] : []));
    expect(front?.to).toEqual(rear?.from);
  });

  test("what is bound down all the way waits where it was bound to", () => {
    const { recipe } = read(
      `${dry}Tie in flat silver braid behind the eye and bind it all the way down to the bend.\nWrap the braid forward to the eye`,
    );
    expect(recipe.steps.find((s) => s.do === "wind")).toMatchObject({
      from: { landmark: "bend" },
      to: { landmark: "eye" },
    });
  });
});
