import { describe, expect, test } from "vitest";
import { readOrder, type Catalogue } from "@kasten/core/orders";
import { orderOffers } from "./offers";

const catalogue: Catalogue = {
  today: "2026-11-25",
  patterns: [
    {
      id: "tar-pupa",
      name: "Tar Pupa",
      sizes: { from: "18", to: "12" },
      variants: [
        { id: "red", name: "red" },
        { id: "grey", name: "reed grey" },
      ],
      forms: [
        { id: "plain", name: "plain" },
        { id: "bead", name: "beaded" },
      ],
    },
    {
      id: "reed-wisp",
      name: "Reed Wisp",
      sizes: { from: "14", to: "10" },
      variants: [{ id: "brown", name: "brown" }],
      forms: [{ id: "plain", name: "plain" }],
    },
  ],
  customers: [{ id: "reed", name: "The Reed House" }],
  seasons: [{ name: "pike opening", date: "2027-05-01" }],
  numberWords: {},
};
const at = (text: string) => orderOffers(text, text.length, readOrder(text, catalogue), catalogue);
const labels = (text: string) => at(text)?.offers.map((o) => o.label);

describe("what may be meant while an order is typed", () => {
  test.each([
    ["a pattern by its beginning", "6dz tar", ["Tar Pupa"]],
    ["a pattern by its second word", "6dz pup", ["Tar Pupa"]],
    [
      "colour and pattern alike, the colour of this line first",
      "6dz Tar Pupa 14 ree",
      ["reed grey", "The Reed House", "Reed Wisp"],
    ],
    ["a weight form where there are several", "6dz Tar Pupa 14 red bea", ["beaded"]],
    ["no weight form where there is only one", "6dz Reed Wisp 12 brown pla", undefined],
    ["a customer after the semicolon", "6dz Tar Pupa 14 red; the r", ["The Reed House"]],
    ["a season", "6dz Tar Pupa 14 red; The Reed House, pik", ["pike opening"]],
    ["nothing for a letter", "6dz T", undefined],
    ["nothing for what is whole already", "6dz Tar Pupa", undefined],
  ])("%s", (_label, text, wanted) => expect(labels(text)).toEqual(wanted));

  test("days of the months to come, none that has passed and none that the month has not", () => {
    expect(labels("6dz Tar Pupa 14 red; The Reed House, 24")).toEqual([
      "24 Dec",
      "24 Jan",
      "24 Feb",
      "24 Mar",
      "24 Apr",
    ]);
    expect(labels("6dz Tar Pupa 14 red; The Reed House, 31")).toEqual(["31 Dec", "31 Jan", "31 Mar"]);
  });

  test("begins where the words begin", () => expect(at("4dz 16; the reed")?.from).toBe("4dz 16; ".length));
});
