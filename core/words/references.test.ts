import { describe, expect, test } from "vitest";
import { sayStep } from ".";
import { asksOf, partOf, read, stepsByStuff, stuffOf } from "./corpus/reading";

/** What a later word of a recipe means of what is there: “the quill”, “green ones”, “over the tinsel”. */
const nymph = "Hook: nymph 12\nThread: black 8/0\n";
const last = (text: string): string[] => {
  const reading = read(nymph + text);
  const mine = reading.lines.at(-1)?.steps ?? [];
  return reading.recipe.steps
    .filter((s) => mine.includes(s.id))
    .map((s) => `${partOf(reading, s)?.role ?? ""}, ${stuffOf(reading, partOf(reading, s))}: ${sayStep(s)}`);
};
const asked = (text: string): string[] => asksOf(nymph + text);

describe("what is there already", () => {
  test("“over the tinsel” says where the wire goes, and winds no tinsel", () => {
    const text = "Tie in fine silver wire and 2 strands of pearl tinsel at the bend\nBody: hare's ear\n";
    expect(last(`${text}Rib with five turns of wire, counterwound, over the tinsel`)).toEqual([
      expect.stringMatching(/^rib, fine silver wire: 5 turns, counter, from the bend/),
    ]);
  });

  test("“the quill” is the one that was tied in, whatever its form", () => {
    const text = "Catch in a strand of stripped peacock quill at the bend\n";
    expect(last(`${text}Wind the quill in touching turns to mid-shank`)).toEqual([
      expect.stringMatching(/^body, stripped peacock quill: touching, from the bend to mid-shank/),
    ]);
  });

  test("tinsel that waits can be pulled over the back instead", () => {
    const text = "Tie in 2 strands of pearl tinsel at the bend\nBody: hare's ear\n";
    expect(last(`${text}Pull the tinsel over the back and tie it down`)).toEqual([
      expect.stringMatching(/^wing case, pearl tinsel: 2 strands, over the back/),
    ]);
  });

  test("a rib over one of two bodies ends where that one does", () => {
    const text = "Body: rear half orange floss, front half black ostrich, 3 turns\n";
    expect(last(`${text}Rib: oval gold over the floss, 3 turns`).at(-1)).toContain(
      "3 turns, from the bend to 0.65 of the shank",
    );
  });

  test("what is varnished before the hackle is the body, not the head", () => {
    const text = "Body: stripped peacock quill, wound from the bend to mid-shank\n";
    expect(last(`${text}Varnish the quill before hackling`)).toEqual([
      expect.stringMatching(/^finish, .*1 coat, from in front of the body to behind the body/),
    ]);
  });

  test("“over that” lies on top", () => {
    const text = "Wing: 30 white bucktail hairs, as long as the hook\n";
    expect(last(`${text}Over that six strands of peacock herl, as long as the wing`)).toEqual([
      expect.stringMatching(/^topping, peacock herl.*6 strands, = the wing length, over the back/),
    ]);
  });

  test("“the hackles” of which a wing is are that wing", () => {
    const text = "Wing: four white saddle hackles, twice the shank\n";
    expect(last(`${text}Flash: 4 strands of pearl flash, same length as the hackles`).join()).toContain(
      "= the wing length",
    );
  });

  test("“green ones” are of the same stuff", () => {
    expect(
      last("Wing of 40 blue bucktail hairs with 10 green ones on top, to the bend").map((s) => s.split(": ")),
    ).toEqual([
      ["wing, blue bucktail hairs", expect.stringMatching(/^40 fibres, to the bend/)],
      ["wing, green bucktail hairs", expect.stringMatching(/^10 fibres, to the bend/)],
    ]);
  });
});

test("a tail is tied in behind, wherever the thread hangs", () => {
  const text = "Eight turns of .015 lead-free wire\nTake the thread to the eye\n";
  expect(last(`${text}Tie in a dozen pheasant tail fibres as a tail, one gape long`).join()).toContain("to the bend");
});

test.each([
  ["Hook: 2 short shank saltwater", "2"],
  ["Hook: 8 short shank", "8"],
  ["Hook: 10 2x short dry", "10"],
])("%s is of size %s", (line, size) => {
  expect(read(`${line}\nThread: black`).recipe.sizes).toEqual({ from: size, to: size });
});

test("what is painted or coloured is kept as it was said, and takes nothing", () => {
  expect(last("Eyes: painted, yellow with a black pupil")).toEqual([]);
  expect(asked("Eyes: painted, yellow with a black pupil")).toEqual([]);
  expect(asked("Colour the back near the head with a brown pen")).toEqual([]);
  expect(last("Eyes: painted, or 5 mm stick-ons").join()).toContain("eyes, 5 mm stick-ons");
});

test("a topping is one feather, and slips have their width", () => {
  expect(last("Tail: golden pheasant topping, 8 mm").join()).toContain("1 feather, = 8 mm");
  expect(last("Wing: paired slips of teal, 5 mm, as long as the hook").join()).toContain("slips 5 mm wide");
});

test("three quarters of the way up begins at the bend", () => {
  const text = "Tie in brown chenille at the bend\n";
  expect(last(`${text}Wrap the chenille forward three quarters of the way up the shank`).join()).toContain(
    "from the bend to a quarter of the shank",
  );
});

