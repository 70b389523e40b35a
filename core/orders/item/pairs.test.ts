import { describe, expect, test } from "vitest";
import { anotherCatalogue } from "../corpus/another";
import { Stretch } from "../stretch";
import { takePairs } from "./pairs";

const [sedge] = anotherCatalogue.patterns.filter((p) => p.id === "bsedge");
if (!sedge) throw new Error("The catalogue of the corpus has no Boathouse Sedge.");
const pairsIn = (text: string): string[] | undefined =>
  takePairs(new Stretch(text, 0), sedge)?.map((p) => `${p.colour.name} ${p.size}`);

describe("takePairs", () => {
  const cases: [string, string, string[] | undefined][] = [
    ["each colour with its size", "tan 12, tan 14, grey 14", ["tan 12", "tan 14", "grey 14"]],
    ["the sizes first", "12 tan, 14 grey", ["tan 12", "grey 14"]],
    ["a colour with two sizes", "tan 10, 12, grey 14", ["tan 10", "tan 12", "grey 14"]],
    ["a size in two colours", "12 tan, grey, 14 black", ["tan 12", "grey 12", "black 14"]],
    ["with signs and small words", "tan in #12 and grey in #14", ["tan 12", "grey 14"]],
    ["every size in every colour", "tan, grey 12, 14", undefined],
    ["one colour", "tan 10, 12, 14", undefined],
    ["where another word stands between", "tan 12 long, grey 14", undefined],
    ["where the last has no size", "tan 12, grey 14, black", undefined],
    ["a size in which the fly is not tied", "tan 2, grey 4", undefined],
    ["nothing", "", undefined],
  ];
  test.each(cases)("%s", (_, text, wanted) => expect(pairsIn(text)).toEqual(wanted));

  test("takes out what it read", () => {
    const stretch = new Stretch("tan 12, grey 14 please", 0);
    takePairs(stretch, sedge);
    expect(stretch.words().map((w) => w.text)).toEqual(["please"]);
  });
});