test("a bunch of hair may have its thickness and its length between commas", () => {
  expect(last("Tail: clump of white bucktail, 2 mm, three times the shank").join()).toContain(
    "clump of 2 mm, = 3 × the shank",
  );
  expect(asked("Tail: clump of white bucktail, 2 mm, three times the shank")).toEqual([]);
  expect(asked("Tail: one strand of white wool, 2 mm, half the shank").join()).not.toEqual("");
});

test("what is pulled down and back is wound once", () => {
  expect(last("Front hackle: blue cock, 3 turns, pulled down and back").join()).not.toContain("there and back");
});

test("two colours of one stuff are two bunches, each with its count", () => {
  expect(
    last("Wing: 20 black and 10 yellow squirrel hairs, to the bend").map((s) => s.split(",", 3).slice(0, 2).join()),
  ).toEqual(["wing, black squirrel hairs: 20 fibres", "wing, yellow squirrel hairs: 10 fibres"]);
});

test("silk that is tied in first is the thread, and what it goes along is its base", () => {
  const { recipe } = read(
    "Hook: wet 12\nTie in yellow silk at the eye and take it down the shank to just above the barb",
  );
  expect(recipe.steps.map((s) => sayStep(s))).toEqual([expect.stringMatching(/^touching, from the eye to the barb/)]);
});

test("a hackle that is tied in with its turns is wound", () => {
  expect(last("Tie in a brown hen hackle behind the eye, two turns").join()).toMatch(/^collar, .*: 2 turns/);
});

test("copper as thick as weight wire, behind the bead, is weight", () => {
  expect(last("Bead: 3 mm tungsten\n10 turns of 0.3 mm copper wire behind the bead").join()).toMatch(/^weight, /);
  expect(last("Bead: 3 mm tungsten\nBody: olive fur\n6 turns of 0.1 mm copper wire to the bead").join()).toMatch(
    /^rib, /,
  );
});

test("room that is left for the hackle makes no hackle of the fur", () => {
  expect(last("Dub hare fur, not too thick, leaving room for the hackle").join()).toMatch(/^body, /);
});

test("a head that is a bead is a bead", () => {
  expect(last("Head: 4 mm gold bead, slid on first").join()).toMatch(/^bead, /);
});

test("“longer than the white” is measured by what is white", () => {
  const text = "Wing: white bucktail, 2 mm bunch, twice the shank\n";
  expect(last(`${text}Chartreuse bucktail, 2.5 mm bunch, slightly longer than the white`).join()).toContain(
    "= 2.2 × the shank",
  );
});

test("the tail fibres are what a later line winds of them", () => {
  const text = "Tail: 6 pheasant tail fibres, half the shank\n";
  expect(last(`${text}Abdomen: the tail fibres wrapped to two thirds`)).toEqual([
    expect.stringMatching(/^tail, pheasant tail.*: rope of 6, touching, from the bend to a third of the shank/),
  ]);
});

test("half again is one and a half times", () => {
  expect(last("Wing: 25 white bucktail hairs, the length of the hook plus half again").join()).toContain(
    "= 1.5 × the hook",
  );
});

test("a bunch as thick as a pencil lead is hair, and no weight", () => {
  expect(last("Wing: tan craft hair, pencil lead thick, twice the shank").join()).toMatch(/^wing, .*clump of 2 mm/);
});

test("halves of a body are told apart by their words, and when something is done is no place", () => {
  expect(last("Body in two halves: rear green floss, front black herl").at(0)).toContain(
    "green floss: touching, from mid-shank to the bend",
  );
  const text = "Wing case: 6 mm wide slip of grey goose\nThorax: olive fur\n";
  expect(last(`${text}Hackle: grizzly, 2 turns, before the wing case is pulled over`).join()).not.toContain(
    "wing case",
  );
});

test("a rib of “brown 6/0” is of thread", () => {
  expect(last("Body: yellow fur ribbed with brown 6/0, six turns").join()).toContain("brown 6/0 thread: 6 turns");
});

test("soft loops hold like wraps, and a thin noodle has its length", () => {
  expect(
    last("Wing: slips of grey duck quill, 4 mm wide, as long as the hook, held with three soft loops").join(),
  ).toContain("with 3 wraps");
  expect(last("Body: claret seal's fur, thin noodle of 50 mm").join()).toContain("noodle 50 mm sparse");
  expect(asked("Body: claret seal's fur, thin noodle of 50 mm")).toEqual([]);
});

describe("a thorax of the same", () => {
  const thorax = (body: string): string[] =>
    stepsByStuff(
      `Hook: nymph 12\nThread: black\nTail: 5 pheasant tail fibres, half the shank\nTie in fine gold wire\n${body}\nRib, 5 turns\nThorax: the same`,
    ).filter((s) => s.startsWith("thorax, "));
  test("is of what the body is of, and not of what ribs it", () => {
    expect(thorax("Dub olive dubbing to the thorax")).toEqual([expect.stringMatching(/^thorax, .*olive/)]);
  });
  test("is of the tail's fibres, where they were wound on as the body", () => {
    expect(thorax("Wind the butts forward to the thorax")).toEqual([expect.stringMatching(/^thorax, pheasant/)]);
  });
});
